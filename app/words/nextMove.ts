import { likelyFaults, type NextMove } from '#core'
import { ENCLOSED_WORDS, sayFaults } from './pours'
import { say, sayCylinders, type LengthUnit } from '#shared/figures'
import { QUANTITY_WORDS } from '#shared/words/quantities'

export interface SaidMove { sentence: string, station?: 'sheet' | 'pour' | 'shape' | 'cut' | 'mockup' | 'daybook', urgent?: boolean }

/** The next move as one sentence, and the station it is made at. */
export function sayNextMove(move: NextMove, cylinders: number, lengths: LengthUnit): SaidMove {
  const who = (list: number[]) => sayCylinders(list, cylinders)
  const have = (list: number[]) => list.length === 1 ? 'has' : 'have'
  switch (move.kind) {
    case 'takeOut': return {
      sentence: `${move.entries.length === 1 ? 'One entry can’t be used and counts' : `${move.entries.length} entries can’t be used and count`} for nothing. Read why, then take ${move.entries.length === 1 ? 'it' : 'them'} out.`,
      station: 'daybook', urgent: true
    }
    case 'layOut': return { sentence: 'Say how many cylinders the engine has.', station: 'sheet' }
    case 'leak': return {
      sentence: `The ${ENCLOSED_WORDS[move.encloses].noun} of ${who(move.cylinders).toLowerCase()} loses ${say(move.rate, 'volume', lengths, 1)} a minute. Find the leak, then pour it again.`,
      station: 'pour', urgent: true
    }
    case 'stop': if (move.cause === 'squishTouches') {
      return {
        sentence: `Stop: running, the squish of ${who(move.cylinders).toLowerCase()} would be ${say(move.left!, 'length', lengths)}. It touches.`,
        station: 'mockup', urgent: true
      }
    }
      return move.cause === 'cutReachesSeat'
        ? {
            sentence: `Stop: the planned cut goes ${say(-move.left!, 'length', lengths)} past the ${move.valve} seats’ low edge. A new seat job follows, or another way.`,
            station: 'cut', urgent: true
          }
        : { sentence: `Stop: ${who(move.cylinders)} would pass the target, and metal can’t be put back.`, station: 'cut', urgent: true }
    case 'tooClose': {
      const what = QUANTITY_WORDS[move.clearance].noun
      return {
        sentence: `Stop: ${what} ${move.planned ? 'would come to' : 'is'} ${say(move.left, 'length', lengths)} on ${who(move.cylinders).toLowerCase()}, ${say(move.least - move.left, 'length', lengths)} under the shop’s least. Settle that first.`,
        station: 'mockup', urgent: true
      }
    }
    case 'disagree': return {
      sentence: `The ${move.encloses === 'chamber' ? '' : `${ENCLOSED_WORDS[move.encloses].noun} `}pours of ${who(move.cylinders).toLowerCase()} differ by ${say(move.difference, 'volume', lengths, 1)}; the glass allows ${say(move.allowed, 'volume', lengths, 1)}. Look for ${sayFaults(likelyFaults(move.change).slice(0, 2))}, and pour again.`,
      station: 'pour', urgent: true
    }
    case 'state': return {
      sentence: move.share === undefined
        ? `State ${QUANTITY_WORDS[move.quantity].noun}: without it there is no ratio.`
        : `Measure ${QUANTITY_WORDS[move.quantity].noun}: it is only assumed, and makes ${Math.round(move.share * 100)} % of what is unsure${move.of === 'depth' ? ' about the depth of a cut' : ''}.`,
      station: 'sheet'
    }
    case 'setTarget': return { sentence: 'Set the target ratio, and how close counts as there.', station: 'sheet' }
    case 'pour': return { sentence: `${who(move.cylinders)} ${have(move.cylinders)} not been poured. The book is only a claim: pour.`, station: 'pour' }
    case 'pourSecond': return { sentence: `${who(move.cylinders)} ${have(move.cylinders)} one pour only. Pour again before you cut.`, station: 'pour' }
    case 'pourFine': return { sentence: `${who(move.cylinders)} ${move.cylinders.length === 1 ? 'was' : 'were'} only measured with a syringe. Set the final size with a burette.`, station: 'pour' }
    case 'pourAgain': return { sentence: `Metal has gone since ${who(move.cylinders).toLowerCase()} ${move.cylinders.length === 1 ? 'was' : 'were'} poured. Pour again and settle it.`, station: 'pour' }
    case 'squish': return {
      sentence: `Squish first: it is ${say(move.excess, 'length', lengths)} wider than wanted. Take that off the seat face, then open the dome to the ratio.`,
      station: 'mockup'
    }
    case 'plan': return {
      sentence: move.depth === undefined
        ? `${who(move.cylinders)} ${move.cylinders.length === 1 ? 'stands' : 'stand'} above the target. Open the chamber or fit a thicker gasket.`
        : move.depth < 0.01
          ? `${who(move.cylinders)} ${move.cylinders.length === 1 ? 'is' : 'are'} under target, yet another is at it: even the chambers first.`
          : `Plan the cut: ${say(move.depth, 'length', lengths)} is the most head ${move.head} can lose before the first cylinder is at target.`,
      // What has to grow is opened; what has to be alike first is evened beside the pours.
      station: move.depth === undefined ? 'shape' : move.depth < 0.01 ? 'pour' : 'cut'
    }
    case 'do': return sayDo(move, who, lengths)
    case 'onTarget': return { sentence: `Every cylinder is on target. Wash, pour once more, and write it up.`, station: 'daybook' }
  }
}

/** “4.9 cc over”, “0.3 cc under”, “on target”. */
export function sayGap(gap: number, tolerance = 0): string {
  if (Math.abs(gap) <= tolerance) return 'on target'
  return `${say(Math.abs(gap), 'volume')} ${gap > 0 ? 'over' : 'under'}`
}

/** What is planned, as the move to make. */
function sayDo({ what, cylinders, depth = 0 }: Extract<NextMove, { kind: 'do' }>, who: (list: number[]) => string, lengths: LengthUnit): SaidMove {
  switch (what) {
    case 'relief': return { sentence: `Grind ${who(cylinders).toLowerCase()} as planned, to line and reading, then enter each.`, station: 'shape' }
    case 'seatWork': return { sentence: `Do the seats of ${who(cylinders).toLowerCase()} as planned, then enter it.`, station: 'cut' }
    case 'gasketChange': return { sentence: 'Fit the gasket that is planned, then enter it.', station: 'cut' }
    case 'deckCut': return { sentence: `Cut ${say(depth, 'length', lengths)} off the deck, measure what really came off, and enter it.`, station: 'mockup' }
    case 'faceCut': return { sentence: `Cut ${say(depth, 'length', lengths)}, measure what really came off, and enter it.`, station: 'cut' }
  }
}
