import { bench, describe } from 'vitest'
import { demoShop } from '../../../demo/shop'
import { oneCylinder } from '../../../tests/support/ledgerBench'
import { solidChambers } from '../../../tests/support/solidChambers'
import { STARTING_RULES, asIf, flatCut, replay, type Replay } from '../..'
import { columnsOf, takenTables } from './columns'
import { chanceOfAll, drawsOf, startingLimits, type RouteLimits, type Way } from '.'
import { atLimits, breachesOf } from './judge'
import { solveWay } from './solve'
import { billOf, stepsOf } from './way'

const solids = await solidChambers('rings')
const six = replay(demoShop.builds.find(b => b.name === 'Brackwater 34')!.entries)!
const WAY: Way = { grinding: 'none', down: 'face', setUps: 1 }

/** One way looked at: its depth solved, its ratios, spread, metal, cost and limits. */
function looker(standing: Replay, limits: RouteLimits) {
  const columns = columnsOf(standing, STARTING_RULES, [], solids, takenTables(standing, [], solids, limits.faceMost)!)!
  const band = { low: 9.8, high: 10 }
  return (way: Way) => {
    const solved = solveWay(standing, way, columns, limits)
    if (!solved) return 0
    const bill = billOf(standing, STARTING_RULES, way, stepsOf(standing, way, solved.figures))
    return breachesOf(atLimits(way, { limits, band }, solved.readings, solved.figures, bill)).length
  }
}
const limits = { ...startingLimits(six, STARTING_RULES), squishMost: undefined }
const look = looker(six, limits)
const inline = (n: number) => {
  const made = oneCylinder(n)
  for (let c = 1; c <= n; c++) for (let i = 0; i < 2; i++) made.pour(c, 55 + c % 3 * 0.2)
  return looker(replay(made.entries)!, { ...limits, squishLeast: undefined })
}
const timed = (times: number, work: (i: number) => unknown) => {
  const begun = performance.now()
  for (let i = 0; i < times; i++) work(i)
  return (performance.now() - begun) / times
}
// Compiled first, as in a search of thousands; a bundle, which is what a browser runs, takes half of it.
timed(10_000, () => look(WAY))
for (let d = 0; d < 40; d++) asIf(six, [flatCut(1, 0.5 + d / 100)], solids)
const [one, plain] = [timed(10_000, () => look(WAY)), timed(100, i => asIf(six, [flatCut(1, 0.5 + i / 100)], solids))]
// A depth is found by some twenty steps: plain asIf would take one for each.
const STEPS = 20
const ratios = asIf(six, [flatCut(1, 1)], solids).cylinders.map(c => c.state.ratio!.estimate)
const draws = drawsOf(1, 4000)
chanceOfAll(ratios, ratios.map(() => ({ low: 9.8, high: 10 })), draws)
const chance = timed(50, () => chanceOfAll(ratios, ratios.map(() => ({ low: 9.8, high: 10 })), draws))
const [of6, of12] = [6, 12].map((n) => {
  const mine = inline(n)
  timed(2000, () => mine(WAY))
  return timed(2000, () => mine(WAY))
}) as [number, number]
console.log(`routes: ${(1000 / one).toFixed(0)} ways a second, 10 000 in ${(one * 10).toFixed(2)} s; by plain asIf ${(plain * STEPS).toFixed(0)} ms a way, ${(plain * STEPS / one).toFixed(0)} times as long; chance of all ${chance.toFixed(1)} ms a route; 12 cylinders ${(of12 / of6).toFixed(2)} times 6`)

describe('routes', () => {
  bench('one way looked at', () => void look(WAY))
})
