import { cylindersOf, NOW, type EntryOf } from '../ledger'
import { ccBand, depthSet, faceDepth, perMmOf, targetBand, type Replay } from '../standing'

/**
 * The least of a planned flat cut that still brings every cylinder of its head on target, with all else that is planned.
 *
 * @returns mm, and the cylinder that needs as much; undefined where the cut is laid over, where it leaves a cylinder short of the
 *   target's band, or where one of them can't be told
 * Source: what the band leaves over the planned clearance, by the cc per mm at the planned face: of the last tenths.
 * @example leastCut(standing, cut) // { depth: 0.33, cylinder: 1 }, of 0.35 planned on the demo’s twin
 */
export function leastCut(standing: Replay, cut: EntryOf<'faceCut'>): { depth: number, cylinder: number } | undefined {
  const { ledger, lessons, layout, asPlanned } = standing
  if (cut.scope.level !== 'head' || cut.body.slopeX || cut.body.slopeY) return undefined
  const row = cylindersOf(layout, cut.scope.head)
  const depth = depthSet(cut.body)
  const needed = asPlanned.filter(state => row.includes(state.cylinder)).flatMap((state) => {
    const { cylinder, gap } = state
    const most = ccBand(state, targetBand(standing.target))?.over
    const perMm = perMmOf(ledger, lessons, cylinder, { at: faceDepth(ledger, cylinder, NOW) + depth })?.estimate.value
    const spare = gap && most !== undefined ? most - gap.estimate.value : -1
    return spare >= 0 && perMm ? [{ cylinder, depth: depth - spare / perMm }] : []
  })
  const [most] = needed.sort((a, b) => b.depth - a.depth)
  return most && needed.length === row.length && most.depth > 0 ? most : undefined
}
