import type { Enclosed, PourFault, SquishCause } from '#core'
import { sayNth } from './ports'

interface EnclosedWords { label: string, noun: string, steps: string[], caution: string }

const FLAMMABLE = 'Dyed alcohol burns: no grinding or hot work beside it.'

/** What a pour can fill: its name, the way to do it, and what can hurt. */
export const ENCLOSED_WORDS: Record<Enclosed, EnclosedWords> = {
  chamber: {
    label: 'Chamber', noun: 'chamber', caution: FLAMMABLE,
    steps: [
      'The valves and the plug that will be run are in; a smear of grease on the seats, light springs.',
      'A thin film of grease round the edge, none inside: a film as thin as foil over the mouth is 0.1 cc.',
      'Clear plate down flat, its hole at the high corner, the head tipped a little that way.',
      'Glass and chamber wetted once; let the glass drain before it is read.',
      'Fill until the last bubble is out; stop at the lower edge of the hole.',
      'Read at eye level, at the lower edge of the meniscus.'
    ]
  },
  assembled: {
    label: 'Assembled, plug hole', noun: 'assembled volume', caution: `${FLAMMABLE} Drain and dry the cylinder before it is turned.`,
    steps: [
      'Piston locked at top dead centre, found from both sides.',
      'The plug hole is the highest point; the cylinder levelled both ways.',
      'A thin ring of grease on the top land, wiped off above the crown.',
      'Fill to the plug’s seat or to the top of its thread, and state that column.',
      'Wait, rock gently for bubbles, top up, read.'
    ]
  },
  crown: {
    label: 'Piston crown', noun: 'crown', caution: FLAMMABLE,
    steps: [
      'Piston down by more than its dome stands up; measure how far, over the pin.',
      'Edge sealed with grease: at the ring, or wiped flush at the crown’s edge; say which.',
      'Plate over the bore, its hole at the high side, the block level.',
      'Fill until the last bubble is out, read.'
    ]
  },
  intakePort: {
    label: 'Intake port', noun: 'intake port', caution: FLAMMABLE,
    steps: [
      'Valve seated and greased, guide sealed.',
      'Flange up and level; a plate, or the edge wiped with a straight blade.',
      'Fill slowly along the wall, tap the bubbles out, read.'
    ]
  },
  exhaustPort: {
    label: 'Exhaust port', noun: 'exhaust port', caution: FLAMMABLE,
    steps: [
      'Valve seated and greased, guide sealed.',
      'Flange up and level; a plate, or the edge wiped with a straight blade.',
      'Fill slowly along the wall, tap the bubbles out, read.'
    ]
  },
  container: {
    label: 'Something else', noun: 'container', caution: FLAMMABLE,
    steps: ['Name it, so that the Daybook can say what it was.', 'Fill it level, read.']
  }
}

/** What was filled: of which cylinder, and of several ports of one, which. */
export const sayEnclosed = (encloses: Enclosed, n?: number, cylinder?: number): string => `${ENCLOSED_WORDS[encloses].label}${cylinder === undefined ? '' : ` ${cylinder}`}${sayNth(n)}`

/** What may be wrong with a pour, in a sentence after “look for”. */
export const FAULT_WORDS: Record<PourFault, string> = {
  bubble: 'a trapped bubble', leak: 'a leak past a valve or the plug', greaseInside: 'grease squeezed inside',
  plateBowed: 'a plate bowed by too much grease', plateHoleFull: 'a plate hole filled too', wrongPlug: 'another plug or valve than before',
  glassNotDrained: 'glass that had not drained', valveNotSeated: 'a valve off its seat', misread: 'a scale misread'
}

const orList = (items: string[]) => items.length < 2 ? items.join('') : `${items.slice(0, -1).join(', ')} or ${items.at(-1)}`
export const sayFaults = (faults: PourFault[]): string => orList(faults.map(f => FAULT_WORDS[f]))

const CAUSE_WORDS: Record<SquishCause, string> = {
  gasketNotCrushed: 'a gasket not crushed to its fitted thickness', gasketThinner: 'a gasket thinner than stated',
  recessUnstated: 'a squish pad recessed in the head that nobody stated', recessSmaller: 'a recess smaller than stated',
  deckReadOffCentre: 'a deck read off the pin’s line, with rock in it', carbon: 'carbon or a burr under the solder',
  headNotTorqued: 'a head not fully torqued', solderTooThick: 'solder too thick to flatten'
}
export const sayCauses = (causes: SquishCause[]): string => orList(causes.map(c => CAUSE_WORDS[c]))
