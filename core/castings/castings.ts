import { mean } from 'simple-statistics'
import { bestMean, uncertainty, type Sourced } from '../estimate'
import { beginsAtLeft, ofKind, scopeName, untyped, type AfterwardsBody, type Alike, type EntryOf, type FindingBody, type Layout, type PortPlaceName, type Quantity, type Scope, type Valve } from '../ledger'
import { compareRuns, flowRuns, placesIn, portReceived, portsIn, pourResult, repeatsOf, severalOf, stretches, throatRecord, type FlowThing, type PortName, type Replay } from '../standing'
import { USUAL_SCATTER, likelyOfNext, scatterOf, type Likely, type Scatter } from './spread'

/** What a shop remembers of a casting, as it came: cc, cc per mm, mm across, cc. */
export const CASTING_FIGURES = ['chamber', 'perMm', 'intakeThroat', 'exhaustThroat', 'intakePort', 'exhaustPort'] as const
export type CastingFigure = (typeof CASTING_FIGURES)[number]
const USUAL: Record<CastingFigure, Scatter> = {
  chamber: USUAL_SCATTER.chamber, perMm: USUAL_SCATTER.perMm, intakeThroat: USUAL_SCATTER.throat, exhaustThroat: USUAL_SCATTER.throat, intakePort: USUAL_SCATTER.port, exhaustPort: USUAL_SCATTER.port
}

/** A port of a casting; `n` of several of one kind. */
export interface CastingPort { cylinder: number, valve: Valve, n?: number }

/** What a piece of work gave on the bench: whose port, what was changed, how much and how sure; past twice u it counts. */
export interface CastingGain extends CastingPort { changed: FlowThing[], change: number, u: number, verdict: 'more' | 'less' | 'none' }

/** One head of a casting. */
export interface CastingHead {
  mark: string
  head: number
  /** How many heads its engine has. */
  heads: number
  cylinders: number
  /** Whether its row begins at the left, as its face is seen ({@link beginsAtLeft}). */
  fromLeft: boolean
  /** When it was poured and measured, and what was read, which tells it from every other. */
  readings: string[]
  figures: Record<CastingFigure, number[]>
  found: Pick<FindingBody, 'what' | 'words'>[]
  /** Where its ports are too thin to be ground; `along`: at which of its chambers, from 1. */
  thin: (CastingPort & { along: number, place: PortPlaceName })[]
  gains: CastingGain[]
  afterwards: AfterwardsBody[]
}

/** A head's own cc per mm is remembered where its standard uncertainty is less than this share of it: a light cut teaches next to nothing. */
const WORTH_REMEMBERING = 0.15
/** What a chamber's cuts taught together, a deep one more than a light one; nothing where they taught too little. */
function taughtOf(lessons: Sourced[]): number[] {
  const taught = lessons.length > 0 ? bestMean(lessons) : undefined
  return taught && taught.value > 0 && uncertainty(taught) < WORTH_REMEMBERING * taught.value ? [taught.value] : []
}

/** The mark of a head's casting: the head's own, else its bank's, else the build's. */
function markOf(r: Replay, head: number): EntryOf<'casting'> | undefined {
  const bank = r.layout.banks.findIndex(cylinders => cylinders.includes(r.layout.heads[head - 1]?.[0] ?? 0)) + 1
  const marks = ofKind(r.live.entries, 'casting')
  return (['head', 'bank', 'build'] as const).map(level => marks.filter(({ scope }) => scope.level === level && (scope.level === 'build' || (scope.level === 'head' ? scope.head === head : scope.level === 'bank' && scope.bank === bank))).at(-1)).find(Boolean)
}

/** A port as it is remembered of its casting. */
const portOf = ({ layout }: Replay, { cylinder, valve, n }: PortName): CastingPort => ({ cylinder, valve, ...severalOf(layout, valve) ? { n } : {} })

/** What each run gained over the one before it where only the work lies between. */
function gainsOf(r: Replay, cylinders: number[]): CastingGain[] {
  return portsIn(r.layout).filter(({ cylinder }) => cylinders.includes(cylinder)).flatMap((port) => {
    const runs = flowRuns(r).filter(run => run.port.cylinder === port.cylinder && run.port.valve === port.valve && run.port.n === port.n && !run.entry.body.claimed)
    const groups = repeatsOf(r, runs)
    return groups.slice(1).flatMap((group, i): CastingGain[] => {
      const { why, changed, whole } = compareRuns(r, groups[i]![0]!, group[0]!)
      return why.length > 0 || !whole || changed.length === 0 ? [] : [{ ...portOf(r, port), changed, change: whole.change, u: whole.u, verdict: whole.verdict }]
    })
  })
}

/**
 * What a ledger adds to its shop's memory: every head of it whose casting is marked.
 *
 * @returns figures as it came, cylinder by cylinder: chambers and ports by their first pours, throats by their first reading, none that was
 *   worked on before it; cc per mm by what cuts taught
 */
export function castingHeads(r: Replay): CastingHead[] {
  return r.layout.heads.flatMap((cylinders, i): CastingHead[] => {
    const mark = markOf(r, i + 1)?.body.mark
    if (!mark) return []
    const first = (list: number[]) => list.length > 0 ? [mean(list)] : []
    const throats = (valve: Valve) => portsIn(r.layout, valve).filter(p => cylinders.includes(p.cylinder)).flatMap(port => throatRecord(r, port).received ?? [])
    const ports = (valve: Valve) => portsIn(r.layout, valve).filter(p => cylinders.includes(p.cylinder)).flatMap(port => portReceived(r, port)?.estimate.value ?? [])
    const readings = r.live.entries.flatMap(e => (e.kind === 'pour' || e.kind === 'throat') && 'cylinder' in e.scope && cylinders.includes(e.scope.cylinder)
      ? [`${e.at} ${e.scope.cylinder} ${e.kind === 'pour' ? pourResult(e).value : e.body.across.value}`]
      : [])
    return [{
      mark, head: i + 1, heads: r.layout.heads.length, cylinders: cylinders.length, fromLeft: beginsAtLeft(r.layout, i + 1), readings,
      figures: {
        chamber: cylinders.flatMap(c => first(stretches(r.ledger, c)[0]!.pours.map(pour => pourResult(pour).value))),
        perMm: cylinders.flatMap(c => taughtOf(r.lessons.filter(l => l.cylinder === c).map(l => l.perMm))),
        intakeThroat: throats('intake'), exhaustThroat: throats('exhaust'), intakePort: ports('intake'), exhaustPort: ports('exhaust')
      },
      found: ofKind(r.live.entries, 'finding').filter(e => scopeName(e.scope) === scopeName({ level: 'head', head: i + 1 }) && e.body.what !== 'numbering').map(({ body: { what, words } }) => ({ what, ...words ? { words } : {} })),
      thin: portsIn(r.layout).filter(({ cylinder }) => cylinders.includes(cylinder)).flatMap(port => placesIn(r, port).filter(e => e.body.way === 'thin').map(({ body: { place } }) => ({ ...portOf(r, port), along: cylinders.indexOf(port.cylinder) + 1, place }))),
      gains: gainsOf(r, cylinders), afterwards: ofKind(r.live.entries, 'afterwards').map(e => e.body)
    }]
  })
}

/** What is asked of an engine that a casting goes on. */
type EngineHeads = Pick<Layout, 'heads' | 'fromLeft'>

/** A casting by its mark: every head of it, and what the next is likely to have. */
export interface Casting<Head extends CastingHead = CastingHead> { mark: string, heads: Head[], likely: Partial<Record<CastingFigure, Likely>> }

/** A head that stands in the shop twice is one: a build that was copied has most of its readings from the very same moments. The one that taught more is kept. */
function onceEach<Head extends CastingHead>(heads: readonly Head[]): Head[] {
  const taught = ({ figures }: Head) => figures.perMm.length
  // A file that gives days and no hours may have two heads agree here and there.
  const same = (one: Head, other: Head) => one.head === other.head && 2 * one.readings.filter(reading => other.readings.includes(reading)).length > Math.min(one.readings.length, other.readings.length)
  return heads.filter((head, i) => !heads.some((other, k) => k !== i && same(head, other) && (taught(other) > taught(head) || (taught(other) === taught(head) && k < i))))
}

/** Whether anything is known of a head beside its mark. */
const isKnown = ({ figures, found, thin, gains, afterwards }: CastingHead): boolean => Object.values(figures).some(list => list.length > 0) || found.length + thin.length + gains.length + afterwards.length > 0

const sameMark = (mark: string) => mark.replace(/\s+/g, ' ').trim().toLowerCase()

/**
 * A shop's castings, by what all of its heads say. Marks are the same whatever their case and spaces.
 *
 * @param heads of every build
 * @returns those with the most heads first, heads of which nothing is known left out; how far the next may lie rests on all of the shop's castings ({@link scatterOf})
 */
export function castingsOf<Head extends CastingHead>(heads: readonly Head[]): Casting<Head>[] {
  const byMark = new Map<string, Head[]>()
  for (const head of heads.filter(isKnown)) byMark.set(sameMark(head.mark), [...byMark.get(sameMark(head.mark)) ?? [], head])
  const all = [...byMark.values()].map(onceEach)
  const scatter = Object.fromEntries(CASTING_FIGURES.map(name => [name, scatterOf(all.map(list => list.map(head => head.figures[name])), USUAL[name])])) as Record<CastingFigure, Scatter>
  return all.map(list => ({
    mark: list[0]!.mark, heads: list, likely: Object.fromEntries(CASTING_FIGURES.flatMap((name) => {
      const likely = likelyOfNext(list.map(head => head.figures[name]), scatter[name])
      return likely ? [[name, likely]] : []
    }))
  })).sort((a, b) => b.heads.length - a.heads.length || a.mark.localeCompare(b.mark))
}

/**
 * What a new build of a casting begins with: its chamber and its mouth's area, assumed, as sure as the casting's heads lie together.
 *
 * @returns cc, and mm² by the cc that a mm of face took; only what is known of the casting
 * @example castingStart(casting).mouthArea?.value // 4520 mm², of 4.52 cc per mm
 */
export function castingStart({ likely: { chamber, perMm } }: Casting): { chamberVolume?: Likely, mouthArea?: Likely } {
  return { ...chamber ? { chamberVolume: chamber } : {}, ...perMm ? { mouthArea: { ...perMm, value: perMm.value * 1000, u: perMm.u * 1000 } } : {} }
}

/**
 * Thin places of a casting on an engine, each once whatever head showed it: on the head that showed it, where the engine has
 * as many heads as that one's had; on every head of an engine that has more or fewer, for each is of that casting, and there in the
 * chamber that lies where the thin one lay as the face is seen: on the other bank of a vee one casting is numbered the other way.
 */
function thinOn({ heads }: Casting, layout: EngineHeads): { scope: Scope, place: PortPlaceName }[] {
  const places = heads.flatMap(head => head.thin.flatMap(({ along, valve, n, place }) =>
    layout.heads.flatMap((cylinders, i) => {
      if (layout.heads.length === head.heads) return head.head === i + 1 ? cylinders[along - 1] ?? [] : []
      return (beginsAtLeft(layout, i + 1) === head.fromLeft ? cylinders[along - 1] : cylinders.at(-along)) ?? []
    }).map(cylinder => ({ scope: { level: 'port', cylinder, port: valve, ...n ? { n } : {} } as const, place }))))
  return [...new Map(places.map(one => [`${scopeName(one.scope)} ${one.place}`, one])).values()]
}

/**
 * What a new build of a casting begins with, as entries: its mark, what is likely of it as assumed, and where its ports are thin.
 *
 * @param layout of the new build
 * @example castingEntries(casting, layout)[1] // { kind: 'assume', scope: { level: 'build' }, body: { quantity: 'chamberVolume', … } }
 */
export function castingEntries(casting: Casting, layout: EngineHeads): Alike[] {
  const scope = { level: 'build' } as const
  const { chamberVolume, mouthArea } = castingStart(casting)
  const assume = (quantity: Quantity, likely: Likely | undefined, unit: string): Alike[] => likely ? [{ kind: 'assume', scope, body: { quantity, figure: untyped(likely.value, unit), u: untyped(likely.u, unit) } }] : []
  return [
    { kind: 'casting', scope, body: { mark: casting.mark } }, ...assume('chamberVolume', chamberVolume, 'cc'), ...assume('mouthArea', mouthArea, 'mm2'),
    ...thinOn(casting, layout).map(({ scope: port, place }): Alike => ({ kind: 'portPlace', scope: port, body: { place, way: 'thin', done: false } }))
  ]
}
