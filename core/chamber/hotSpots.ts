import { distanceTo, insideOutline, valveFrame, type ChamberSpec, type Point } from './model'

/** A place in a chamber that glows or burns first, or that a gasket does not forgive. */
export type HotSpot
  = | { kind: 'ledge', valve: number, height: number, width: number }
    | { kind: 'overhang', from: number, to: number, depth: number }
    | { kind: 'bridge', valves: [number, number], width: number }
    | { kind: 'plugLip', height: number }
    | { kind: 'thinRim', from: number, to: number, width: number }

/** A bridge between two seats narrower than this is a thin one, mm; a rim between mouth and gasket likewise. */
const THIN_BRIDGE = 2
const THIN_RIM = 0.3
/** A ledge or lip lower than this is no place to look at, mm. */
const LOW = 0.15

/**
 * Places of a chamber to round, smooth or look at, from its drawing.
 *
 * @param spec see ChamberSpec
 * @param mouth its mouth as a polygon, mm
 * @param gasketBore diameter of the gasket's ring, mm; undefined leaves the gasket out
 * @returns ledges that sinking leaves round a valve; arcs where the gasket's ring stands inside the mouth (overhang) or
 *   barely outside; bridges between seats; the lip over a plug that stands back
 * Source: plane geometry: a valve sunk by s leaves a rim s high, s/tanα wide; the ring's circle against the mouth.
 * @example hotSpots({ …, valves: [{ …, sunk: 0.3, topCutAngle: 30 }] }, mouth, 94)[0] // a ledge 0.3 high, 0.52 wide
 */
export function hotSpots(spec: ChamberSpec, mouth: Point[], gasketBore: number | undefined): HotSpot[] {
  const spots: HotSpot[] = spec.valves.flatMap((valve, i): HotSpot[] => valve.sunk < LOW
    ? []
    : [{ kind: 'ledge', valve: i, height: valve.sunk, width: valve.sunk / Math.tan(valve.topCutAngle * Math.PI / 180) }])
  spec.valves.forEach((a, i) => spec.valves.slice(0, i).forEach((b, k) => {
    const [one, other] = [valveFrame(a), valveFrame(b)]
    const width = Math.hypot(...one.seat.map((s, n) => s - other.seat[n]!)) - one.edgeRadius - other.edgeRadius
    if (width < THIN_BRIDGE) spots.push({ kind: 'bridge', valves: [k, i], width })
  }))
  if (gasketBore !== undefined) spots.push(...ringSpots(mouth, gasketBore / 2))
  if (spec.plug && spec.plug.recess > LOW) spots.push({ kind: 'plugLip', height: spec.plug.recess })
  return spots
}

/** Arcs of the gasket's ring that stand inside the mouth, or closer outside it than a thin rim. */
function ringSpots(mouth: Point[], R: number): HotSpot[] {
  const STEPS = 180
  const inset = Array.from({ length: STEPS }, (_, i): number => {
    const p: Point = [R * Math.cos(2 * Math.PI * i / STEPS), R * Math.sin(2 * Math.PI * i / STEPS)]
    return distanceTo(mouth, p) * (insideOutline(mouth, p) ? 1 : -1)
  })
  const runs = (on: (v: number) => boolean): number[][] => {
    const list: number[][] = []
    const begin = inset.findIndex(v => !on(v))
    if (begin < 0) return [inset.map((_, i) => i)]
    let run: number[] = []
    for (let k = 1; k <= STEPS; k++) {
      const i = (begin + k) % STEPS
      if (on(inset[i]!)) run.push(i)
      else if (run.length) {
        list.push(run)
        run = []
      }
    }
    return list
  }
  const degrees = (run: number[]) => ({ from: run[0]! * 360 / STEPS, to: run.at(-1)! * 360 / STEPS })
  return [
    ...runs(v => v > 0.02).map((run): HotSpot => ({ kind: 'overhang', ...degrees(run), depth: Math.max(...run.map(i => inset[i]!)) })),
    ...runs(v => v <= 0.02 && v > -THIN_RIM).map((run): HotSpot => ({ kind: 'thinRim', ...degrees(run), width: Math.min(...run.map(i => -inset[i]!)) }))
  ]
}
