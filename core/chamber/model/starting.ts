import { DomainError, above } from '../../domain'
import type { Point } from './outline'
import { valveFrame } from './roof'
import type { ChamberKind, ChamberSpec, ChamberValve, Pad, Roof } from './spec'

/** What a first model is set out from, mm and degrees. */
export interface Beginning { bore: number, intake: number, exhaust: number, valves?: 2 | 4, tilt?: number, seatHeight?: number, mouthArea?: number }

export const circle = (R: number, n = 16): Point[] => Array.from({ length: n }, (_, i): Point => [R * Math.cos(2 * Math.PI * i / n), R * Math.sin(2 * Math.PI * i / n)])

/**
 * Distance of a chord from the middle of a circle that leaves a share of its area on the far side.
 * Source: area of a circle's segment, R²·acos(c/R) − c·√(R² − c²), halved in.
 */
export function chordFor(R: number, area: number): number {
  let [low, high] = [0, R]
  for (let i = 0; i < 60; i++) {
    const c = (low + high) / 2
    if (R * R * Math.acos(c / R) - c * Math.sqrt(R * R - c * c) > area) low = c
    else high = c
  }
  return (low + high) / 2
}

const form = { seatWidth: 1.4, seatAngle: 45, topCutWidth: 0.6, topCutAngle: 30, sunk: 0 }

function valveAt(valve: 'intake' | 'exhaust', diameter: number, x: number, y: number, tilt: number, leans: number, seatHeight: number): ChamberValve {
  return { valve, x, y, diameter, tilt, leans, seatHeight, ...form, throat: Number((diameter * 0.88).toFixed(1)), stem: Number((diameter * 0.18).toFixed(1)) }
}

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

/**
 * A chamber to begin from: its kind's usual proportions about a bore and two valve sizes. Every figure is a guess to
 * be put right by whoever measures.
 *
 * @param kind see {@link ChamberKind}
 * @param from bore and valve sizes in mm; `tilt` of the valves, `seatHeight` of the lower seat edges, `mouthArea` if known
 * @returns a spec whose solid can be made
 * @throws RangeError when a size leaves its domain or the valves don't go into the bore
 * @example startingSpec('wedge', { bore: 92, intake: 44.5, exhaust: 37 }).valves.length // 2
 */
export function startingSpec(kind: ChamberKind, from: Beginning): ChamberSpec {
  const R = above('bore', from.bore, 0) / 2
  const whole = Math.PI * R * R
  if (kind === 'turnedDome') {
    const domeRadius = R / Math.SQRT2
    return {
      kind, outline: circle(R), pads: [], draft: 0, floorRadius: 0, valves: [],
      roof: { shape: 'turned', recess: 0.5, band: 8, domeRadius, height: R * 0.45, toroid: false },
      plug: { x: 0, y: 0, diameter: 12.7, recess: 0 }
    }
  }
  const [big, small] = [above('intake', from.intake, 0), above('exhaust', from.exhaust, 0)]
  const room = kind === 'pentRoof' && from.valves !== 2 ? 2 * Math.max(big, small) : big + small
  if (room > 2.1 * R) throw new DomainError('intake + exhaust', room, `no more than ${(2.1 * R).toFixed(1)}, what the bore has room for`)
  if (kind === 'pentRoof') return pentRoof(R, big, small, from)
  if (kind === 'hemispherical') return hemisphere(R, big, small, from)
  const tilt = from.tilt ?? (kind === 'wedge' ? 20 : 0)
  const low = from.seatHeight ?? (kind === 'wedge' ? 1.4 : 9)
  // Both in line along the crank, as far apart as leaves a bridge, on the deep side of the pad.
  const bridge = Math.max(1.6, (2 * R - big - small) * 0.12)
  const between = big + small + 2 * bridge
  const x0 = -(between / 2) + (big + bridge) / 2 + (small - big) / 4
  const area = from.mouthArea ?? whole * 0.7
  const chord = chordFor(R, whole - Math.min(area, whole * 0.995))
  const leans = 270
  const y = -chord + (Math.max(big, small) / 2) * Math.cos(tilt * Math.PI / 180) + 1
  const valves = [
    valveAt('intake', big, x0, y, tilt, leans, low), valveAt('exhaust', small, x0 + (big + small) / 2 + bridge, y, tilt, leans, low)
  ]
  return {
    kind, outline: circle(R), pads: [{ towards: 270, chord, recess: 0 }], valves, draft: 8, floorRadius: 5,
    roof: roofThrough(valves, tilt, 90), plug: { x: 0, y: R * 0.62, diameter: 14, recess: 0 }
  }
}

function pentRoof(R: number, big: number, small: number, from: Beginning): ChamberSpec {
  const tilt = from.tilt ?? 19
  const low = from.seatHeight ?? 1
  const k = Math.tan(tilt * Math.PI / 180)
  const cos = Math.cos(tilt * Math.PI / 180)
  const whole = Math.PI * R * R
  const area = from.mouthArea ?? whole * 0.88
  const chord = chordFor(R, (whole - Math.min(area, whole * 0.995)) / 2)
  const side = (diameter: number) => diameter / 2 * cos + 1.2
  const clear = Math.max(chord, side(big) + big / 2 * cos + 0.6)
  const pads: Pad[] = from.mouthArea === undefined || clear < R
    ? [{ towards: 270, chord: clear, recess: 0 }, { towards: 90, chord: Math.min(clear, Math.max(chord, side(small) + small / 2 * cos + 0.6)), recess: 0 }]
    : []
  const pairs = from.valves === 2 ? [0] : [-1, 1]
  const valves = pairs.flatMap(sign => [
    valveAt('intake', big, sign * (big / 2 + 0.7), -side(big), tilt, 270, low),
    valveAt('exhaust', small, sign * (small / 2 + 0.7), side(small), tilt, 90, low)
  ])
  // Either side of the roof runs through its valves' machined edges; the ridge is where the two planes meet.
  const ridge = valves.map((valve) => {
    const { form: [, y, z] } = valveFrame(valve)
    return z + k * Math.abs(y)
  })
  return {
    kind: 'pentRoof', outline: circle(R), pads, valves, draft: 8, floorRadius: 3,
    roof: { shape: 'ridge', height: ridge.reduce((a, b) => a + b, 0) / ridge.length, slope: tilt, rises: 90 },
    plug: { x: 0, y: 0, diameter: 12, recess: 0 }
  }
}

function hemisphere(R: number, big: number, small: number, from: Beginning): ChamberSpec {
  const tilt = from.tilt ?? 30
  const sin = Math.sin(tilt * Math.PI / 180)
  // A sphere somewhat larger than the bore, on which both valves sit square.
  const radius = R * 1.12
  const mouth = R * 0.985
  const crown = radius - Math.sqrt(radius * radius - mouth * mouth)
  const at = (diameter: number) => Math.sqrt(radius * radius - (diameter / 2 + form.topCutWidth) ** 2)
  const valves = ([['intake', big, -1], ['exhaust', small, 1]] as const).map(([valve, diameter, sign]) => {
    const down = form.topCutWidth * Math.tan(form.topCutAngle * Math.PI / 180)
    const out = at(diameter) + down
    const height = crown - radius + out * Math.cos(tilt * Math.PI / 180) - diameter / 2 * sin
    return valveAt(valve, diameter, 0, sign * out * sin, tilt, sign < 0 ? 270 : 90, height)
  })
  return {
    kind: 'hemispherical', outline: circle(mouth), pads: [], valves, draft: 0, floorRadius: 0,
    roof: { shape: 'sphere', height: crown, radius }, plug: { x: R * 0.45, y: 0, diameter: 14, recess: 0 }
  }
}
