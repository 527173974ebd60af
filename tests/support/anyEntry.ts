import fc from 'fast-check'
import {
  ENCLOSED, ENTRY_KINDS, FIGURE_BOUNDS, FLOW_ENTRIES, FLOW_PIPES, FLOW_ROWS, QUANTITIES, kindRule, mayCorrect, quantityRule, startingSpec, type ChamberKind, type Entry, type EntryKind, type Figure, type Quantity, type QuantityRule, type Scope
} from '#core'
import { checkEntry } from '#shared/dto'

/** Random entries that the forms and the server let through, of every kind, with figures up to and at their bounds. */

const UNITS_OF: Record<QuantityRule['dimension'], string> = {
  length: 'mm', area: 'mm2', volume: 'cc', angle: '°', ratio: ':1', mass: 'kg', speed: 'rpm', temperature: '°C', warming: 'K', roughness: 'µm', force: 'N', rate: 'N/mm', flow: 'L/s', depression: 'Pa', pressure: 'hPa', power: 'kW', share: '%'
}
const spread = (min: number, max: number) => fc.nat(997).map(i => min + (max - min) * i / 997)
const between = (min: number, max: number) => fc.oneof({ weight: 1, arbitrary: fc.constantFrom(min, max) }, { weight: 6, arbitrary: spread(min, max) })
const figureOf = (rule: QuantityRule, usual?: readonly [number, number]): fc.Arbitrary<Figure> =>
  (usual ? fc.oneof({ weight: 4, arbitrary: spread(usual[0], usual[1]) }, { weight: 1, arbitrary: between(rule.min, rule.max) }) : between(rule.min, rule.max))
    .map(value => ({ value, unit: UNITS_OF[rule.dimension], typed: String(value).slice(0, 64) }))

const CYLINDERS = [1, 2, 3, 4]
const cylinder = fc.constantFrom(...CYLINDERS)
const onCylinder = cylinder.map((c): Scope => ({ level: 'cylinder', cylinder: c }))
const onHead = fc.constantFrom(1, 2).map((head): Scope => ({ level: 'head', head }))
const onBank = fc.constantFrom(1, 2).map((bank): Scope => ({ level: 'bank', bank }))
const onBuild = fc.constant<Scope>({ level: 'build' })
const anywhere = fc.oneof(onBuild, onBank, onHead, onCylinder)
const state = fc.constantFrom('planned', 'done', 'done', 'dropped')
const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined })

/** Figures as a builder has them, so that most stacks can be reckoned; the rest lie anywhere within their bounds. */
const USUAL: Partial<Record<Quantity, readonly [number, number]>> = {
  bore: [60, 110], stroke: [50, 110], rodLength: [100, 200], deckClearance: [-0.5, 1.5], crownVolume: [-20, 15], gasketThickness: [0.4, 2],
  gasketBore: [60, 112], chamberVolume: [20, 90], mouthArea: [2000, 8000], intakeTilt: [0, 30], exhaustTilt: [0, 30], squishRecess: [0, 2]
}
const statement = (kind: 'measure' | 'book' | 'assume') => fc.constantFrom(...(Object.keys(QUANTITIES) as Quantity[]).filter(q => kind !== 'measure' || quantityRule(q).measurable !== false))
  .chain((quantity) => {
    const rule = quantityRule(quantity)
    return fc.record({
      quantity: fc.constant(quantity), figure: figureOf(rule, USUAL[quantity]),
      u: maybe(figureOf({ ...rule, min: 0, max: Math.min(rule.max, 2) })), convention: maybe(fc.constantFrom('upright', 'alongValve', 'pocket'))
    })
  })

const instrument = fc.constantFrom(
  { id: 'b3a1c1de-9c1f-4a7e-8f36-5d1b2a7c4e90', name: 'Long burette', kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1, scale: 'deliver', film: 0, repeatability: 0.08 },
  { id: 'b3a1c1de-9c1f-4a7e-8f36-5d1b2a7c4e91', name: 'To contain', kind: 'burette', capacity: 50, tolerance: 0, resolution: 0.05, scale: 'contain', film: 0.4, repeatability: 0, expansion: 1e-5, correction: 0.99 },
  { id: 'b3a1c1de-9c1f-4a7e-8f36-5d1b2a7c4e92', name: 'Syringe', kind: 'syringe', capacity: 60, tolerance: 1.5, resolution: 1, scale: 'deliver', film: 0, repeatability: 0.3, expansion: 3e-4 }
)
const pour = instrument.chain(glass => fc.record({
  encloses: fc.constantFrom(...ENCLOSED, 'chamber', 'assembled', 'crown'),
  fills: fc.array(fc.tuple(between(0, glass.capacity * 0.2), between(glass.capacity * 0.3, glass.capacity)), { minLength: 1, maxLength: 3 })
    .map(list => list.map((ends) => {
      const [low, high] = [Math.min(...ends), Math.max(...ends)]
      return glass.kind === 'burette' ? { start: low, end: high } : { start: high, end: low }
    })),
  typed: fc.constant('as read'), instrument: fc.constant(glass), sealed: maybe(fc.constantFrom('ring', 'crown')),
  plugColumn: maybe(figureOf(FIGURE_BOUNDS.plugColumn, [0, 2])), depth: maybe(figureOf(FIGURE_BOUNDS.crownDepth, [0, 20])), plateHole: maybe(figureOf(FIGURE_BOUNDS.plateHole, [0, 0.3])),
  knownRelief: maybe(figureOf(FIGURE_BOUNDS.knownRelief, [0, 2])), scaleTemperature: maybe(figureOf(FIGURE_BOUNDS.scaleTemperature)), warmer: maybe(figureOf(FIGURE_BOUNDS.warmer)),
  liquidExpansion: maybe(between(0, 0.005)), watch: maybe(fc.record({ seconds: between(1, 600), reading: between(0, glass.capacity) })), afterWork: maybe(fc.boolean()), n: fc.integer({ min: 1, max: 4 })
})).map(({ n, ...body }) => body.encloses.endsWith('Port') && n > 1 ? { ...body, n } : body)

const place = fc.integer({ min: -45, max: 45 })
const readings = (rule: QuantityRule, usual: readonly [number, number]) => fc.record({
  readings: fc.array(fc.record({ x: place, y: place, figure: figureOf(rule, usual) }), { minLength: 1, maxLength: 6 })
})
const groups = fc.constantFrom([[1, 2, 3, 4]], [[1, 2], [3, 4]], [[1, 3], [2, 4]], [[1], [2], [3], [4]], [[1]], [[2, 1]])
const KINDS_DRAWN: readonly ChamberKind[] = ['wedge', 'bathtub', 'pentRoof', 'hemispherical', 'turnedDome']
/** Setting a chamber out takes longer than all the rest of an entry. */
const DRAWN = KINDS_DRAWN.flatMap(kind => [70, 85, 92].map(bore => startingSpec(kind, { bore, intake: bore * 0.45, exhaust: bore * 0.38 })))
const drawing = fc.record({ spec: fc.constantFrom(...DRAWN), mirrored: fc.subarray(CYLINDERS), face: maybe(fc.constantFrom('cast', '2026-01-01T09:00:00.000Z')) })
const removed = fc.array(fc.record({ cylinder, x: between(-200, 200), cc: fc.oneof(between(0, 20), fc.constant(-1e-15)), perMm: between(0, 12), factor: between(0.5, 1.5) }), { maxLength: 4 })
const metal = fc.record({ valve: fc.constantFrom(0, 1), radii: fc.constant(Array.from({ length: 24 }, () => 24)), below: between(0, 3), corner: maybe(between(0, 5)), line: between(30, 60) })

const runs = fc.record({
  bench: fc.constantFrom('Bench one', 'Bench two'), depression: figureOf(FIGURE_BOUNDS.depression, [2400, 7100]), fixture: maybe(fc.constant({ value: 92, unit: 'mm', typed: '92' })), pipe: fc.constantFrom(...FLOW_PIPES), entry: fc.constantFrom(...FLOW_ENTRIES),
  valve: maybe(fc.constant('back cut')), across: maybe(figureOf(FIGURE_BOUNDS.seatOuter, [30, 46])), temperature: maybe(figureOf(FIGURE_BOUNDS.airTemperature)), pressure: maybe(figureOf(FIGURE_BOUNDS.airPressure)),
  rows: fc.array(fc.option(between(0, FLOW_ROWS.flow), { nil: undefined }), { minLength: 1, maxLength: 12 }).map(flows => flows.map((flow, i) => ({ lift: i + 1, ...flow === undefined ? { missed: 'retainer' } : { flow } }))),
  sameMounting: maybe(fc.constant(true)), hours: maybe(between(0.05, 500)), claimed: maybe(fc.constant('a seller'))
})

/** Where the kinds that are reckoned with may stand and what they may say; any other is tried by its own example. */
const OWN: Partial<Record<EntryKind, [scope: fc.Arbitrary<Scope>, body: fc.Arbitrary<unknown>]>> = {
  layout: [onBuild, groups.map(heads => ({ heads, banks: [heads.flat()] }))],
  headHeights: [onHead, readings(QUANTITIES.headHeight, [79, 81])],
  finish: [fc.oneof(onHead, onBank), fc.record({ roughness: figureOf(FIGURE_BOUNDS.roughness, [0.4, 3]), most: figureOf(FIGURE_BOUNDS.roughness, [0.8, 2]) })],
  reasons: [onBuild, fc.record({ fuel: fc.constantFrom('pump', 'race'), boost: maybe(fc.constant('0.5 bar')) })],
  title: [onBuild, fc.record({ name: fc.constantFrom('Launch', 'Launch, second head'), reference: fc.constant('No. 7') })],
  target: [onBuild, fc.record({ ratio: figureOf(FIGURE_BOUNDS.ratio, [7, 14]), tolerance: figureOf(FIGURE_BOUNDS.ratioTolerance), countsCrevice: fc.boolean(), of: maybe(fc.constantFrom('full', 'trapped')) })],
  measure: [anywhere, statement('measure')], book: [anywhere, statement('book')], assume: [anywhere, statement('assume')],
  offer: [fc.oneof(onBuild, onHead), fc.record({ name: maybe(fc.constant('Thin')), thickness: figureOf(QUANTITIES.gasketThickness), bore: figureOf(QUANTITIES.gasketBore), area: maybe(figureOf(QUANTITIES.gasketArea)) })],
  pour: [fc.oneof({ weight: 9, arbitrary: onCylinder }, { weight: 1, arbitrary: onBuild }), pour],
  deckReadings: [onCylinder, readings(FIGURE_BOUNDS.deckReading, [-0.3, 1])], solder: [onCylinder, fc.tuple(readings(FIGURE_BOUNDS.solder, [0.6, 2.5]), maybe(figureOf(FIGURE_BOUNDS.solder, [2.6, 4]))).map(([body, strand]) => ({ ...body, strand }))],
  wheel: [fc.oneof(onBuild, onCylinder), fc.record({ pairs: fc.array(fc.record({ drop: figureOf(FIGURE_BOUNDS.dialDrop), before: figureOf({ ...FIGURE_BOUNDS.wheel, max: 0 }), after: figureOf({ ...FIGURE_BOUNDS.wheel, min: 1 }) }), { minLength: 1, maxLength: 3 }) })],
  rod: [fc.oneof(onBuild, onBank, onCylinder), fc.record({ material: fc.constantFrom('steel', 'aluminium', 'titanium') })],
  liftTable: [onBuild, fc.constantFrom('intake', 'exhaust').map(valve => ({ valve, rows: [{ angle: 0, lift: 0 }, { angle: 60, lift: 5 }, { angle: 120, lift: 9 }, { angle: 240, lift: 0 }] }))],
  portPairs: [onBuild, fc.constantFrom('intake', 'exhaust').map(valve => ({ valve, pairs: [[1, 2], [3, 4]], poor: [3] }))],
  chamberModel: [fc.oneof(onHead, onCylinder), drawing], hold: [onCylinder, fc.record({ held: fc.boolean() })],
  faceCut: [onHead, fc.record({ state, depth: figureOf(FIGURE_BOUNDS.laidDepth, [0.01, 2]), measured: maybe(figureOf(FIGURE_BOUNDS.cutDepth, [0.01, 2])), slopeX: maybe(between(-0.6, 0.6)), slopeY: maybe(between(-0.6, 0.6)), flat: maybe(figureOf({ dimension: 'length', min: 0, max: 12 }, [0, 1])), removed: maybe(removed) })],
  deckCut: [onBank, fc.record({ state, depth: figureOf(FIGURE_BOUNDS.cutDepth, [0.01, 1]), measured: maybe(figureOf(FIGURE_BOUNDS.cutDepth, [0.01, 1])), foot: maybe(fc.constant(true)) })],
  gasketChange: [onHead, fc.record({ state, thickness: figureOf(QUANTITIES.gasketThickness, [0.4, 2]), bore: figureOf(QUANTITIES.gasketBore, [60, 112]), area: maybe(figureOf(QUANTITIES.gasketArea, [2000, 9000])) })],
  relief: [onCylinder, fc.record({ state, added: figureOf(FIGURE_BOUNDS.addedVolume, [0, 4]), u: maybe(figureOf({ dimension: 'volume', min: 0, max: 20 })), drawn: maybe(figureOf(FIGURE_BOUNDS.addedVolume, [0, 4])), reliefs: maybe(fc.array(metal, { minLength: 1, maxLength: 2 })), turned: maybe(fc.record({ mouth: between(5, 40), depth: between(1, 30) })) })],
  spacer: [onBank, fc.record({ state, change: figureOf(FIGURE_BOUNDS.spacer, [-0.5, 0.8]) })],
  flowRun: [fc.record({ level: fc.constant('port' as const), cylinder, port: fc.constantFrom('intake', 'exhaust') }), runs],
  seatWork: [onCylinder, fc.record({ state, added: figureOf(FIGURE_BOUNDS.addedVolume, [0, 2]), u: maybe(figureOf({ dimension: 'volume', min: 0, max: 20 })), sunk: maybe(figureOf(FIGURE_BOUNDS.sunk, [0, 1])), valve: maybe(fc.constantFrom('intake', 'exhaust')) })]
}

const SCOPES_OF: Record<Scope['level'], fc.Arbitrary<Scope>> = {
  build: onBuild, bank: onBank, head: onHead, cylinder: onCylinder,
  valve: fc.record({ level: fc.constant('valve' as const), cylinder, valve: fc.constantFrom('intake', 'exhaust') }),
  port: fc.record({ level: fc.constant('port' as const), cylinder, port: fc.constantFrom('intake', 'exhaust') })
}
const KINDS = Object.fromEntries(ENTRY_KINDS.filter(kind => !kindRule(kind).takesPlace).map((kind) => {
  const { scopes, example } = kindRule(kind)
  return [kind, OWN[kind] ?? [fc.oneof(...scopes.map(level => SCOPES_OF[level])), fc.constant(example())]]
})) as Record<EntryKind, [scope: fc.Arbitrary<Scope>, body: fc.Arbitrary<unknown>]>

/** How often each kind turns up: what a builder does most, most. */
const WEIGHT: Partial<Record<EntryKind, number>> = { pour: 12, flowRun: 3, measure: 14, faceCut: 5, relief: 3, seatWork: 3, gasketChange: 3, deckCut: 2, solder: 3, deckReadings: 3, chamberModel: 2 }

export interface Doing { kind: EntryKind, scope: Scope, body: unknown, supersedes?: number, minute?: number }

const doings = fc.array(fc.oneof(
  ...(Object.entries(KINDS) as [EntryKind, (typeof KINDS)[keyof typeof KINDS]][]).map(([kind, [scope, body]]) => ({
    weight: WEIGHT[kind] ?? 1,
    arbitrary: fc.record<Doing>({ kind: fc.constant(kind), scope, body, supersedes: fc.option(fc.nat(40), { nil: undefined, freq: 5 }), minute: fc.option(fc.nat(2000), { nil: undefined, freq: 8 }) })
  })),
  { weight: 2, arbitrary: fc.record<Doing>({ kind: fc.constant('void' as const), scope: onBuild, body: fc.constant({ reason: 'wrong' }), supersedes: fc.nat(40) }) }
), { minLength: 8, maxLength: 40, size: 'max' })

/** Only what was done has a measured depth. */
function clean(body: unknown): never {
  const plain = JSON.parse(JSON.stringify(body)) as { state?: string, measured?: unknown }
  if (plain.state !== 'done') delete plain.measured
  return plain as never
}
const uuid = (n: number) => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`

/** Doings as the ledger they make: only what the checks let through, over the frame that every build begins with. */
export function ledgerOf(list: Doing[], { cylinders = true }: { cylinders?: boolean } = {}): Entry[] {
  const entries: Entry[] = []
  const taken = new Set<number>()
  const base: Doing[] = cylinders
    ? [
        { kind: 'layout', scope: { level: 'build' }, body: { heads: [[1, 2], [3, 4]], banks: [[1, 2], [3, 4]] } },
        ...([['bore', 86], ['stroke', 80]] as const).map(([quantity, value]): Doing => ({ kind: 'measure', scope: { level: 'build' }, body: { quantity, figure: { value, unit: 'mm', typed: String(value) } } }))
      ]
    : []
  for (const { kind, scope, body, supersedes, minute } of [...base, ...list]) {
    const earlier = supersedes === undefined ? undefined : entries[supersedes]
    const corrects = earlier && !taken.has(supersedes!) && mayCorrect(earlier.kind, kind) ? earlier.id : undefined
    if (kind === 'void' && !corrects) continue
    const sent = { at: new Date(Date.UTC(2026, 0, 1, 8, minute ?? entries.length)).toISOString(), hand: 'TT', kind, v: 1, scope, body: clean(body), ...(kindRule(kind).pictured ? { photos: ['a'.repeat(64)] } : {}), ...(corrects ? { supersedes: corrects } : {}) }
    if (!checkEntry(sent).ok) continue
    if (corrects) taken.add(supersedes!)
    entries.push({ ...sent, id: uuid(entries.length + 1), build: uuid(0), seq: entries.length + 1 } as unknown as Entry)
  }
  return entries
}

/** Any ledger of valid entries. */
export const anyLedger: fc.Arbitrary<Entry[]> = doings.map(list => ledgerOf(list))
export const KINDS_TRIED = Object.keys(KINDS)
