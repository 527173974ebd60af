<script setup lang="ts">
import { EDGES, LEVERS, switched, type Lever, type RouteMost, type RouteStart } from '#core'
import { LIMIT_DIMENSIONS } from '#core/plan/route/ask'
import { shown, type LengthUnit } from '#shared/figures'
import { ROUTE_FIELDS, type RouteForm } from '~/forms/rules'
import { EDGE_WORDS, LEVER_WORDS, LIMIT_WORDS, SET_UP_WORDS } from '~/words/routes'

/** Where a search for routes begins on this shop's builds: read, or edited in its form. */
const props = defineProps<{ start: RouteStart, lengths: LengthUnit, faults: Record<string, string> }>()
/** Not there where nobody edits. */
const form = defineModel<RouteForm>('form')
const shownAs = (name: keyof RouteMost) => shown(props.start[name], LIMIT_DIMENSIONS[name], props.lengths)
const turn = (lever: Lever, on: boolean) => {
  if (form.value) form.value.off = switched(form.value.off, lever, on)
}
const off = computed(() => props.start.off.map(lever => LEVER_WORDS[lever].name.toLowerCase()))
</script>

<template>
  <div class="start">
    <v-table class="most">
      <caption class="small">Where routes begin: how far, until you say otherwise at Route</caption>
      <tbody>
        <tr v-for="name in ROUTE_FIELDS" :key="name">
          <td>{{ LIMIT_WORDS[name] }}{{ form ? `, ${shownAs(name).unit}` : '' }}</td>
          <td v-if="!form" class="r num">{{ shownAs(name).number }} <span class="unit">{{ shownAs(name).unit }}</span></td>
          <td v-else><BenchText v-model="form.most[name]" hide-label inputmode="decimal" :label="LIMIT_WORDS[name]" :fault="faults[`route.${name}`]" /></td>
        </tr>
      </tbody>
    </v-table>
    <div class="levers">
      <template v-if="form">
        <BenchSelect v-model="form.edges" label="At the valves" :items="EDGE_WORDS" />
        <BenchSelect v-model="form.setUps" label="Cuts of a face" :items="SET_UP_WORDS" />
        <fieldset class="on">
          <legend class="small quiet">On at first</legend>
          <BenchCheck v-for="lever in LEVERS" :key="lever" class="small" :label="LEVER_WORDS[lever].name" :model-value="!form.off.includes(lever)" @update:model-value="turn(lever, $event)" />
        </fieldset>
      </template>
      <dl v-else class="small">
        <div><dt>At the valves</dt><dd>{{ EDGE_WORDS[EDGES.indexOf(start.edges)]![1] }}</dd></div>
        <div><dt>Cuts of a face</dt><dd>{{ SET_UP_WORDS[start.setUps - 1]![1] }}</dd></div>
        <div><dt>Off at first</dt><dd>{{ off.length ? off.join(', ') : 'nothing' }}</dd></div>
      </dl>
      <p v-if="faults['route.off']" class="sentence">{{ faults['route.off'] }}</p>
    </div>
  </div>
</template>

<style scoped>
.start { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 28px; align-items: start; margin: 12px 0; max-width: 860px; }
caption { text-align: left; color: var(--quiet); padding-bottom: 2px; }
.levers { display: grid; gap: 12px; }
.on { border: 0; padding: 0; display: grid; grid-template-columns: 1fr 1fr; }
dl > div { display: grid; grid-template-columns: 120px minmax(0, 1fr); gap: 12px; border-bottom: 1px solid var(--hair); padding: 6px 0; }
dt { color: var(--quiet); }
@media (max-width: 1000px) { .start { grid-template-columns: 1fr; } }
</style>
