import { DEFAULT_U } from '../estimate'

export type Dimension = 'length' | 'area' | 'volume' | 'angle' | 'ratio' | 'mass' | 'speed' | 'temperature' | 'warming' | 'roughness' | 'force' | 'rate' | 'flow' | 'depression' | 'pressure' | 'power' | 'share'

export interface QuantityRule {
  dimension: Dimension
  /** Bounds outside which a figure is a slip of the hand, in core units. */
  min: number
  max: number
  /** Standard uncertainty of a measured figure; area quantities take theirs from a relative table. */
  u?: number
  /** Volumes whose measured form is a pour can only be a book figure or an assumption here. */
  measurable?: false
  /** A figure that somebody wants, and nobody measures. */
  wanted?: true
}

/** Every dimension and volume a builder can state about a build, with the bounds it must lie in. */
export const QUANTITIES = {
  bore: { dimension: 'length', min: 20, max: 300, u: DEFAULT_U.bore },
  stroke: { dimension: 'length', min: 15, max: 400, u: DEFAULT_U.stroke },
  rodLength: { dimension: 'length', min: 30, max: 800, u: DEFAULT_U.rodLength },
  deckClearance: { dimension: 'length', min: -10, max: 20, u: DEFAULT_U.depth },
  crownVolume: { dimension: 'volume', min: -200, max: 200, u: DEFAULT_U.measuredVolume },
  crownDiameter: { dimension: 'length', min: 15, max: 300, u: DEFAULT_U.crownDiameter },
  topLandHeight: { dimension: 'length', min: 0, max: 40, u: DEFAULT_U.topLandHeight },
  /** 0 for a head that is sealed without one. */
  gasketThickness: { dimension: 'length', min: 0, max: 10, u: DEFAULT_U.gasketThickness },
  gasketBore: { dimension: 'length', min: 20, max: 320, u: DEFAULT_U.gasketBore },
  chamberVolume: { dimension: 'volume', min: 0.5, max: 1500, measurable: false },
  /** What a maker or seller states: held against what was measured, and reckoned with nowhere. */
  bookRatio: { dimension: 'ratio', min: 1.5, max: 30, u: 0, measurable: false },
  otherVolume: { dimension: 'volume', min: -50, max: 200, u: DEFAULT_U.measuredVolume },
  mouthArea: { dimension: 'area', min: 100, max: 80000 },
  intakeTilt: { dimension: 'angle', min: 0, max: 60, u: DEFAULT_U.angle },
  exhaustTilt: { dimension: 'angle', min: 0, max: 60, u: DEFAULT_U.angle },
  intakeClearance: { dimension: 'length', min: -5, max: 40, u: DEFAULT_U.valveHeight },
  exhaustClearance: { dimension: 'length', min: -5, max: 40, u: DEFAULT_U.valveHeight },
  intakeSeatHeight: { dimension: 'length', min: -5, max: 60, u: DEFAULT_U.valveHeight },
  exhaustSeatHeight: { dimension: 'length', min: -5, max: 60, u: DEFAULT_U.valveHeight },
  intakeTopCutHeight: { dimension: 'length', min: -5, max: 60, u: DEFAULT_U.valveHeight },
  exhaustTopCutHeight: { dimension: 'length', min: -5, max: 60, u: DEFAULT_U.valveHeight },
  intakeSide: { dimension: 'length', min: -5, max: 20, u: DEFAULT_U.valveHeight },
  exhaustSide: { dimension: 'length', min: -5, max: 20, u: DEFAULT_U.valveHeight },
  valveToValve: { dimension: 'length', min: -5, max: 40, u: DEFAULT_U.valveHeight },
  domeToChamber: { dimension: 'length', min: -5, max: 40, u: DEFAULT_U.valveHeight },
  gasketArea: { dimension: 'area', min: 100, max: 80000 },
  gasketOutline: { dimension: 'length', min: 40, max: 2000, u: DEFAULT_U.outline },
  squishArea: { dimension: 'area', min: 10, max: 60000 },
  bandEdge: { dimension: 'length', min: 1, max: 2000, u: DEFAULT_U.outline },
  bandAngle: { dimension: 'angle', min: 0, max: 60, u: DEFAULT_U.angle },
  squishRecess: { dimension: 'length', min: -5, max: 40, u: DEFAULT_U.depth },
  wantedSquish: { dimension: 'length', min: 0.1, max: 8, u: 0, wanted: true },
  pinOffset: { dimension: 'length', min: -6, max: 6, u: 0.05 },
  revs: { dimension: 'speed', min: 200, max: 30000, u: 0, wanted: true },
  pistonMass: { dimension: 'mass', min: 0.02, max: 10, u: DEFAULT_U.mass },
  rodBeamMass: { dimension: 'mass', min: 0.01, max: 10, u: DEFAULT_U.mass },
  rodSection: { dimension: 'area', min: 10, max: 3000 },
  bearingPlay: { dimension: 'length', min: 0, max: 0.8, u: DEFAULT_U.play },
  heatGrowth: { dimension: 'length', min: -0.5, max: 1.5, u: DEFAULT_U.play },
  pushrodAngle: { dimension: 'angle', min: 0, max: 45, u: DEFAULT_U.angle },
  rockerRatio: { dimension: 'ratio', min: 0.5, max: 3, u: 0.01 },
  runAngle: { dimension: 'angle', min: 0, max: 60, u: DEFAULT_U.angle },
  chainPitch: { dimension: 'length', min: 2, max: 40, u: 0 },
  camTeeth: { dimension: 'ratio', min: 8, max: 120, u: 0 },
  halfBankAngle: { dimension: 'angle', min: 5, max: 80, u: 0 },
  flangeAngle: { dimension: 'angle', min: 1, max: 179, u: DEFAULT_U.angle },
  valleyGap: { dimension: 'length', min: 0, max: 40, u: 0.1 },
  boltSpare: { dimension: 'length', min: 0, max: 60, u: 0.1 },
  dowelSpare: { dimension: 'length', min: 0, max: 40, u: 0.1 },
  boltSeat: { dimension: 'length', min: 4, max: 80, u: 0.1 },
  boreSpacing: { dimension: 'length', min: 20, max: 400, u: 0.1 },
  intakeLift: { dimension: 'length', min: 1, max: 30, u: 0.1 },
  exhaustLift: { dimension: 'length', min: 1, max: 30, u: 0.1 },
  intakeDuration: { dimension: 'angle', min: 90, max: 400, u: 2 },
  exhaustDuration: { dimension: 'angle', min: 90, max: 400, u: 2 },
  intakeSunk: { dimension: 'length', min: 0, max: 6, u: DEFAULT_U.valveHeight },
  exhaustSunk: { dimension: 'length', min: 0, max: 6, u: DEFAULT_U.valveHeight },
  deckThickness: { dimension: 'length', min: 1, max: 60, u: 0.2 },
  leastDeckThickness: { dimension: 'length', min: 1, max: 60, u: 0 },
  headHeight: { dimension: 'length', min: 10, max: 400, u: DEFAULT_U.depth },
  exhaustPortDeck: { dimension: 'length', min: 1, max: 400, u: 0.1 },
  plugRoom: { dimension: 'length', min: 0, max: 30, u: 0.1 },
  leastBand: { dimension: 'length', min: 0, max: 60, u: 0, wanted: true },
  toolNose: { dimension: 'length', min: 0.05, max: 20, u: 0, wanted: true },
  intakeValve: { dimension: 'length', min: 8, max: 100, u: DEFAULT_U.crownDiameter },
  exhaustValve: { dimension: 'length', min: 8, max: 100, u: DEFAULT_U.crownDiameter },
  intakeThroatShare: { dimension: 'share', min: 0.6, max: 0.98, u: 0, wanted: true },
  exhaustThroatShare: { dimension: 'share', min: 0.6, max: 0.98, u: 0, wanted: true },
  intakeMovingMass: { dimension: 'mass', min: 0.005, max: 3, u: DEFAULT_U.mass },
  exhaustMovingMass: { dimension: 'mass', min: 0.005, max: 3, u: DEFAULT_U.mass },
  /** Engine speed at which valves were heard or seen to leave their cam. */
  intakeFloat: { dimension: 'speed', min: 500, max: 30000, u: 100 },
  exhaustFloat: { dimension: 'speed', min: 500, max: 30000, u: 100 },
  /** Mean over the opening, on the area of the valve's head. */
  intakeFlowCoefficient: { dimension: 'ratio', min: 0.1, max: 0.8, u: 0.02 },
  exhaustPortTop: { dimension: 'length', min: 1, max: 400, u: DEFAULT_U.stroke }
} as const satisfies Record<string, QuantityRule>

export type Quantity = keyof typeof QUANTITIES

/** Clearances that are less once the head and the piston come nearer to each other. */
export const TO_THE_PISTON = ['intakeClearance', 'exhaustClearance', 'intakeSide', 'exhaustSide', 'domeToChamber'] as const satisfies readonly Quantity[]

/** The parts of a clearance volume, in the order they are stacked from the roof down. */
export const PARTS = ['chamber', 'gasket', 'deck', 'crown', 'crevice', 'other'] as const
export type PartName = (typeof PARTS)[number]

/** Bounds of the figures that are not quantities of a build: targets, cuts, added volumes. */
export const FIGURE_BOUNDS = {
  ratio: { dimension: 'ratio', min: 1.5, max: 30 },
  bankAngle: { dimension: 'angle', min: 10, max: 160 },
  ratioTolerance: { dimension: 'ratio', min: 0.005, max: 3 },
  cutDepth: { dimension: 'length', min: 0.001, max: 12 },
  /** At the bore line, of a cut that is laid over: it may begin beside it. */
  laidDepth: { dimension: 'length', min: -5, max: 12 },
  addedVolume: { dimension: 'volume', min: -20, max: 100 },
  crownChange: { dimension: 'volume', min: -60, max: 60 },
  addedDoubt: { dimension: 'volume', min: 0, max: 20 },
  plugColumn: { dimension: 'volume', min: 0, max: 20 },
  plateHole: { dimension: 'volume', min: 0, max: 5 },
  knownRelief: { dimension: 'volume', min: -50, max: 50 },
  crownDepth: { dimension: 'length', min: 0, max: 200 },
  scaleTemperature: { dimension: 'temperature', min: -10, max: 60 },
  warmer: { dimension: 'warming', min: -60, max: 60 },
  solder: { dimension: 'length', min: 0.02, max: 12 },
  spacer: { dimension: 'length', min: -5, max: 10 },
  pistonRise: { dimension: 'length', min: -10, max: 10 },
  pockets: { dimension: 'length', min: 0, max: 10 },
  deckReading: { dimension: 'length', min: -10, max: 20 },
  dialDrop: { dimension: 'length', min: 0.05, max: 150 },
  wheel: { dimension: 'angle', min: -360, max: 720 },
  sunk: { dimension: 'length', min: 0, max: 6 },
  roughness: { dimension: 'roughness', min: 0.02, max: 25 },
  throat: { dimension: 'length', min: 6, max: 95 },
  portAmount: { dimension: 'length', min: 0.02, max: 15 },
  portAdds: { dimension: 'volume', min: 0.01, max: 50 },
  mouldLean: { dimension: 'angle', min: 0, max: 80 },
  mouldShort: { dimension: 'length', min: 0, max: 50 },
  mouldStep: { dimension: 'length', min: 0, max: 10 },
  seatOuter: { dimension: 'length', min: 8, max: 100 },
  runOut: { dimension: 'length', min: 0, max: 1 },
  guide: { dimension: 'length', min: 0, max: 1 },
  margin: { dimension: 'length', min: 0, max: 8 },
  backCut: { dimension: 'angle', min: 5, max: 60 },
  tip: { dimension: 'length', min: 5, max: 200 },
  springRate: { dimension: 'rate', min: 1, max: 500 },
  springLoad: { dimension: 'force', min: 0, max: 20_000 },
  springLength: { dimension: 'length', min: 5, max: 150 },
  retainerToSeal: { dimension: 'length', min: 0, max: 60 },
  depression: { dimension: 'depression', min: 100, max: 20_000 },
  fixtureBore: { dimension: 'length', min: 20, max: 320 },
  airTemperature: { dimension: 'temperature', min: -20, max: 60 },
  airPressure: { dimension: 'pressure', min: 600, max: 1100 },
  ridgeHeight: { dimension: 'length', min: 0.05, max: 10 },
  ridgeWidth: { dimension: 'length', min: 0.05, max: 15 },
  ridgeAcross: { dimension: 'length', min: 5, max: 150 },
  ridgeArc: { dimension: 'angle', min: 5, max: 360 }
} as const satisfies Record<string, QuantityRule>

/**
 * @returns the rule of a quantity, with every optional member visible to the type checker.
 *
 * @example quantityRule('camTeeth').max // 120
 */
export function quantityRule(quantity: Quantity): QuantityRule {
  return QUANTITIES[quantity]
}
