<script setup lang="ts">
import { uncertainty, quantityOf, squishOf } from '#core'
import { say, sayDoubt } from '#shared/figures'
import { useWhatIf } from '~/composables/useWhatIf'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'
import { sayCauses } from '~/words/pours'

const build = useBuild()
const device = useDevice()
const choices = useChoices()
const leaf = choices.leafOf('mockup')
const leaves = computed(() => choices.leavesOf('mockup'))
const standing = computed(() => squishOf(build.replayed, build.cylinder))
const whatIf = useWhatIf()
const after = computed(() => whatIf.outcome.value?.cylinders.find(c => c.cylinder === build.cylinder))
const tried = computed(() => whatIf.tried.value.length > 0 ? after.value?.squish : undefined)
const triedClearance = computed(() => after.value?.state.clearance?.estimate.value)
const plane = computed(() => standing.value?.solder?.plane)
const bore = computed(() => quantityOf(build.replayed, 'bore', build.cylinder)?.estimate.value ?? 0)
const across = (slope: number) => say(Math.abs(slope) * bore.value, 'length', device.lengths)
</script>

<template>
  <div class="mockup" data-station>
    <h1 class="visually-hidden">Mock-up</h1>
    <LeafTabs v-model="leaf" :leaves="leaves" label="Mock-up" />
    <div v-if="!build.replayed" class="room"><p class="quiet"><GoTo :at="{ station: 'sheet' }">Say on the Sheet how many cylinders the engine has</GoTo></p></div>
    <div v-else-if="leaf === 'squish' && standing" class="room squish" role="tabpanel" aria-label="Squish">
      <div class="left">
        <CrownPlaces :key="build.cylinder" kind="solder" :plane="plane" class="plan" />
        <h3>What if</h3>
        <WhatIf :what-if="whatIf" />
        <PlannedWork :kinds="['gasketChange', 'deckCut', 'faceCut', 'spacer', 'crownWork']" />
      </div>
      <div class="right">
        <div class="answer">
          <p class="label">Squish of cylinder {{ build.cylinder }}, cold{{ standing.solder ? '' : build.closed ? ', by deck' : ', by deck and gasket' }}</p>
          <p class="big"><FigureReading label="Squish, cold" :part="standing.gap" dimension="length" formula="solder over the bore’s centre, carried over what was done since; else deck + gasket + recess" /> <span v-if="standing.gap" class="num quiet pm">{{ sayDoubt(uncertainty(standing.gap.estimate), 'length', device.lengths) }}</span></p>
          <p v-if="plane" class="small">smallest <strong class="num">{{ say(standing.contact!.estimate.value, 'length', device.lengths) }}</strong> · rock <span class="num">{{ across(plane.rock) }}</span> · taper <span class="num">{{ across(plane.taper) }}</span> across the bore</p>
        </div>
        <p v-if="standing.difference && standing.solder?.stackThen" class="small agree">
          Deck + gasket + recess say <FigureReading label="Deck + gasket + recess" :part="standing.solder.stackThen" dimension="length" formula="deck + gasket + recess" />:
          <template v-if="standing.difference.agrees">the solder agrees within <span class="num">{{ say(standing.difference.allowed, 'length', device.lengths) }}</span>.</template>
          <template v-else><strong class="warn">the solder reads <span class="num">{{ say(Math.abs(standing.difference.estimate.value), 'length', device.lengths) }}</span> {{ standing.difference.estimate.value > 0 ? 'more' : 'less' }}.</strong> Look for {{ sayCauses(standing.difference.causes) }}.</template>
        </p>
        <RunningGap :standing="standing" />
        <SquishChart :now="standing" :tried="tried" :clearance-now="build.state?.clearance?.estimate.value" :clearance-tried="triedClearance" />
        <SchoolLink station="mockup" leaf="squish" />
      </div>
    </div>
    <div v-else-if="leaf === 'turned'" class="room" role="tabpanel" aria-label="Turned head"><TurnedHead :key="build.cylinder" /></div>
    <div v-else-if="leaf === 'tdc'" class="room" role="tabpanel" aria-label="Top dead centre"><TopDeadCentre /></div>
    <div v-else-if="leaf === 'springs'" class="room" role="tabpanel" aria-label="Springs"><SpringLeaf /><SchoolLink station="mockup" leaf="springs" /></div>
    <div v-else class="room" role="tabpanel" aria-label="Clearances"><ClearanceTable /></div>
  </div>
</template>

<style scoped>
.mockup { display: flex; flex-direction: column; min-height: 0; padding: 6px 16px 0; overflow: hidden; }
.room { position: relative; flex: 1; min-height: 0; overflow: auto; padding: 10px 0; }
.squish { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 24px; overflow: hidden; padding-bottom: 0; }
.left { display: flex; flex-direction: column; gap: 8px; min-height: 0; overflow: auto; padding-bottom: 8px; position: relative; }
.plan { flex: 1 0 auto; min-height: 316px; }
.right { display: flex; flex-direction: column; gap: 12px; min-height: 0; overflow: auto; padding-bottom: 10px; position: relative; }
.big { font-size: var(--s48); line-height: 1.05; font-weight: 700; margin-bottom: 6px; }
.big :deep(.unit) { font-weight: 400; font-size: var(--s18); }
.pm { font-size: var(--s18); font-weight: 400; }
.agree { line-height: 1.4; }
</style>
