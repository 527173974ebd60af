<script setup lang="ts">
import { KINDS, asSet, mouldsIn, mouldsOut, type EntryOf, type Figure, type PortName } from '#core'
import { figureFault } from '#shared/dto'
import { useFormDraft } from '~/composables/useFormDraft'
import { useMoulds } from '~/composables/useMoulds'
import { usePorts } from '~/composables/usePorts'
import { notKept } from '~/composables/useStatement'
import { useBuild } from '~/stores/build'

/** Moulds of ports: how they are poured, how long they cure, and when they may come out. */
const build = useBuild()
const { port, scopeOf, nameOf } = usePorts()
const { sayLeft, isDue } = useMoulds()
const FIELDS = ['compound', 'release', 'hours', 'steps', 'lean', 'short'] as const
const form = useFormDraft(() => 'mould')
const compound = form.text('compound')
const release = form.text('release')
const hours = form.text('hours')
const steps = form.text('steps', '2')
const moulds = computed(() => build.replayed ? mouldsIn(build.replayed) : [])
const mine = computed(() => moulds.value.find(m => m.port.cylinder === port.value.cylinder && m.port.valve === port.value.valve && m.port.n === port.value.n))
const sentence = ref('')
const faults = ref<Record<string, string>>({})
async function poured() {
  const given = Number(hours.value.replace(',', '.'))
  faults.value = {
    ...compound.value.trim() === '' ? { compound: 'Name the compound.' } : {}, ...release.value.trim() === '' ? { release: 'Name what keeps it from sticking.' } : {},
    ...hours.value.trim() === '' || !(given >= 0.1 && given <= 240) ? { hours: 'Hours by the compound’s sheet: 0.1 to 240.' } : {}
  }
  if (Object.keys(faults.value).length > 0) return
  const [lean, short] = [form.figure('lean'), form.figure('short')]
  sentence.value = await form.sent(FIELDS, async () => notKept(await build.add('mould', scopeOf(port.value), {
    compound: compound.value.trim(), release: release.value.trim(), hours: given, steps: steps.value === '1' ? 1 : 2, ...lean ? { lean } : {}, ...short ? { short } : {}, out: false
  })))
}
const takeOut = async (entry: EntryOf<'mould'>) => sentence.value = notKept(await build.add('mould', entry.scope, { ...entry.body, out: true }, { supersedes: entry.id })) ?? ''
const outs = computed(() => build.replayed ? mouldsOut(build.replayed) : [])
const keepStep = (entry: EntryOf<'mould'>) => async (step: Figure): Promise<string | undefined> =>
  figureFault(step, { ...KINDS.mould.bounds.step, noun: 'the step on the short turn' }) ?? notKept(await build.add('mould', entry.scope, { ...entry.body, step }, { supersedes: entry.id, at: entry.at }))
const at = (of: PortName, due: number) => `${nameOf(of)}: ${isDue(due) ? 'cured' : `${sayLeft(due)} left`}`
</script>

<template>
  <section class="moulds">
    <form class="form" @submit.prevent="poured">
      <h3>Pour a mould</h3>
      <PortPick />
      <p v-if="mine" class="small">A mould is in this port: {{ isDue(mine.due) ? 'it has cured' : `${sayLeft(mine.due)} left` }}.</p>
      <template v-else>
        <div class="fields">
          <BenchText v-model="compound" label="Compound" maxlength="60" :fault="faults.compound" />
          <BenchText v-model="release" label="Release agent" maxlength="60" :fault="faults.release" />
          <BenchText v-model="hours" label="Cures for, hours" inputmode="decimal" :fault="faults.hours" />
          <BenchSelect label="Poured in" :model-value="steps" :items="[['1', 'one step'], ['2', 'two steps']]" @update:model-value="steps = $event!" />
          <FigureField :field="form.key('lean/typed')" label="Head leans by" dimension="angle" :part="form.part('lean')" :commit="form.keep('lean', KINDS.mould.bounds.lean, 'how far the head leans')" />
          <FigureField :field="form.key('short/typed')" label="Short of the flange by" dimension="length" :part="form.part('short')" :commit="form.keep('short', KINDS.mould.bounds.short, 'how far short of the flange it stops')" />
        </div>
        <v-btn type="submit" variant="flat" color="primary">It is poured: start the timer</v-btn>
      </template>
      <ol class="small how">
        <li>Clean the port, and wipe release agent over every part of it.</li>
        <li>Close the valve on grease, level the head, then lean it so that no air is trapped under the roof.</li>
        <li>Fill the bowl first, wait until it has settled, then fill up.</li>
        <li>Stop a little short of the flange: that leaves a clean edge to measure from.</li>
      </ol>
      <p class="caution">Resins and hardeners harm skin and lungs: gloves, fresh air, and the maker’s sheet first.</p>
      <p v-if="sentence" class="sentence">{{ sentence }}</p>
    </form>
    <div class="list">
      <h3>In their ports</h3>
      <ul v-if="moulds.length">
        <li v-for="{ port: one, entry, due } in moulds" :key="entry.id" :aria-label="at(one, due)" data-mould>
          <p class="label">{{ nameOf(one) }}, {{ entry.body.compound }}</p>
          <p class="big num" :class="{ due: isDue(due) }" data-left>{{ isDue(due) ? 'cured' : sayLeft(due) }}</p>
          <p class="small quiet">{{ isDue(due) ? 'It may come out.' : `to go of ${entry.body.hours} h. It may come out ${new Date(due).toLocaleString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })}.` }}</p>
          <v-btn :variant="isDue(due) ? 'flat' : 'outlined'" :color="isDue(due) ? 'primary' : undefined" @click="takeOut(entry)">It is out<span class="visually-hidden">: {{ nameOf(one) }}</span></v-btn>
        </li>
      </ul>
      <p v-else class="quiet">No mould is curing.</p>
      <template v-if="outs.length">
        <h3>Taken out</h3>
        <ul>
          <li v-for="{ port: one, entry } in outs" :key="entry.id" data-mould-out>
            <p class="label">{{ nameOf(one) }}, {{ entry.body.compound }}</p>
            <FigureField :field="`${build.view?.id}/mould/${entry.id}/step`" label="Step on the short turn" dimension="length" :part="asSet(entry.body.step?.value)" :commit="keepStep(entry)" />
          </li>
        </ul>
      </template>
      <p class="small quiet">A mould shows the shape: take its sections on the Sections leaf, and a step on the short turn with a straightedge.</p>
    </div>
  </section>
</template>

<style scoped>
.moulds { display: grid; grid-template-columns: minmax(0, 1fr) 300px; gap: 28px; align-items: start; }
.form, .list { display: grid; gap: 8px; align-content: start; }
.form > .v-btn { justify-self: start; }
.fields { display: grid; grid-template-columns: 1fr 1fr; gap: 8px 14px; }
.how { padding-left: 24px; list-style: decimal; }
.list li { border-top: 1px solid var(--hair); padding: 8px 0; display: grid; gap: 2px; justify-items: start; }
.big { font-size: var(--s48); line-height: 1.05; font-weight: 700; }
.due { color: var(--dye); }
</style>
