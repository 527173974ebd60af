import { SPEC_BOUNDS, type ChamberKind, type DomeForm, type SpecFault, type Suspect, type ValvesTooLarge } from '#core'
import { say, type LengthUnit } from '../figures'

/** The kinds of chamber there are models for. */
export const CHAMBER_WORDS: Record<ChamberKind, string> = {
  wedge: 'Wedge', bathtub: 'Bathtub', heart: 'Heart', pentRoof: 'Pent-roof', hemispherical: 'Hemispherical', open: 'Open', flat: 'Flat, bowl in the piston', turnedDome: 'Turned dome'
}

/** What a turned dome is like in section. */
export const DOME_WORDS: Record<DomeForm, string> = { sphere: 'Ball', torus: 'Groove round the plug', cone: 'Cone, rounded', flat: 'Flat, with a corner' }

/** Figures of a chamber's drawing, by the last word of their path. */
export const SPEC_WORDS: Record<string, { label: string, noun: string, dimension: 'length' | 'angle' }> = {
  x: { label: 'Along the crank', noun: 'its place along the crank', dimension: 'length' },
  y: { label: 'Across', noun: 'its place across the head', dimension: 'length' },
  towards: { label: 'Lies towards', noun: 'where the pad lies', dimension: 'angle' },
  chord: { label: 'From the centre', noun: 'the pad’s distance from the bore’s centre', dimension: 'length' },
  recess: { label: 'Recess', noun: 'the recess', dimension: 'length' },
  height: { label: 'Roof height', noun: 'the roof’s height', dimension: 'length' },
  slope: { label: 'Roof slope', noun: 'the roof’s slope', dimension: 'angle' },
  rises: { label: 'Rises towards', noun: 'where the roof rises to', dimension: 'angle' },
  radius: { label: 'Sphere radius', noun: 'the sphere’s radius', dimension: 'length' },
  band: { label: 'Band angle', noun: 'the band’s angle', dimension: 'angle' },
  domeRadius: { label: 'Dome radius', noun: 'the dome’s radius', dimension: 'length' },
  corner: { label: 'Corner radius', noun: 'the corner’s radius', dimension: 'length' },
  draft: { label: 'Wall draft', noun: 'the walls’ draft', dimension: 'angle' },
  floorRadius: { label: 'Floor radius', noun: 'the radius between wall and roof', dimension: 'length' },
  diameter: { label: 'Diameter', noun: 'the diameter', dimension: 'length' },
  tilt: { label: 'Tilt', noun: 'the tilt', dimension: 'angle' },
  leans: { label: 'Stem leans to', noun: 'where the stem leans to', dimension: 'angle' },
  seatHeight: { label: 'Seat, low edge', noun: 'the height of the seat’s low edge', dimension: 'length' },
  sunk: { label: 'Sunk by', noun: 'how far it is sunk', dimension: 'length' },
  seatWidth: { label: 'Seat width', noun: 'the seat’s width', dimension: 'length' },
  seatAngle: { label: 'Seat angle', noun: 'the seat’s angle', dimension: 'angle' },
  topCutWidth: { label: 'Top cut width', noun: 'the top cut’s width', dimension: 'length' },
  topCutAngle: { label: 'Top cut angle', noun: 'the top cut’s angle', dimension: 'angle' },
  throat: { label: 'Throat', noun: 'the throat', dimension: 'length' },
  stem: { label: 'Stem', noun: 'the stem', dimension: 'length' }
}

const wordOf = (path: string) => SPEC_WORDS[path.split('.').at(-1)!.replace(/\[.*$/, '')]

/** A fault of a chamber's drawing, as a builder would say it. */
export function sayFault({ path, kind, by }: SpecFault, lengths: LengthUnit = 'mm'): string {
  const word = wordOf(path)
  const noun = word?.noun ?? 'that point of the outline'
  const bounds = SPEC_BOUNDS[path.split('.').at(-1)!]
  const dimension = word?.dimension ?? 'length'
  const length = (value: number) => say(value, 'length', lengths, 1)
  switch (kind) {
    case 'notFinite': return `A number is needed for ${noun}.`
    case 'tooSmall': case 'tooLarge':
      if (path === 'roof.height' && kind === 'tooSmall') return 'A roof of no height leaves no chamber.'
      // A bound of the drawing's own is nearer than what may be said at all.
      return bounds && !(kind === 'tooLarge' && by !== undefined && by < bounds[1])
        ? `That can’t be right for ${noun}: it must lie between ${say(bounds[0], dimension, lengths, 1)} and ${say(bounds[1], dimension, lengths, 1)}.`
        : `That is more than there is room for: ${length(by ?? 0)}.`
    case 'fewPoints': return 'An outline takes 3 to 64 points.'
    case 'selfCrossing': return 'The outline crosses itself here: move the point back.'
    case 'throughWall': return `The valve’s edge stands ${length(by ?? 0)} outside the mouth: move the valve, or the wall.`
    case 'seatBelowFace': return `The seat’s low edge would lie ${length(by ?? 0)} under the face.`
    case 'zeroRoof': return 'A roof of no height leaves no chamber.'
    case 'valvesOverlap': return `The two valves overlap by ${length(by ?? 0)}.`
    case 'nothingLeft': return 'Nothing is left of the chamber like this.'
  }
}

/** What to check when a pour does not fit its drawing. */
export const SUSPECT_WORDS: Record<Suspect['dimension'], string> = {
  roof: 'the roof’s height', draft: 'the walls’ draft', floorRadius: 'the radius between wall and roof', outline: 'the outline on the face',
  intakeSeat: 'the intake seats’ height', exhaustSeat: 'the exhaust seats’ height'
}

/** Valves that do not go into a bore, and which of them is to blame. */
export function sayTooLarge({ valve, most, given }: ValvesTooLarge, bore: number, lengths: LengthUnit = 'mm'): string {
  const length = (value: number) => say(value, 'length', lengths)
  return valve === undefined || most === undefined
    ? `These valves do not go into a bore of ${length(bore)} side by side. Check the three diameters.`
    : `The ${valve} valve is too large at ${length(Number(given))}: beside the other one, ${length(most)} is the most that goes into a bore of ${length(bore)}. Check both diameters.`
}
