<script setup lang="ts">
import { digits, say } from '#shared/figures'
import type { Route } from '#core/plan/route'
import { pouredFirst } from '#core'
import { useGlass } from '~/composables/useGlass'
import { useBuild } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sayStage } from '~/words/routes'

/** A route's stages in order, each with the reading to stop at and the ratio it leaves, by cylinder. */
const props = defineProps<{ route: Route, /** The name of the one it fits. */ gasket?: string }>()
const build = useBuild()
const device = useDevice()
const { stopAt, glass } = useGlass()
const assembled = computed(() => pouredFirst(build.replayed?.layout.engine) === 'assembled')
const stop = (c: Route['stages'][number]['cylinders'][number]) => assembled.value ? stopAt(c.clearance, 'assembled') : stopAt(c.chamber)
/** A stage that leaves the chamber as it is has no reading to stop at. */
const pours = (stage: Route['stages'][number]) => assembled.value || ['grind', 'open', 'face', 'roll', 'seats', 'dome'].includes(stage.work)
/** What comes out of each cylinder at a stage has a line of its own. */
const perCylinder = (stage: Route['stages'][number]) => stage.work === 'grind' || stage.work === 'open' || stage.work === 'crown'
const ground = (stage: Route['stages'][number], cylinder: number) => stage.operations.flatMap(op => (op.kind === 'relief' || op.kind === 'crownWork') && op.scope.level === 'cylinder' && op.scope.cylinder === cylinder ? [op.body.added.value] : []).reduce<number | undefined>((sum, cc) => (sum ?? 0) + cc, undefined)
const cylinders = computed(() => props.route.cylinders.map(c => c.cylinder))
/** As many cylinders as stand beside each other at either size. */
const ACROSS = 6
const rows = computed(() => Array.from({ length: Math.ceil(cylinders.value.length / ACROSS) }, (_, i) => cylinders.value.slice(ACROSS * i, ACROSS * (i + 1))))
const of = (stage: Route['stages'][number], row: readonly number[]) => stage.cylinders.filter(c => row.includes(c.cylinder))
</script>

<template>
  <v-table v-for="row in rows" :key="row[0]" class="close stages">
    <thead><tr><th>Stage</th><th v-for="c in row" :key="c" class="r num">{{ cylinders.length > 1 ? c : 'Cylinder' }}</th></tr></thead>
    <tbody>
      <template v-for="(stage, i) in route.stages" :key="i">
        <tr class="what">
          <th scope="row"><span class="num quiet">{{ i + 1 }}</span> {{ sayStage(route, stage, device.lengths, gasket) }}</th>
          <td v-for="c in of(stage, row)" :key="c.cylinder" class="r num"><template v-if="pours(stage) && glass"><strong v-if="stop(c)" data-stop>{{ stop(c) }}</strong></template><span v-else-if="c.squish !== undefined" class="quiet">{{ say(c.squish, 'length', device.lengths) }}</span></td>
        </tr>
        <tr class="then">
          <th scope="row" class="small quiet">{{ pours(stage) && glass ? 'stop reading; ' : 'squish; ' }}ratio then{{ perCylinder(stage) ? stage.work === 'crown' ? '; cut out' : '; ground out' : '' }}</th>
          <td v-for="c in of(stage, row)" :key="c.cylinder" class="r num small">{{ c.ratio === undefined ? '–' : digits(c.ratio, 2) }}<template v-if="perCylinder(stage)"><br><span class="quiet">{{ ground(stage, c.cylinder) === undefined ? '–' : say(ground(stage, c.cylinder)!, 'volume') }}</span></template></td>
        </tr>
      </template>
    </tbody>
  </v-table>
</template>

<style scoped>
.stages :deep(th) { white-space: normal; }
.what th { font-weight: 700; text-align: left; }
.then th { text-align: left; font-weight: 400; }
.stages :deep(.then > *) { border-bottom: 1px solid var(--hair); padding-bottom: 4px; }
.stages :deep(.what > *) { border-bottom: 0; }
.r { text-align: right; }
.stages.close.v-table :deep(table > * > tr > .r) { padding-left: 2px; }
</style>
