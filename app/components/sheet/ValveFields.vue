<script setup lang="ts">
import { asksFor, type Bodies, type Scope } from '#core'
import { useStatement } from '~/composables/useStatement'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { useBuild } from '~/stores/build'

const build = useBuild()
const head = computed<Scope>(() => ({ level: 'head', head: build.state?.head ?? 1 }))
const whole: Scope = { level: 'build' }
const valves = ['intake', 'exhaust'] as const
/** A closed barrel has no face to measure its seats from. */
const edges = computed(() => asksFor(build.replayed?.layout.engine, 'intakeSeatHeight'))
const clearances = {
  intake: useStatement(() => 'intakeClearance', () => whole), exhaust: useStatement(() => 'exhaustClearance', () => whole)
}
const WAYS = [['upright', 'upright'], ['alongValve', 'along valve'], ['pocket', 'pocket']] as const

const convention = (valve: 'intake' | 'exhaust') => clearances[valve].convention.value ?? 'upright'
function change(valve: 'intake' | 'exhaust', to: Bodies['measure']['convention']) {
  const { standing, keep } = clearances[valve]
  const entry = standing.value
  if (entry && 'figure' in entry.body) void keep(entry.body.figure, entry.id, { convention: to })
}
</script>

<template>
  <fieldset class="valves">
    <legend><h3>Valves <span v-if="edges" class="quiet small">Measure each edge at its lowest point above the face.</span></h3></legend>
    <v-table>
      <thead>
        <tr class="names"><th /><th>Tilt</th><th>To the piston</th><th>measured</th><template v-if="edges"><th>Seat edge</th><th>Top cut edge</th></template></tr>
      </thead>
      <tbody>
        <tr v-for="valve in valves" :key="valve">
          <th scope="row" class="small">{{ valve === 'intake' ? 'Intake' : 'Exhaust' }}</th>
          <td><StatementField :quantity="`${valve}Tilt`" :scope="head" hide-label no-basis /></td>
          <td>
            <FigureField
              :field="`${build.view?.id}/${valve}Clearance`" :label="QUANTITY_WORDS[`${valve}Clearance`].label" dimension="length" :usual="QUANTITY_WORDS[`${valve}Clearance`].usual" hide-label
              :part="clearances[valve].part.value" :base="clearances[valve].standing.value?.id"
              :commit="(figure, _t, base) => clearances[valve].keep(figure, base, { convention: convention(valve) })"
            />
          </td>
          <td class="way">
            <BenchSelect class="small bare" hide-label menu-icon="" :label="`${valve} clearance: how it is measured`" :model-value="convention(valve)" :items="WAYS" :disabled="!clearances[valve].standing.value" @update:model-value="change(valve, $event!)" />
          </td>
          <template v-if="edges">
            <td><StatementField :quantity="`${valve}SeatHeight`" :scope="head" hide-label no-basis /></td>
            <td><StatementField :quantity="`${valve}TopCutHeight`" :scope="head" hide-label no-basis /></td>
          </template>
        </tr>
      </tbody>
    </v-table>
  </fieldset>
</template>

<style scoped>
.valves :deep(table) { table-layout: fixed; }
.valves :deep(th), .valves :deep(td) { padding: 2px 4px !important; border-bottom: 0 !important; }
.valves :deep(th:first-child) { width: 58px; padding-left: 0 !important; }
@media (max-width: 1000px) { .valves :deep(th:first-child) { width: 54px; } .valves :deep(.names th:nth-child(4)) { width: 84px; } }
</style>
