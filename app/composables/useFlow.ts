import { camCurve, compareRuns, errorsOf, flowRuns, flowCurve, type FlowCompare, type FlowRun, type PortName } from '#core'
import { UNITS, digits, shown } from '#shared/figures'
import { usePorts } from '~/composables/usePorts'
import { useBuild } from '~/stores/build'
import { useChoices } from '~/stores/choices'
import { useDevice } from '~/stores/device'
import { useShop } from '~/stores/shop'

/** Depressions that curves are shown at, inH₂O. */
export const SHOWN_AT = ['10', '15', '20', '25', '28', '36'] as const

/** The runs of the build on the bench: how they are named, at what depression they are shown, which two are compared. */
export function useFlow() {
  const build = useBuild()
  const device = useDevice()
  const choices = useChoices()
  const ports = usePorts()
  const runs = computed(() => build.replayed ? flowRuns(build.replayed) : [])
  const shownAt = choices.choice<(typeof SHOWN_AT)[number]>('flowAt', '28')
  const wanted = computed(() => Number(shownAt.value) * UNITS.inH2O.factor)
  const ofPort = (port: PortName) => runs.value.filter(run => ports.same(run.port, port))
  /** “3 bowl opened”: its number stays with it on every chart. */
  const runName = ({ n, entry }: FlowRun) => `${n} ${entry.body.name ?? new Date(entry.at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}`
  const longName = (run: FlowRun) => `${runName(run)}, ${ports.sayPort(run.port)}${run.entry.body.claimed ? ', claimed' : ''}`
  const shop = useShop()
  onMounted(() => void shop.loadBuilds())
  /** What other builds repeated: a bench is the shop's. */
  const others = computed(() => shop.builds.filter(({ id }) => id !== build.view?.id).flatMap(({ reckoned }) => reckoned?.benches ?? []))
  const curveOf = (run: FlowRun) => flowCurve(build.replayed!, run, wanted.value, errorsOf(build.replayed!, run.entry.body.bench, others.value))
  const cam = computed(() => build.replayed && camCurve(build.replayed, ports.port.value.cylinder, ports.port.value.valve))
  const unit = computed(() => shown(0, 'flow', device.lengths).unit)
  /** A flow as a number in the shop's unit. */
  const flow = (lps: number) => lps / UNITS[unit.value as 'L/s' | 'cfm'].factor
  const percent = (share: number) => `${share > 0 ? '+' : ''}${digits(share * 100, 1)} %`

  /** The latest run of the port on the bench, and the first that it can be compared with. */
  const usual = computed((): [FlowRun, FlowRun] | undefined => {
    const own = ofPort(ports.port.value).filter(run => !run.entry.body.claimed)
    const [first, last] = [own[0], own.at(-1)]
    return first && last && first !== last ? [first, last] : undefined
  })
  const chosen = (name: 'flowBefore' | 'flowAfter', i: 0 | 1) => {
    const kept = choices.choice<string>(name, '')
    return computed({ get: () => runs.value.some(run => run.entry.id === kept.value) ? kept.value : usual.value?.[i].entry.id ?? '', set: id => kept.value = id })
  }
  const [before, after] = [chosen('flowBefore', 0), chosen('flowAfter', 1)]
  const compared = computed((): FlowCompare | undefined => {
    const [one, other] = [before, after].map(id => runs.value.find(run => run.entry.id === id.value))
    if (!build.replayed || !one || !other || one === other) return undefined
    return compareRuns(build.replayed, one, other, camCurve(build.replayed, other.port.cylinder, other.port.valve), others.value)
  })
  return { ...ports, runs, ofPort, shownAt, wanted, runName, longName, curveOf, cam, unit, flow, percent, before, after, compared }
}
