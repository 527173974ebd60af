import { DomainError, above } from '../../domain'
import { MOUTH_SHARE_OF } from '../../estimate'
import { distanceTo, outlineArea, thinned, type Point } from './outline'
import { placed, type Oval } from './placing'
import { machinedTop } from './rings'
import { ceiling, underWall, valveFrame } from './roof'
import { mouthOf } from './solid'
import { specFaults, type ChamberKind, type ChamberSpec, type ChamberValve, type Pad, type Roof } from './spec'

/** What a first drawing is set out from, mm, degrees and cc. */
export interface Beginning {
  bore: number
  intake: number
  exhaust: number
  /** How many of each; the kind's usual where it is not said. */
  intakes?: number
  exhausts?: number
  tilt?: number
  seatHeight?: number
  mouthArea?: number
  /** What the chamber holds by its pours, or by the book until it is poured. */
  poured?: number
}

export const circle = (R: number, n = 16): Point[] => Array.from({ length: n }, (_, i): Point => [R * Math.cos(2 * Math.PI * i / n), R * Math.sin(2 * Math.PI * i / n)])

/**
 * Distance of a chord from the middle of a circle that leaves a share of its area on the far side.
 * Source: area of a circle's segment, R²·acos(c/R) − c·√(R² − c²), halved in.
 */
export function chordFor(R: number, area: number): number {
  return halved(0, R, c => R * R * Math.acos(c / R) - c * Math.sqrt(R * R - c * c) > area)
}

/** Where a condition that holds from `low` on ceases to hold, by halving. */
function halved(low: number, high: number, holds: (x: number) => boolean, rounds = 60): number {
  for (let i = 0; i < rounds; i++) {
    const middle = (low + high) / 2
    if (holds(middle)) low = middle
    else high = middle
  }
  return (low + high) / 2
}

const form = { seatWidth: 1.4, seatAngle: 45, topCutWidth: 0.6, topCutAngle: 30, sunk: 0 }

/** The roof plane of a slope that runs, in the mean, through the machined edges of valves in line. */
export function roofThrough(valves: ChamberValve[], tilt: number, rises: number): Roof {
  const k = Math.tan(tilt * Math.PI / 180)
  const [ux, uy] = [Math.cos(rises * Math.PI / 180), Math.sin(rises * Math.PI / 180)]
  const heights = valves.map((valve) => {
    const { form: [x, y, z] } = valveFrame(valve)
    return z - k * (x * ux + y * uy)
  })
  return { shape: 'plane', height: heights.reduce((a, b) => a + b, 0) / heights.length, slope: tilt, rises }
}

/** What is usual of a kind: tilt, low edge of the seats, walls; `row`: valves in line along the crank; pads before and behind. */
interface Usual { tilt: number, low: number, draft: number, floorRadius: number, row: boolean, pads: number }
type Cast = Exclude<ChamberKind, 'turnedDome' | 'hemispherical'>
const USUAL: Record<Cast, Usual> = {
  wedge: { tilt: 20, low: 1.4, draft: 8, floorRadius: 5, row: true, pads: 1 },
  heart: { tilt: 12, low: 4, draft: 8, floorRadius: 4, row: true, pads: 1 },
  bathtub: { tilt: 0, low: 9, draft: 8, floorRadius: 5, row: true, pads: 2 },
  open: { tilt: 15, low: 2, draft: 8, floorRadius: 5, row: true, pads: 0 },
  flat: { tilt: 0, low: 1.2, draft: 0, floorRadius: 0, row: false, pads: 0 },
  pentRoof: { tilt: 19, low: 1, draft: 8, floorRadius: 3, row: false, pads: 2 }
}
/** Kinds that take more than one valve of either sort. */
const MANY: readonly ChamberKind[] = ['pentRoof', 'open', 'flat']

/**
 * Whether a first drawing of a kind has room for so many valves.
 *
 * @example takesValves('wedge', 2, 2) // false
 */
export const takesValves = (kind: ChamberKind, intakes: number, exhausts: number): boolean =>
  kind === 'turnedDome' ? intakes + exhausts === 0 : intakes === 1 && exhausts === 1 ? true : intakes + exhausts > 0 && MANY.includes(kind)

/** Room from a valve's edge to the wall and to its neighbour, mm: as much as goes, and the least that is cast. */
const ROOMS = [[1.5, 2.5], [0.9, 1.6], [0.4, 0.9], [0.15, 0.3]] as const
/** A pad starts no further out than this share of the radius; beyond it there is none. */
const NO_PAD = 0.985
/** How far a pad is moved out at a time, as a share of the radius. */
const CHORD_STEP = 0.02
/** How much of its usual tilt, walls and mouth a chamber gives up at most where its pour is small, and how far its seats rise where it is large, mm. */
const LESS = { tilt: 0.75, draft: 22, floorRadius: 7, mouth: 0.22 }
const MORE = 28

/** A drawing this near to its pour, as a share of it, is brought there by its roof. */
const CLOSE = 1e-3

/** A drawing with a measure of its size: 0 as is usual of its kind, down to −1 as small as it goes, up to 1 as large. */
type Family = (size: number) => ChamberSpec | undefined

/**
 * A chamber to begin from: its kind's usual proportions about a bore and its valves, moved until every valve stands inside
 * the mouth and clear of the others, and raised, flattened or drawn in until it holds what was poured. Every figure that
 * nobody stated is a guess to be put right by whoever measures.
 *
 * @param kind see {@link ChamberKind}
 * @param from bore and valve sizes in mm; `tilt` of the valves, `seatHeight` of the lower seat edges, `mouthArea` and `poured` if known
 * @returns a spec whose solid can be made; it holds `poured` as nearly as its kind can
 * @throws RangeError when a size leaves its domain; where the valves don't go into the bore it names the valve that is too
 *   large and the largest that goes
 * @example startingSpec('wedge', { bore: 92, intake: 44.5, exhaust: 37 }).valves.length // 2
 */
export function startingSpec(kind: ChamberKind, from: Beginning): ChamberSpec {
  const R = above('bore', from.bore, 0) / 2
  const family = familyOf(kind, R, from)
  const usual = family(0)
  if (!usual) throw tooLarge(kind, R, from)
  if (from.poured === undefined) return usual
  const poured = above('poured', from.poured, 0)
  const both = nearest(family, usual, poured)
  if (from.seatHeight !== undefined || kind === 'turnedDome') return both[0]!
  const [first, ...others] = both.map(spec => raised(spec, poured))
  return others.reduce((best, other) => best.off > CLOSE && other.off < best.off ? other : best, first!).spec
}

/**
 * A drawing whose roof and seats are moved together until it holds a volume. Valves that just go in stand now one way and now
 * another as a chamber is made smaller, so that its size alone may step over a pour.
 */
function raised(spec: ChamberSpec, poured: number): { spec: ChamberSpec, off: number } {
  const area = outlineArea(mouthOf(spec))
  let [best, off] = [spec, drawnVolume(spec) / poured - 1]
  for (let i = 0; i < 6 && Math.abs(off) > CLOSE; i++) {
    const by = -off * poured * 1000 / area
    const next = { ...best, roof: { ...best.roof, height: best.roof.height + by }, valves: best.valves.map(valve => ({ ...valve, seatHeight: Number((valve.seatHeight + by).toFixed(3)) })) }
    if (specFaults(next, mouthOf).length > 0) break
    const now = drawnVolume(next) / poured - 1
    if (Math.abs(now) >= Math.abs(off)) break
    ;[best, off] = [next, now]
  }
  return { spec: best, off: Math.abs(off) }
}

/** The drawings of a family on either side of a volume, the nearest first; one where the whole family is on one side. */
function nearest(family: Family, usual: ChamberSpec, poured: number): ChamberSpec[] {
  const over = (spec: ChamberSpec) => drawnVolume(spec) / poured - 1
  let [at, off, best] = [0, over(usual), usual]
  const way = off < 0 ? 1 : -1
  const last = family(way)
  let [end, offEnd, other] = [way, last ? over(last) : -off, last]
  if (last && offEnd * off >= 0) return [last]
  // The rule of false position, with the end that stays weighed less and less (Illinois; Dowell & Jarratt 1971).
  for (let i = 0; i < 10 && Math.abs(off) > CLOSE; i++) {
    const size = at + (end - at) * off / (off - offEnd)
    const spec = family(size)
    if (!spec) break
    const now = over(spec)
    if (now * off < 0) [end, offEnd, other] = [at, off, best]
    else offEnd /= 2
    ;[at, off, best] = [size, now, spec]
  }
  return other ? [best, other] : [best]
}

function familyOf(kind: ChamberKind, R: number, from: Beginning): Family {
  if (kind === 'turnedDome') return size => turnedHead(R, size)
  above('intake', from.intake, 0)
  above('exhaust', from.exhaust, 0)
  if (kind === 'hemispherical') return size => hemisphere(R, from, size)
  return size => cast(kind, R, from, size)
}

/** Valves that do not go into a bore: the one that would have to shrink least, and the largest that goes, mm; neither where no size of one alone would do. */
export class ValvesTooLarge extends DomainError {
  readonly valve?: 'intake' | 'exhaust'
  readonly most?: number
  constructor(from: Beginning, valve?: 'intake' | 'exhaust', most?: number) {
    super(valve ?? 'intake + exhaust', valve ? from[valve] : from.intake + from.exhaust, most === undefined ? 'what the bore has room for' : `${most} or less`)
    this.valve = valve
    this.most = most
  }
}

/** A valve smaller than this, mm, is no answer. */
const LEAST_VALVE = 8

function tooLarge(kind: ChamberKind, R: number, from: Beginning): ValvesTooLarge {
  const goes = (sizes: Beginning) => kind === 'hemispherical' || kind === 'turnedDome' ? familyOf(kind, R, sizes)(0) !== undefined : placesFor(kind, R, sizes, sizes.tilt ?? USUAL[kind].tilt).goes
  const [intake, exhaust] = (['intake', 'exhaust'] as const).map(valve =>
    ({ valve, most: Math.floor(10 * halved(0, from[valve], size => goes({ ...from, [valve]: Math.max(size, 1e-3) }), 12)) / 10 })) as [{ valve: 'intake', most: number }, { valve: 'exhaust', most: number }]
  const blamed = intake.most / from.intake >= exhaust.most / from.exhaust ? intake : exhaust
  return blamed.most < LEAST_VALVE ? new ValvesTooLarge(from) : new ValvesTooLarge(from, blamed.valve, blamed.most)
}

/** The valves of a cast chamber, where each stands to begin with, and whether there is room for them at all. */
function placesFor(kind: Cast, R: number, from: Beginning, tilt: number) {
  const cos = Math.cos(tilt * Math.PI / 180)
  const many = kind === 'pentRoof' ? 2 : 1
  const count = { intake: from.intakes ?? many, exhaust: from.exhausts ?? many }
  const row = USUAL[kind].row && count.intake + count.exhaust === 2
  const kinds = (['intake', 'exhaust'] as const).flatMap(valve => Array.from({ length: count[valve] }, (_, i) => ({ valve, i, diameter: from[valve] })))
  const start = kinds.map(({ valve, i, diameter }): Oval => {
    const side = valve === 'intake' ? -1 : 1
    const beside = row ? side * diameter / 2 : (i - (count[valve] - 1) / 2) * (diameter + 1)
    return { x: beside, y: row ? 0 : side * diameter / 2 * cos, along: diameter / 2, across: diameter / 2 * cos }
  })
  const [wall, bridge] = ROOMS.at(-1)!
  return { kinds, start, row, goes: placed(start, { radius: R, below: R, above: R }, wall, bridge) !== undefined }
}

/** A chamber of cast walls under a flat or a ridged roof. */
function cast(kind: Cast, R: number, from: Beginning, size: number): ChamberSpec | undefined {
  const usual = USUAL[kind]
  const less = Math.max(0, -size)
  const tilt = from.tilt ?? usual.tilt * (1 - LESS.tilt * less)
  const whole = Math.PI * R * R
  const share = MOUTH_SHARE_OF[kind].value * (1 - LESS.mouth * less)
  const area = Math.min(from.mouthArea ?? whole * share, whole * 0.995)
  const { kinds, start, row, goes } = placesFor(kind, R, from, tilt)
  if (!goes) return undefined
  const wantedChord = usual.pads === 0 ? R : chordFor(R, (whole - area) / usual.pads)
  const chords = [...Array.from({ length: Math.max(0, Math.ceil((NO_PAD * R - wantedChord) / (CHORD_STEP * R))) }, (_, k) => wantedChord + k * CHORD_STEP * R), R]
  // A mouth that was measured is kept to as long as the valves leave it; else room round them comes first.
  const tries = from.mouthArea === undefined ? ROOMS.flatMap(room => chords.map(pad => ({ room, pad }))) : chords.flatMap(pad => ROOMS.map(room => ({ room, pad })))
  for (const { room: [wall, bridge], pad } of tries) {
    const ovals = placed(start, { radius: R, below: pad, above: usual.pads === 2 ? pad : R }, wall, bridge)
    const spec = ovals && castOn(kind, { ...usual, tilt, R, pad, less, more: Math.max(0, size), row }, kinds.map((k, i) => ({ ...k, ...ovals[i]! })), from.seatHeight)
    if (spec && specFaults(spec, mouthOf).length === 0) return spec
  }
  return undefined
}

interface Laid extends Usual { R: number, pad: number, less: number, more: number }
interface PlacedValve { valve: 'intake' | 'exhaust', diameter: number, x: number, y: number, across: number }

function castOn(kind: Cast, { R, pad, tilt, low, draft, floorRadius, less, more, row, pads }: Laid, places: PlacedValve[], seatHeight: number | undefined): ChamberSpec {
  const ridge = kind === 'pentRoof'
  const k = Math.tan(tilt * Math.PI / 180)
  // On one plane, or on the two sides of a ridge: the lowest edge stands at the height that was stated, the others follow.
  const leaning = (place: PlacedValve) => ridge && place.valve === 'exhaust' ? 90 : 270
  const rise = (place: PlacedValve) => k * (leaning(place) === 270 ? place.y - place.across : -place.y - place.across)
  const lowest = Math.min(...places.map(rise))
  const least = seatHeight ?? (low - (low - 0.3) * less + MORE * more)
  const valves = places.map((place): ChamberValve => ({
    valve: place.valve, x: tenth(place.x), y: tenth(place.y), diameter: place.diameter, tilt, leans: leaning(place),
    seatHeight: Number((least + rise(place) - lowest).toFixed(3)), ...form,
    throat: tenth(place.diameter * 0.88), stem: Math.max(3, tenth(place.diameter * 0.18))
  }))
  const plane = ridge
    ? { shape: 'ridge' as const, height: mean(valves.map(valve => valveFrame(valve).form).map(([, y, z]) => z + k * Math.abs(y))), slope: tilt, rises: 90 }
    : roofThrough(valves, tilt, 90)
  const walls: Pad[] = pad >= R ? [] : [{ towards: 270, chord: pad, recess: 0 }, ...pads === 2 ? [{ towards: 90, chord: pad, recess: 0 }] : []]
  const upright = pads === 2 && row ? { x: 0, y: Math.min(pad, R) * 0.6 } : { x: 0, y: R * 0.62 }
  return {
    kind, outline: kind === 'heart' ? heartOf(R, pad, valves) : circle(R), pads: kind === 'heart' ? [] : walls, valves,
    draft: draft + (draft > 0 ? LESS.draft * less : 0), floorRadius: floorRadius + (floorRadius > 0 ? LESS.floorRadius * less : 0),
    roof: { ...plane, height: Math.max(0.5, plane.height) },
    plug: { ...(row ? upright : { x: 0, y: 0 }), diameter: row ? 14 : 12, recess: 0 }
  }
}

const tenth = (value: number) => Number(value.toFixed(1))
const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length

/** The mouth of a heart: a circle whose straight side is drawn in between the valves, as far as they leave room. */
function heartOf(R: number, pad: number, valves: ChamberValve[]): Point[] {
  if (pad >= R) return circle(R)
  const middle = mean(valves.map(v => v.x + (v.valve === 'intake' ? 1 : -1) * v.diameter / 2))
  const at = (deep: number) => Array.from({ length: 40 }, (_, i): Point => {
    const turn = -Math.PI / 2 + 2 * Math.PI * i / 40
    const [x, y] = [R * Math.cos(turn), R * Math.sin(turn)]
    // The pad's side runs straight, and rises to a rounded point between the two heads.
    if (y >= -pad) return [x, y]
    return [x * pad / -y, -pad + deep * Math.exp(-(((x * pad / -y - middle) / (R * 0.16)) ** 2))]
  })
  const fits = (deep: number) => specFaults({ kind: 'heart', outline: at(deep), pads: [], valves, draft: 0, floorRadius: 0, roof: { shape: 'plane', height: 10, slope: 0, rises: 90 } }, mouthOf).length === 0
  return at(fits(0) ? halved(0, R * 0.35, fits, 10) * 0.9 : 0)
}

/** Two valves across a part of a sphere, each square to it where its tilt was not stated. */
function hemisphere(R: number, from: Beginning, size: number): ChamberSpec | undefined {
  const mouth = R * 0.985
  // Flatter as it is to hold less; on upright walls as it is to hold more.
  const radius = R * (1.12 + 2.4 * Math.max(0, -size))
  const crown = radius - Math.sqrt(radius * radius - mouth * mouth)
  const walls = MORE * Math.max(0, size)
  const down = form.topCutWidth * Math.tan(form.topCutAngle * Math.PI / 180)
  const out = (diameter: number) => Math.sqrt(radius * radius - (diameter / 2 + form.topCutWidth) ** 2)
  const tiltAt = (y: number, diameter: number) => from.tilt ?? Math.asin(Math.min(0.86, Math.abs(y) / out(diameter))) * 180 / Math.PI
  const kinds = [['intake', from.intake, -1], ['exhaust', from.exhaust, 1]] as const
  for (const [wall, bridge] of ROOMS) {
    const stood = (ys: readonly number[]) => placed(kinds.map(([, diameter], i): Oval => ({ x: 0, y: ys[i]!, along: diameter / 2, across: diameter / 2 * Math.cos(tiltAt(ys[i]!, diameter) * Math.PI / 180) })), { radius: mouth, below: R, above: R }, wall, bridge)
    // Where a valve stands says how it tilts, and that how wide it is in plan: placed twice, the two agree.
    const first = stood(kinds.map(([, diameter, sign]) => sign * Math.min(mouth - diameter / 2, out(diameter) / 2)))
    const ovals = first && stood(first.map(({ y }) => y))
    if (!ovals) continue
    const valves = kinds.map(([valve, diameter, sign], i): ChamberValve => {
      const { y } = ovals[i]!
      const tilt = tiltAt(y, diameter)
      const [sin, cos] = [Math.sin(tilt * Math.PI / 180), Math.cos(tilt * Math.PI / 180)]
      const height = walls + crown - radius + Math.sqrt(Math.max(0, out(diameter) ** 2 - y * y)) + down * cos - diameter / 2 * sin
      return {
        valve, x: 0, y: y + sign * down * sin, diameter, tilt, leans: sign < 0 ? 270 : 90, seatHeight: Math.max(0.3, height), ...form, throat: tenth(diameter * 0.88), stem: Math.max(3, tenth(diameter * 0.18))
      }
    })
    const spec: ChamberSpec = {
      kind: 'hemispherical', outline: circle(mouth), pads: [], valves, draft: 0, floorRadius: 0,
      roof: { shape: 'sphere', height: crown + walls, radius }, plug: { x: R * 0.45, y: 0, diameter: 14, recess: 0 }
    }
    if (specFaults(spec, mouthOf).length === 0) return spec
  }
  return undefined
}

/** A band, and a dome within it. */
function turnedHead(R: number, size: number): ChamberSpec {
  const height = R * (size > 0 ? 0.45 + 1.4 * size : 0.45 + 0.37 * size)
  return {
    kind: 'turnedDome', outline: circle(R), pads: [], draft: 0, floorRadius: 0, valves: [],
    roof: { shape: 'turned', recess: 0.5, band: 8, domeRadius: R / Math.SQRT2, height, toroid: false },
    plug: { x: 0, y: 0, diameter: 12.7, recess: 0 }
  }
}

/** How finely a drawing is summed up while it is brought to its pour: a share of its width. */
const STEP = 1 / 48

/**
 * About what a drawing holds, cc, without making its solid: heights at midpoints of a grid over the mouth.
 *
 * @example drawnVolume(startingSpec('wedge', { bore: 92, intake: 44.5, exhaust: 37 })) // within 2 % of its solid
 */
export function drawnVolume(spec: ChamberSpec): number {
  const mouth = thinned(mouthOf(spec), 0.03)
  const edge = Math.max(...mouth.map(([x, y]) => Math.max(Math.abs(x), Math.abs(y))))
  const over = ceiling(spec, 1)
  const cutters = spec.valves.map(valve => ({ top: machinedTop(valve), x: valve.x, y: valve.y, near: (valve.diameter / 2 + valve.topCutWidth + 2) ** 2 }))
  const walled = spec.draft > 0 || spec.floorRadius > 0
  // Where no wall is to be asked for it costs little, and a shallow chamber hangs on its seats: three times as fine.
  const cells = Math.round((walled ? 1 : 3) / STEP)
  const step = 2 * edge / cells
  let sum = 0
  for (let row = 0; row < cells; row++) {
    const y = -edge + (row + 0.5) * step
    const crossings = mouth.flatMap(([x1, y1], i): number[] => {
      const [x2, y2] = mouth[(i + 1) % mouth.length]!
      return (y1 > y) === (y2 > y) ? [] : [x1 + (y - y1) / (y2 - y1) * (x2 - x1)]
    }).sort((a, b) => a - b)
    for (let column = 0; column < cells; column++) {
      const p: Point = [-edge + (column + 0.5) * step, y]
      if (crossings.filter(x => x < p[0]).length % 2 === 0) continue
      const high = over(...p)
      let top = walled ? underWall(distanceTo(mouth, p), high, spec.draft, spec.floorRadius) : high
      for (const cutter of cutters) if ((p[0] - cutter.x) ** 2 + (p[1] - cutter.y) ** 2 < cutter.near) top = Math.max(top, cutter.top(...p))
      sum += Math.max(0, top)
    }
  }
  return sum * step * step / 1000
}
