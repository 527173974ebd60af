import { useNow, useThrottleFn } from '@vueuse/core'
import { v4 as uuid } from 'uuid'
import { BODY_VERSION, hoursOf, jobCardOf, lineOf, spansOf, stepsOf, workPlanned, type JobCardBody, type JobCheck, type JobStepBody, type JobTemplate } from '#core'
import { useBuild, type ToAdd } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { useOutbox } from '~/stores/outbox'
import { useShop } from '~/stores/shop'
import { notKept } from '~/composables/useStatement'

const whole = { level: 'build' } as const
/** A clock that ran for longer than anybody works at a stretch was forgotten, h. */
export const FORGOTTEN = 10

/** The job card of the build on the bench, and the clock of the hand at it. Nothing of it is a step to be undone: an hour that ran has run. */
export function useJobs() {
  const build = useBuild()
  const shop = useShop()
  const device = useDevice()
  const outbox = useOutbox()
  const now = useNow({ interval: 5000 })
  const card = computed(() => build.replayed && jobCardOf(build.replayed, now.value.getTime()))
  /** This hand's clock at this build. */
  const mine = computed(() => spansOf(build.replayed?.live.entries ?? []).find(span => span.to === undefined && span.hand === device.hand))
  /** This hand's clocks at other builds, as the shop's list has them. */
  const elsewhere = computed(() => shop.builds.filter(({ id }) => id !== build.view?.id).flatMap(({ id, name, reckoned }) =>
    (reckoned?.job?.running ?? []).filter(({ hand }) => hand === device.hand).map(running => ({ build: id, name, ...running }))))
  const fault = ref('')
  const add = async (...list: ToAdd[]) => fault.value = notKept(await build.addAll(list, false)) ?? ''

  /** Ends this hand's clocks at other builds at a moment: hours there end where hours here begin. */
  async function stopElsewhere(at = new Date().toISOString()) {
    for (const one of elsewhere.value) {
      const id = uuid()
      // A clock that began after it ends when it began.
      const end = at < one.since ? one.since : at
      await outbox.put(id, `/api/builds/${one.build}/entries/${id}`, { at: end, hand: device.hand, kind: 'clock', v: BODY_VERSION, scope: whole, body: { step: one.step, on: false } })
    }
    await shop.loadBuilds()
  }
  async function start(step: string) {
    const at = new Date().toISOString()
    await add({ kind: 'clock', scope: whole, body: { step, on: true }, more: { at } })
    if (!fault.value) await stopElsewhere(at)
  }
  const stop = (step: string, less?: number) => add({ kind: 'clock', scope: whole, body: { step, on: false, ...less ? { less } : {} } })
  /** A finger that taps twice means once. */
  const press = useThrottleFn((step: string, runs: boolean) => {
    if (!runs) return start(step)
    if (mine.value && hoursOf(mine.value, now.value.getTime()) <= FORGOTTEN) return stop(step)
    fault.value = 'That clock ran for longer than anybody works: say beside it, at the top, how much of it was not worked.'
  }, 1000)
  const worked = (step: string, hours: number) => add({ kind: 'worked', scope: whole, body: { step, hours } })
  const say = (body: JobStepBody) => add({ kind: 'jobStep', scope: whole, body })
  const tick = (step: string, done: boolean, check?: JobCheck) => say({ step, done, ...check ? { check } : {} })
  const keep = (body: JobCardBody) => add({ kind: 'jobCard', scope: whole, body, more: card.value ? { supersedes: card.value.entry.id } : {} })
  const stepsFor = (template: JobTemplate) => stepsOf(template, build.replayed?.layout.engine, build.replayed?.layout.cylinders.length ?? 0)
  /** A card of a template, planned by the shop's table where that has a price for as much as there is. */
  const begin = (template: JobTemplate) => keep({ lines: stepsFor(template).map(step => lineOf(step, workPlanned(build.replayed!, step, shop.rules.work))), bought: [] })
  return { now, card, mine, elsewhere, fault, stopElsewhere, press, stop, worked, say, tick, keep, stepsFor, begin }
}
