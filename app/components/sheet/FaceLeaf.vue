<script setup lang="ts">
import { finishesOf } from '#core'
import { say } from '#shared/figures'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { useHeights } from '~/composables/useHeights'
import { sayGroup } from '~/words/entries'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

/** A head's face: how high it stands at corners and middle, what a cut really took, and how fine it is. */
const build = useBuild()
const device = useDevice()
const { head, scope, standing, entry, places, half, bores, bore, part, keep, startAfresh } = useHeights()
/** Beyond the rim at the corners, so that the bores stay in sight. */
const out = ({ y }: { y: number }) => Math.abs(y) > half.value.y / 2 ? 24 : 0
const first = computed(() => places.value.findIndex(p => !part(p)))
const now = computed(() => standing.value?.sets.at(-1))
const mm = (value: number) => say(value, 'length', device.lengths)
const finish = computed(() => build.replayed && finishesOf(build.replayed).find(({ entry: { scope } }) => scope.level === 'head' && scope.head === head.value))
const cutOf = (id: string) => build.byId.get(id)
</script>

<template>
  <div class="face">
    <div class="plan">
      <FacePlan :half="half" :bores="bores" :bore="bore" :most="300" :edge="46" :side="60">
        <template #default="{ at }">
          <div v-for="(place, i) in places" :key="`${place.x}/${place.y}`" class="place" :style="at(place, out(place))">
            <FigureField
              :field="`${build.view?.id}/heights/${head}/${place.x}/${place.y}`" :label="`Height, ${place.label.toLowerCase()}`" hide-label dimension="length" :usual="QUANTITY_WORDS.headHeight.usual"
              :part="part(place)" :base="entry?.id" :data-new="i === Math.max(0, first) ? true : undefined" :commit="(figure, _t, base) => keep(place, figure, base)"
            />
          </div>
        </template>
      </FacePlan>
      <div class="foot">
        <p class="small quiet">{{ sayGroup('Head', head, build.replayed?.layout.heads ?? []) }}, from face to cover rail, seen from the face<template v-if="bores.length > 1">; cylinder {{ bores[0]?.cylinder }} to the {{ build.rowBegins?.left ? 'left' : 'right' }}</template>.</p>
        <v-btn v-if="entry" @click="startAfresh">New set</v-btn>
      </div>
    </div>
    <div class="side">
      <section v-if="now">
        <h3>How it lies</h3>
        <dl>
          <div><dt>height, mean</dt><dd class="num big" data-height>{{ mm(now.plane.centre) }}</dd></div>
          <div><dt>end to end</dt><dd class="num">{{ mm(Math.abs(now.endToEnd)) }}</dd></div>
          <div><dt>side to side</dt><dd class="num">{{ mm(Math.abs(now.sideToSide)) }}</dd></div>
          <div v-if="now.twist !== undefined"><dt>twist, corner to corner</dt><dd class="num">{{ mm(Math.abs(now.twist)) }}</dd></div>
          <div v-if="now.hollow !== undefined"><dt>{{ now.hollow < 0 ? 'middle stands high' : 'middle lies low' }}</dt><dd class="num">{{ mm(Math.abs(now.hollow)) }}</dd></div>
          <div v-if="standing?.earlier !== undefined"><dt>cut before it came to you</dt><dd class="num" data-earlier>{{ mm(standing.earlier) }}</dd></div>
        </dl>
      </section>
      <StatementField quantity="headHeight" :scope="{ level: 'build' }" :bases="['book', 'measure']" />
      <section v-for="taken in standing?.taken ?? []" :key="taken.cut" :data-taken="taken.cut">
        <h3>The cut took <span class="num">{{ mm(taken.depth) }}</span></h3>
        <p class="small"><span v-for="u in taken.under" :key="u.cylinder" class="under">{{ u.cylinder }}: <span class="num">{{ mm(u.depth) }}</span></span></p>
        <p v-if="cutOf(taken.cut)?.kind === 'faceCut' && (cutOf(taken.cut)!.body as { measured?: unknown }).measured" class="small quiet">The depth you measured counts; this is what the heights say.</p>
      </section>
      <section>
        <h3>Finish of the face</h3>
        <KindForm kind="finish" :scope="scope" :now="finish?.entry.body" keep-label="Keep the finish" />
        <p v-if="finish?.tooCoarse" class="warn small">Rougher than the gasket allows. Take a finer cut.</p>
        <p v-else-if="finish?.cutSince" class="small">The face was cut since: read it again.</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.face { display: grid; grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr); gap: 24px; padding-top: 6px; }
.place { position: absolute; width: 96px; transform: translate(-50%, -50%); }
.foot { display: flex; justify-content: space-between; gap: 10px; align-items: center; }
.side { display: grid; gap: 14px; align-content: start; }
dl > div { display: flex; justify-content: space-between; gap: 12px; align-items: baseline; border-bottom: 1px solid var(--hair); padding: 2px 0; }
dt { color: var(--quiet); }
.big { font-size: var(--s32); font-weight: 700; line-height: 1.1; }
.under { margin-right: 12px; white-space: nowrap; }
@media (max-width: 1000px) { .face { grid-template-columns: minmax(0, 1fr); } }
</style>
