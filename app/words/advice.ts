import { likelyFaults, type Advice, type AdviceKind, type CutLimit } from '#core'
import { sayLaid, sayNear, sayWhere } from './cuts'
import { ENCLOSED_WORDS, sayFaults } from './pours'
import { say, sayCylinders, sayList, type LengthUnit } from '#shared/figures'
import { REASON_WORDS } from './reasons'
import { QUANTITY_WORDS } from '#shared/words/quantities'

/** What is open, in the order it is listed by. */
export const GROUPS = ['stop', 'disagree', 'unmeasured', 'plan', 'done'] as const
export type AdviceGroup = (typeof GROUPS)[number]
export const GROUP_WORDS: Record<AdviceGroup, string> = { stop: 'Stop', disagree: 'Does not agree', unmeasured: 'Not measured yet', plan: 'To plan and to do', done: 'Done' }
const GROUP_OF: Record<AdviceKind, AdviceGroup> = {
  takeOut: 'stop', seatLost: 'stop', squishTouches: 'stop', squishTight: 'stop', passesTarget: 'stop', tooClose: 'stop', springRoom: 'stop', gasketInBore: 'stop', tooCoarse: 'stop',
  leak: 'disagree', disagree: 'disagree', targetAgain: 'disagree',
  layOut: 'unmeasured', state: 'unmeasured', assumed: 'unmeasured', setTarget: 'unmeasured', pour: 'unmeasured', pourSecond: 'unmeasured', pourFine: 'unmeasured', decide: 'plan',
  solder: 'unmeasured', wanted: 'unmeasured', squish: 'plan', plan: 'plan', do: 'plan', pourAgain: 'plan', pourCrown: 'plan', onTarget: 'done'
}
export const groupOf = ({ kind }: Advice): AdviceGroup => GROUP_OF[kind]

export interface SaidAdvice { sentence: string, urgent?: boolean }

/** One thing that is open, as one sentence. */
export function sayAdvice(open: Advice, cylinders: number, lengths: LengthUnit): SaidAdvice {
  const all = (list: number[]) => sayCylinders(list, cylinders)
  const one = open.cylinders.length === 1
  const who = all(open.cylinders)
  const whom = who.toLowerCase()
  const have = one ? 'has' : 'have'
  const mm = (value: number) => say(value, 'length', lengths)
  switch (open.kind) {
    case 'takeOut': return {
      sentence: `${open.entries.length === 1 ? 'One entry can’t be used and counts' : `${open.entries.length} entries can’t be used and count`} for nothing. Read why, then strike ${open.entries.length === 1 ? 'it' : 'them'} out.`, urgent: true
    }
    case 'layOut': return { sentence: 'Say how many cylinders the engine has.' }
    case 'seatLost': return {
      sentence: open.planned
        ? `The planned cut goes ${mm(-open.figure)} past the ${open.valve} seats’ low edge on ${whom}. Plan a seat job after it, or look for another way.`
        : `The face is ${mm(-open.figure)} past the ${open.valve} seats’ low edge on ${whom}. It needs new seats before anything else.`,
      urgent: true
    }
    case 'squishTouches': return { sentence: `With the engine ${open.still ? 'still' : 'running'}, the squish of ${whom} ${open.planned ? 'would be' : 'is'} ${mm(open.figure)}: piston and head touch.`, urgent: true }
    case 'squishTight': return {
      sentence: `The squish of ${one ? whom : `the worst of ${whom}`} ${open.planned ? 'would come to' : 'is'} ${mm(open.figure)}${open.still ? '' : ' running'}, ${mm(open.limit - open.figure)} under the shop’s minimum.${open.still ? ' State the highest revs: what runs is less still.' : ' Settle that first.'}`, urgent: true
    }
    case 'passesTarget': return {
      sentence: open.planned
        ? `${who} would pass the target, ${say(open.figure, 'ratio', lengths)} where ${say(open.limit, 'ratio', lengths)} is the most, and metal can’t be put back.`
        : `${who} ${one ? 'is' : 'are'} past the target at ${say(open.figure, 'ratio', lengths)}; ${say(open.limit, 'ratio', lengths)} is the most. ${open.lift ? 'Lift the barrel: a thicker base gasket, or a spacer.' : 'Open the chamber, or fit a thicker gasket.'}`,
      urgent: true
    }
    case 'tooClose': return {
      sentence: `${QUANTITY_WORDS[open.clearance].label} ${open.planned ? 'would come to' : 'is'} ${mm(open.figure)} on ${one ? whom : `the worst of ${whom}`}, ${mm(open.limit - open.figure)} under the shop’s minimum. Settle that first.`, urgent: true
    }
    case 'springRoom': return {
      sentence: `The ${open.valve} ${open.room === 'travel' ? 'spring' : 'retainer'} of ${one ? whom : `the worst of ${whom}`} ${open.figure < 0
        ? open.room === 'travel' ? `${open.planned ? 'would be' : 'is'} solid ${mm(-open.figure)} before its valve is open` : `${open.planned ? 'would be' : 'is'} ${mm(-open.figure)} into the seal`
        : open.room === 'travel' ? `${open.planned ? 'would have' : 'has'} ${mm(open.figure)} left before it is solid; the minimum is ${mm(open.limit)}` : `${open.planned ? 'would come' : 'comes'} within ${mm(open.figure)} of the seal; the minimum is ${mm(open.limit)}`}. Do not turn the engine over.`, urgent: true
    }
    case 'gasketInBore': return {
      sentence: `The gasket ${open.planned ? 'that is planned' : ''} for ${whom} is ${mm(open.figure)} across and the bore ${mm(open.limit)}: it would stand in the chamber.`.replace('  ', ' '), urgent: true
    }
    case 'tooCoarse': return {
      sentence: `The ${open.face === 'head' ? `face of ${sayHeads(open.heads)}` : 'deck'} is Ra ${say(open.figure, 'roughness', lengths)}; its gasket allows ${say(open.limit, 'roughness', lengths)}. Take a finer cut before it goes together.`, urgent: true
    }
    case 'leak': return { sentence: `The ${ENCLOSED_WORDS[open.encloses].noun} of ${whom} loses ${say(open.figure, 'volume', lengths, 1)} a minute. Find the leak, then pour it again.`, urgent: true }
    case 'disagree': return {
      sentence: `The ${open.encloses === 'chamber' ? '' : `${ENCLOSED_WORDS[open.encloses].noun} `}pours of ${whom} differ by ${say(open.figure, 'volume', lengths, 1)}; the glass allows ${say(open.limit, 'volume', lengths, 1)}. Look for ${sayFaults(likelyFaults(open.change, open.encloses !== 'assembled').slice(0, 2))}, and pour again.${open.encloses === 'assembled' ? ' If it was worked on in between, enter that work before the pour.' : ''}`,
      urgent: true
    }
    case 'state': return { sentence: `State ${QUANTITY_WORDS[open.quantity].noun}: without it there is no ratio.` }
    case 'assumed': return open.of === 'seat'
      ? { sentence: `Measure ${QUANTITY_WORDS[open.quantity].noun} of ${whom}: it is only assumed, and the cut would reach it there.` }
      : { sentence: `Measure ${QUANTITY_WORDS[open.quantity].noun}${open.of === 'depth' ? ` of ${sayHeads(open.heads)}` : ''}: it is only assumed, and makes ${Math.round(open.figure * 100)} % of what is unsure${open.of === 'depth' ? ' about the depth of a cut' : ''}.` }
    case 'decide': return { sentence: `${open.findings.length === 1 ? 'One thing that was' : `${open.findings.length} things that were`} found at take-in ${open.findings.length === 1 ? 'is' : 'are'} not decided yet: tell the owner, and write down what is to be done.` }
    case 'targetAgain': return { sentence: `The ${sayList(open.reasons.map(r => REASON_WORDS[r].toLowerCase()))} ${open.reasons.length === 1 ? 'has' : 'have'} changed since the target was set: set the target again.` }
    case 'setTarget': return { sentence: 'Set the target ratio, and how far off still counts as on target.' }
    case 'pour': return { sentence: `${who} ${one ? 'is' : 'are'} still to be poured: a book figure is only a claim.` }
    case 'pourSecond': return { sentence: `${who} ${have} one pour only. Pour again before you cut.` }
    case 'pourFine': return { sentence: `${who} ${one ? 'was' : 'were'} only measured with a syringe. Set the final size with a burette.` }
    case 'pourAgain': return { sentence: `${who} ${have} been worked on since the last pour. Pour again, and compare.` }
    case 'pourCrown': return { sentence: `The ${one ? 'crown' : 'crowns'} of ${whom} ${one ? 'was' : 'were'} changed and not measured since: the ratio goes by what was planned. Pour ${one ? 'it' : 'them'}.` }
    case 'solder': return { sentence: `Measure the squish of ${whom} with solder: on a turned head it comes first, then the dome.` }
    case 'wanted': return { sentence: `Say ${QUANTITY_WORDS[open.quantity].noun}: the seat face is cut to it.` }
    case 'squish': return { sentence: open.figure < open.limit ? `Squish first: ${mm(open.limit - open.figure)} more is wanted at ${whom}. A gasket that much thicker opens it, or more under the barrel; then the dome.` : `Squish first: it is ${mm(open.figure - open.limit)} wider than wanted. Take that off the seat face, then open the dome to the ratio.` }
    case 'plan': return { sentence: open.way === 'open' && open.at.leaf === 'turned' ? `${who} ${one ? 'stands' : 'stand'} above the target. Open the dome, a round at a time.` : sayPlan(open, who, mm) }
    case 'do': return { sentence: sayDo(open, whom, lengths, open.cylinders.length < cylinders) }
    case 'onTarget': return { sentence: 'Every cylinder is on target. Wash, pour once more, and write it up.' }
  }
}

/** “head 2”, “heads 1 and 2”. */
const sayHeads = (heads: number[]) => `${heads.length === 1 ? 'head' : 'heads'} ${sayList(heads.map(String))}`

function sayPlan({ way, figure, waiting, past, first, cylinders, heads }: Extract<Advice, { kind: 'plan' }>, who: string, mm: (value: number) => string): string {
  const one = cylinders.length === 1
  if (way === 'foot' && figure !== undefined) {
    return past
      ? `${mm(figure)} off the barrel’s foot reaches the target, but ${sayPast(past, mm)}. Route has the other ways.`
      : `Plan ${mm(figure)} off the barrel’s foot: cylinder ${first} then reaches the target.`
  }
  if (way === 'lift') return `${who} ${one ? 'stands' : 'stand'} above the target. Lift the barrel: a thicker base gasket, or a spacer. Route tells how much.`
  if (way === 'open') return `${who} ${one ? 'stands' : 'stand'} above the target. Open the chamber or fit a thicker gasket.`
  if (way === 'even') return `${who} ${one ? 'is' : 'are'} under target, but another of head ${heads[0]} is there already: even the chambers first.`
  if (way === 'other') return `No cut of the face is enough for ${one ? 'cylinder' : 'cylinders'} ${sayList(cylinders.map(String))}: there is less in the chamber than has to go. Route has the other ways.`
  if (figure !== undefined && past) return `${mm(figure)} off head ${heads[0]} reaches the target, but ${sayPast(past, mm)}. ${past.kind === 'seat' && past.assumed ? 'Measure that height first' : 'Route has the other ways'}.`
  if (figure !== undefined) return `Plan the cut: at ${mm(figure)} off head ${heads[0]} the first cylinder reaches the target.`
  return waiting ? `Plan the cut of head ${heads[0]}: the Cut station tells how deep.` : `Plan the cut of head ${heads[0]}, once its mouth area is measured.`
}

/** What a cut that is not planned yet would be past, as the second half of a sentence. */
function sayPast(past: CutLimit, mm: (value: number) => string): string {
  switch (past.kind) {
    case 'seat': return past.assumed ? `the ${past.valve} seat of cylinder ${past.cylinder}, at a height that is only assumed, is met before` : `goes into the ${past.valve} seat of cylinder ${past.cylinder}`
    case 'chamber': return `goes through the roof of the chamber of cylinder ${past.cylinder}`
    case 'squish': return past.figure > 0 ? `leaves ${mm(past.figure)} of squish at cylinder ${past.cylinder}, where ${mm(past.least)} is the shop’s minimum` : `lets piston and head of cylinder ${past.cylinder} touch`
    case 'clearance': return `${sayNear(past.clearance, past.figure, mm)} on cylinder ${past.cylinder}`
    case 'target': return `takes cylinder ${past.cylinder} past its target`
  }
}

/** What is planned, as the move to make. */
function sayDo({ what, at, figure = 0, foot, laid, heads }: Extract<Advice, { kind: 'do' }>, whom: string, lengths: LengthUnit, some: boolean): string {
  const mm = (value: number) => say(value, 'length', lengths)
  switch (what) {
    case 'relief': return at.leaf === 'turned' ? `Open the dome of ${whom} as planned and polish it, then enter it.` : `Grind ${whom} as planned, to the reading, then enter each.`
    case 'seatWork': return `Do the seats of ${whom} as planned, then enter it.`
    case 'gasketChange': return `Fit the gasket that is planned on ${sayHeads(heads)}, then enter it.`
    case 'spacer': return `Fit what is planned under the barrel of ${whom}, then enter it.`
    case 'crownWork': return `Do the crowns or fit the pistons of ${whom} as planned, then enter each.`
    case 'deckCut': return `Cut ${mm(figure)} off the ${foot ? 'barrel’s foot' : 'deck'}${some ? ` of ${whom}` : ''}, measure what came off, and enter it.`
    case 'faceCut': return laid ? `Cut ${sayHeads(heads)}, ${sayLaid(laid, lengths)}, ${mm(figure)} in all ${sayWhere(laid)}, measure what came off there, and enter it.` : `Cut ${mm(figure)} off ${sayHeads(heads)}, measure what came off, and enter it.`
  }
}

/** “4.9 cc over”, “0.3 cc under”, “on target”: what a cylinder holds more than wanted, where its ratio is not as wanted. */
export const sayGap = (gap: number, onTarget: boolean): string => onTarget ? 'on target' : `${say(Math.abs(gap), 'volume')} ${gap > 0 ? 'over' : 'under'}`
