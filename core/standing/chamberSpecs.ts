import type { ChamberValve, Point } from '../chamber'
import { fit, ofKind, type EntryOf, type Ledger } from '../ledger'
import { remembered } from './remembered'

/** The chamber drawing that counts for a cylinder: its own before its head's, then the latest. */
export const specEntry = (ledger: Ledger, cylinder: number): EntryOf<'chamberModel'> | undefined => remembered(ledger, `drawing ${cylinder}`, () => {
  let chosen: EntryOf<'chamberModel'> | undefined
  let closest = 0
  for (const entry of ofKind(ledger.live.entries, 'chamberModel')) {
    const closeness = fit(entry.scope, ledger.layout, cylinder)
    if (closeness > 0 && closeness >= closest) [chosen, closest] = [entry, closeness]
  }
  return chosen
})

/** Where a valve's edge is lowest, in plan: on the side its stem leans to. */
export function lowEdgeOf({ x, y, diameter, tilt, leans }: ChamberValve): Point {
  const out = diameter / 2 * Math.cos(tilt * Math.PI / 180)
  return [x + out * Math.cos(leans * Math.PI / 180), y + out * Math.sin(leans * Math.PI / 180)]
}

/** The same for the valve of a kind in a cylinder's drawing; the bore's centre where there is none. */
export function lowEdge(ledger: Ledger, valve: 'intake' | 'exhaust', cylinder: number): Point {
  const entry = specEntry(ledger, cylinder)
  const drawn = entry?.body.spec.valves.find(v => v.valve === valve)
  if (!entry || !drawn) return [0, 0]
  const [x, y] = lowEdgeOf(drawn)
  return entry.body.mirrored.includes(cylinder) ? [-x, y] : [x, y]
}
