<script setup lang="ts">
import { fit, quantityOf, sameGasket, type Figure, type GasketFigures } from '#core'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { say, shown } from '#shared/figures'
import { firstPress } from '~/composables/firstPress'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'

const build = useBuild()
const device = useDevice()
/** Those of the head on the bench. */
const offers = computed(() => build.replayed?.offers.filter(o => fit(o.scope, build.replayed!.layout, build.cylinder) > 0) ?? [])

/** Another thickness of the same gasket: its opening is that of the one that is fitted, be it a circle or not. */
async function offer(thickness: Figure): Promise<string | undefined> {
  const fitted = quantityOf(build.replayed, 'gasketBore', build.cylinder)?.estimate.value
  if (fitted === undefined) return 'State the gasket bore first: another thickness has the same.'
  const area = quantityOf(build.replayed, 'gasketArea', build.cylinder)?.estimate.value
  const gasket: GasketFigures = { thickness, bore: { value: fitted, unit: 'mm', typed: String(fitted) }, ...area === undefined ? {} : { area: { value: area, unit: 'mm2', typed: String(area) } } }
  if (offers.value.some(o => sameGasket(o.body, gasket))) return `${say(thickness.value, 'length', device.lengths)} is on the list already.`
  return notKept(await build.add('offer', { level: 'build' }, gasket))
}
const remove = (id: string, scope: (typeof offers.value)[number]['scope']) => build.add('void', scope, { reason: 'no longer available' }, { supersedes: id })
</script>

<template>
  <div>
    <FigureField
      :field="`${build.view?.id}/offer`" label="Gaskets available: add one" dimension="length" :usual="QUANTITY_WORDS.gasketThickness.usual"
      empty-text="thickness" :commit="offer"
    />
    <ul class="offers small">
      <li v-for="o in offers" :key="o.id" class="num">
        {{ shown(o.body.thickness.value, 'length', device.lengths).number }}
        <v-btn variant="text" class="x" :aria-label="`Take ${say(o.body.thickness.value, 'length', device.lengths)} off the list`" @click="firstPress($event) && remove(o.id, o.scope)">×</v-btn>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.offers { display: flex; flex-wrap: wrap; gap: 0 10px; min-height: 24px; }
.x { min-height: 24px; min-width: 24px; padding: 0; color: var(--quiet); }
</style>
