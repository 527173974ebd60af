import type { Quantity } from '#core'

interface QuantityWords {
  /** As a label. */
  label: string
  /** In a sentence, with its article where it has one. */
  noun: string
  /** The usual range in core units, to tell a slip of units. */
  usual?: readonly [number, number]
}

/** What every quantity is called, in the trade's plain words. */
export const QUANTITY_WORDS: Record<Quantity, QuantityWords> = {
  bore: { label: 'Bore', noun: 'the bore', usual: [30, 200] },
  stroke: { label: 'Stroke', noun: 'the stroke', usual: [25, 250] },
  rodLength: { label: 'Rod length', noun: 'the rod length', usual: [60, 400] },
  deckClearance: { label: 'Deck clearance', noun: 'the deck clearance' },
  crownVolume: { label: 'Crown, − dome', noun: 'the crown volume' },
  crownDiameter: { label: 'Crown diameter', noun: 'the crown diameter', usual: [29, 200] },
  topLandHeight: { label: 'Top land height', noun: 'the top land height', usual: [1, 25] },
  gasketThickness: { label: 'Gasket, fitted', noun: 'the gasket thickness', usual: [0.2, 4] },
  gasketBore: { label: 'Gasket bore', noun: 'the gasket bore', usual: [30, 210] },
  chamberVolume: { label: 'Chamber', noun: 'the chamber volume' },
  otherVolume: { label: 'Other volume', noun: 'the other volume' },
  mouthArea: { label: 'Mouth area', noun: 'the mouth area' },
  intakeTilt: { label: 'Intake valve tilt', noun: 'the intake valve’s tilt' },
  exhaustTilt: { label: 'Exhaust valve tilt', noun: 'the exhaust valve’s tilt' },
  intakeClearance: { label: 'Intake to piston', noun: 'the intake valve’s clearance to the piston', usual: [0.3, 20] },
  exhaustClearance: { label: 'Exhaust to piston', noun: 'the exhaust valve’s clearance to the piston', usual: [0.3, 20] },
  intakeSeatHeight: { label: 'Intake seat, low edge', noun: 'the height of the intake seat’s low edge' },
  exhaustSeatHeight: { label: 'Exhaust seat, low edge', noun: 'the height of the exhaust seat’s low edge' },
  intakeTopCutHeight: { label: 'Intake top cut, low edge', noun: 'the height of the intake top cut’s low edge' },
  exhaustTopCutHeight: { label: 'Exhaust top cut, low edge', noun: 'the height of the exhaust top cut’s low edge' }
}
