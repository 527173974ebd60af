<script setup lang="ts">
import { touches, type OperationEntry, type OperationKind } from '#core'
import { USUAL_CUT } from '#shared/words/quantities'
import { firstPress } from '~/composables/firstPress'
import { usePlanned } from '~/composables/usePlanned'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayEntry, sayKind, sayScope } from '~/words/entries'

/** What is planned for the head on the bench, each done or dropped where it is shown; a cut with what really came off. `first`: it is the station's next move. */
const props = defineProps<{ kinds: readonly OperationKind[], first?: boolean }>()
const build = useBuild()
const device = useDevice()
const { finish, stopOf, said: sentence } = usePlanned()
const planned = computed(() => {
  const r = build.replayed
  const mine = r?.layout.heads[(build.state?.head ?? 1) - 1] ?? []
  return (r?.planned ?? []).filter(op => props.kinds.includes(op.kind) && mine.some(c => touches(op, r!.layout, c)))
})
/** What needs no figure of its own can be done, or dropped, as one. */
const together = computed(() => planned.value.length > 1 && !planned.value.some(isCut))
const all = (state: 'done' | 'dropped') => finish(planned.value.map(op => op.id), state)
const isCut = (op: OperationEntry) => op.kind === 'faceCut' || op.kind === 'deckCut'
</script>

<template>
  <section v-if="planned.length" class="planned" aria-label="Planned work">
    <div class="head">
      <h3>Planned</h3>
      <template v-if="together">
        <v-btn :data-new="first ? true : undefined" @click="firstPress($event) && all('done')">All of it is done</v-btn>
        <v-btn @click="firstPress($event) && all('dropped')">Drop it all</v-btn>
      </template>
    </div>
    <ul>
      <li v-for="(op, i) in planned" :key="op.id" :data-planned="op.kind">
        <span class="what">{{ sayKind(op.kind) }}: {{ sayEntry(op, device.lengths) }}<template v-if="build.cylinders.length > 1">, {{ sayScope(op.scope) }}</template><template v-if="stopOf(op)">: stop at <strong class="num" data-planned-stop>{{ stopOf(op) }}</strong></template></span>
        <FigureField v-if="isCut(op)" :field="`${build.view?.id}/planned/${op.id}`" label="Really came off" dimension="length" :usual="USUAL_CUT" class="off" :data-new="first && i === 0 ? true : undefined" :commit="figure => finish([op.id], 'done', figure)" />
        <v-btn :data-new="first && i === 0 && !isCut(op) && !together ? true : undefined" @click="firstPress($event) && finish([op.id], 'done')">Done<span class="visually-hidden">: {{ sayEntry(op, device.lengths) }}</span></v-btn>
        <v-btn @click="firstPress($event) && finish([op.id], 'dropped')">Drop<span class="visually-hidden">: {{ sayEntry(op, device.lengths) }}</span></v-btn>
      </li>
    </ul>
    <p v-if="sentence" class="sentence">{{ sentence }}</p>
  </section>
</template>

<style scoped>
.planned { display: grid; gap: 4px; }
.head { display: flex; flex-wrap: wrap; gap: 6px 8px; align-items: center; }
li { display: flex; flex-wrap: wrap; gap: 6px 8px; align-items: end; border-top: 1px solid var(--hair); padding: 6px 0; }
.what { flex: 1 1 130px; align-self: center; }
.off { flex: 0 1 130px; margin-bottom: 16px; }
</style>
