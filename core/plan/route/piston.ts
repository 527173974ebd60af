import type { Replay } from '../../standing'
import type { RouteLimits } from './ask'
import { ratioAt, readingAt, type Column } from './columns'
import { POCKET_STEP } from './pockets'
import { NO_VALVE } from './way'
import { inSteps, offTarget, rangeOf, rootOf, type Solved } from './solve'

/** Pistons are ordered in steps of these: mm of compression height, cc of crown. */
const STEP = { rise: 0.05, crown: 0.1 } as const
/** No piston differs by more from the one it takes the place of: cc of crown, mm of height. */
const MOST = { crown: 60, rise: 5 } as const

/**
 * One piston for every bore instead of a cut: its compression height brings the running squish to the middle of its window, its
 * crown the middle of the ratios to the target, its pockets the valves to their minimum.
 *
 * @param columns as they stand with the gasket of the way
 * @returns figures.piston, by the one that is fitted
 * Source: squish = squish − rise; Vs/(Vc + added − A·rise) + 1 = target, solved for what is added.
 * @example newPiston(standing, columns, limits)?.figures.piston.rise // 0.45
 */
export function newPiston({ layout, target }: Replay, columns: readonly Column[], limits: RouteLimits): Solved {
  const face = limits.faceLeast
  const bare = columns.map(c => readingAt(c, { face, deck: 0, gives: 0 }, NO_VALVE))
  const squish = bare.flatMap(r => r.squish ?? [])
  const { squishLeast: least, squishMost: most } = limits
  const wanted = squish.length > 0 && least !== undefined && most !== undefined ? (Math.min(...squish) + Math.max(...squish)) / 2 - (least + most) / 2 : 0
  const asked = inSteps(least === undefined || squish.length === 0 ? wanted : Math.min(wanted, Math.min(...squish) - least), STEP.rise, Math.floor)
  const rise = Math.max(-MOST.rise, Math.min(MOST.rise, asked))
  const off = (added: number) => offTarget(rangeOf(columns, c => ratioAt(c, { face, deck: rise, gives: added })), target!.body.ratio.value)
  const added = inSteps(-rootOf(x => off(-x), -MOST.crown, MOST.crown), STEP.crown)
  const risen = columns.map(c => readingAt(c, { face, deck: rise, gives: added }, NO_VALVE))
  const short = Math.max(0, ...risen.flatMap(r => r.rooms.map(room => room.name === 'domeToChamber' || room.perMm <= 0 ? 0 : (room.least - room.left) / room.perMm)))
  const pockets = inSteps(short, POCKET_STEP, Math.ceil)
  return {
    figures: { faces: layout.heads.map(() => face), slope: 0, decks: layout.banks.map(() => 0), ground: new Map(), piston: { added, rise, pockets }, sunk: NO_VALVE },
    // The head stays where it is: cam, pushrods and flange know nothing of a piston.
    readings: risen.map(({ cylinder, ratio, squish, squishStill, edges, rooms }, i) => ({
      ...bare[i]!, cylinder, ratio, squish, squishStill, edges, rooms: rooms.map(room => room.name === 'domeToChamber' ? room : { ...room, left: room.left + room.perMm * pockets, taken: room.taken - room.perMm * pockets })
    })),
    held: layout.heads.map(() => true)
  }
}
