import type { Quantity } from '#core'

interface QuantityWords {
  /** As a label. */
  label: string
  /** In a sentence, with its article where it has one. */
  noun: string
  /** The usual range in core units, to tell a slip of units. */
  usual?: readonly [number, number]
}

/** How much is usually cut off a face or a deck at once, mm. */
export const USUAL_CUT = [0.02, 5] as const

/** What every quantity is called, in the trade's plain words. */
export const QUANTITY_WORDS: Record<Quantity, QuantityWords> = {
  intakeValve: { label: 'Intake valve, across', noun: 'the intake valve’s diameter', usual: [15, 70] },
  exhaustValve: { label: 'Exhaust valve, across', noun: 'the exhaust valve’s diameter', usual: [15, 65] },
  intakeThroatShare: { label: 'Intake throat wanted', noun: 'the intake throat’s share of its valve' },
  exhaustThroatShare: { label: 'Exhaust throat wanted', noun: 'the exhaust throat’s share of its valve' },
  intakeFlowCoefficient: { label: 'Flow coefficient, mean', noun: 'the mean flow coefficient over the opening' },
  intakeFloat: { label: 'Intake valves floated at', noun: 'the speed at which intake valves floated' },
  exhaustFloat: { label: 'Exhaust valves floated at', noun: 'the speed at which exhaust valves floated' },
  intakeMovingMass: { label: 'Moving mass, intake', noun: 'what moves with an intake valve' },
  exhaustMovingMass: { label: 'Moving mass, exhaust', noun: 'what moves with an exhaust valve' },
  headHeight: { label: 'Head height, new', noun: 'the head’s height when it was new', usual: [40, 250] },
  bore: { label: 'Bore', noun: 'the bore', usual: [30, 200] },
  stroke: { label: 'Stroke', noun: 'the stroke', usual: [25, 250] },
  rodLength: { label: 'Rod length', noun: 'the rod length', usual: [60, 400] },
  deckClearance: { label: 'Deck clearance', noun: 'the deck clearance', usual: [-2, 5] },
  crownVolume: { label: 'Crown, − dome', noun: 'the crown volume' },
  crownDiameter: { label: 'Crown diameter', noun: 'the crown diameter', usual: [29, 200] },
  topLandHeight: { label: 'Top land height', noun: 'the top land height', usual: [1, 25] },
  gasketThickness: { label: 'Gasket, fitted', noun: 'the gasket thickness', usual: [0.2, 4] },
  gasketBore: { label: 'Gasket bore', noun: 'the gasket bore', usual: [30, 210] },
  chamberVolume: { label: 'Chamber', noun: 'the chamber volume' },
  bookRatio: { label: 'Ratio by the book', noun: 'the ratio that the book states' },
  otherVolume: { label: 'Other volume', noun: 'the other volume' },
  mouthArea: { label: 'Mouth area', noun: 'the mouth area' },
  intakeTilt: { label: 'Intake valve tilt', noun: 'the intake valve’s tilt', usual: [0, 35] },
  exhaustTilt: { label: 'Exhaust valve tilt', noun: 'the exhaust valve’s tilt', usual: [0, 35] },
  intakeClearance: { label: 'Intake to piston', noun: 'the intake valve’s clearance to the piston', usual: [0.3, 20] },
  exhaustClearance: { label: 'Exhaust to piston', noun: 'the exhaust valve’s clearance to the piston', usual: [0.3, 20] },
  intakeSeatHeight: { label: 'Intake seat, low edge', noun: 'the height of the intake seat’s low edge' },
  exhaustSeatHeight: { label: 'Exhaust seat, low edge', noun: 'the height of the exhaust seat’s low edge' },
  intakeTopCutHeight: { label: 'Intake top cut, low edge', noun: 'the height of the intake top cut’s low edge' },
  exhaustTopCutHeight: { label: 'Exhaust top cut, low edge', noun: 'the height of the exhaust top cut’s low edge' },
  intakeSide: { label: 'Intake, to the pocket’s side', noun: 'the intake valve’s clearance to the side of its pocket' },
  exhaustSide: { label: 'Exhaust, to the pocket’s side', noun: 'the exhaust valve’s clearance to the side of its pocket' },
  valveToValve: { label: 'Valve to valve', noun: 'the clearance between the valves' },
  domeToChamber: { label: 'Dome to chamber', noun: 'the clearance between dome and chamber' },
  gasketArea: { label: 'Opening, area', noun: 'the area of the gasket’s opening' },
  gasketOutline: { label: 'Opening, outline', noun: 'the outline of the gasket’s opening', usual: [90, 800] },
  squishArea: { label: 'Squish area', noun: 'the squish area' },
  bandEdge: { label: 'Band’s inner edge, length', noun: 'the length of the band’s inner edge', usual: [20, 400] },
  bandAngle: { label: 'Band angle', noun: 'the angle of the squish band', usual: [0, 25] },
  squishRecess: { label: 'Squish recess', noun: 'the recess of the squish pad', usual: [-1, 6] },
  wantedSquish: { label: 'Squish wanted', noun: 'the squish that is wanted', usual: [0.4, 3] },
  pinOffset: { label: 'Pin offset', noun: 'the pin offset' },
  revs: { label: 'Highest revs', noun: 'the highest revs' },
  pistonMass: { label: 'Piston, pin and rings', noun: 'the weight of piston, pin and rings' },
  rodBeamMass: { label: 'Rod’s beam', noun: 'the weight of the rod’s beam' },
  rodSection: { label: 'Rod’s least section', noun: 'the rod’s least section' },
  bearingPlay: { label: 'Play of pin and bearings', noun: 'the play of pin and bearings', usual: [0.01, 0.4] },
  heatGrowth: { label: 'What heat closes', noun: 'what heat closes', usual: [-0.3, 0.8] },
  pushrodAngle: { label: 'Pushrod to the bore', noun: 'the pushrod’s angle to the bore', usual: [0, 25] },
  rockerRatio: { label: 'Rocker ratio', noun: 'the rocker ratio' },
  runAngle: { label: 'Tight run to the bore', noun: 'the tight run’s angle to the bore', usual: [0, 30] },
  chainPitch: { label: 'Pitch of chain or belt', noun: 'the pitch of chain or belt', usual: [5, 15] },
  camTeeth: { label: 'Teeth on the cam', noun: 'the number of teeth on the cam' },
  halfBankAngle: { label: 'Half the bank angle', noun: 'half the bank angle', usual: [20, 50] },
  flangeAngle: { label: 'Flange from level', noun: 'the flange’s angle from level', usual: [20, 70] },
  valleyGap: { label: 'Manifold to block', noun: 'the gap between the manifold’s ends and the block', usual: [0.5, 10] },
  boltSpare: { label: 'Thread under bolts', noun: 'the thread left below the bolts’ ends', usual: [0.5, 20] },
  dowelSpare: { label: 'Room over dowels', noun: 'the room over the dowels', usual: [0.3, 10] },
  boltSeat: { label: 'Bolt’s seat, across', noun: 'the width of a bolt’s seat', usual: [10, 40] },
  boreSpacing: { label: 'Bore spacing', noun: 'the bore spacing', usual: [30, 250] },
  intakeLift: { label: 'Intake lift, highest', noun: 'the intake valve’s highest lift', usual: [4, 18] },
  exhaustLift: { label: 'Exhaust lift, highest', noun: 'the exhaust valve’s highest lift', usual: [4, 18] },
  intakeDuration: { label: 'Intake open for', noun: 'how long the intake is open, in degrees of crank', usual: [180, 340] },
  exhaustDuration: { label: 'Exhaust open for', noun: 'how long the exhaust is open, in degrees of crank', usual: [140, 340] },
  intakeSunk: { label: 'Intake valve, sunk by', noun: 'how far the intake valve is sunk' },
  exhaustSunk: { label: 'Exhaust valve, sunk by', noun: 'how far the exhaust valve is sunk' },
  deckThickness: { label: 'Head’s deck, thickness', noun: 'the thickness of the head’s deck', usual: [5, 25] },
  leastDeckThickness: { label: 'Least the maker allows', noun: 'the least thickness of the deck', usual: [5, 25] },
  exhaustPortDeck: { label: 'Exhaust port, below deck', noun: 'the exhaust port’s top edge below the deck', usual: [8, 120] },
  plugRoom: { label: 'Plug’s thread left', noun: 'how much thread the plug leaves above the dome', usual: [0.3, 10] },
  leastBand: { label: 'Band at least', noun: 'the least width of the band', usual: [2, 20] },
  toolNose: { label: 'Tool’s nose radius', noun: 'the tool’s nose radius', usual: [0.2, 6] },
  exhaustPortTop: { label: 'Exhaust port shut, before top', noun: 'the piston’s travel from the shut exhaust port to the top', usual: [10, 120] }
}
