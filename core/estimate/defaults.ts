/**
 * Standard uncertainties (k = 1) taken where nobody states a better one. Every figure that rests on one of these
 * says so in its slip.
 */
export const DEFAULT_U = {
  /** Lengths in mm, as measured with the usual shop tool. */
  bore: 0.01,
  stroke: 0.05,
  rodLength: 0.1,
  /** Depth gauge or dial gauge reading. */
  depth: 0.02,
  /** As measured; a catalogue figure is taken at twice this, 0.03 and 0.2 mm. */
  gasketThickness: 0.015,
  gasketBore: 0.1,
  crownDiameter: 0.02,
  topLandHeight: 0.2,
  angle: 0.5,
  /** Depth of a face cut when it is measured afterwards, and when only the machine's dial was read. */
  cutMeasured: 0.02,
  cutDialled: 0.05,
  /** Clearances and heights near the valves, mm. */
  valveHeight: 0.05,
  /** A flattened solder, read by calliper; a dial over the crown is a depth reading. */
  solder: 0.02,
  /** Length of a gasket's or a band's outline, by string or by drawing. */
  outline: 1,
  /** kg, by a kitchen scale. */
  mass: 0.005,
  /** Play in bearings and what heat closes, mm. */
  play: 0.01,
  /** Volumes stated for a plate's hole or a recess, cc. */
  statedOff: 0.03,
  /** Scatter of one pour (bubble, grease, end point) with an instrument of which nobody said it, cc. */
  repeatability: 0.08,
  /** A crown or other volume somebody measured without telling how, cc. */
  measuredVolume: 0.2,
  /** A book chamber: real ones are routinely several cc away. */
  bookChamber: 2,
  assumedChamber: 4,
  /** Volume a relief or seat work adds, where its author gives no doubt: this share of it, and never less than the floor. */
  addedRelative: 0.15,
  addedFloor: 0.15,
  /** Depth as a lathe's dial is set, mm. */
  latheDepth: 0.03,
  /** A drawn line followed with a burr, relative to the volume drawn. */
  drawnRelative: 0.1
} as const

/** Relative u of a mouth area: traced or planimetered, from a drawing, or guessed from the bore. */
export const MOUTH_AREA_RELATIVE_U = { measured: 0.01, book: 0.02, assumed: 0.1 } as const

/**
 * Share of a predicted cut that a model's drawn walls may be out by: of the cut itself, the more the deeper it goes (a share
 * a mm), and of how far its pour stretched it. Upright walls (a bathtub's, a heart's) are drawn as well as their mouth is traced.
 */
export const MODEL_RELATIVE_U = { leaning: { share: 0.02, perMm: 0.01 }, upright: { share: 0.012, perMm: 0.004 }, calibration: 0.05 } as const

/** How many times the measured u a length is unsure by when it is a book figure or only assumed. */
export const BASIS_FACTOR = { measured: 1, book: 2, assumed: 5 } as const

/**
 * How much of its open area a chamber loses with each mm its face goes up into it, 1/mm, where neither a drawing nor its
 * kind tells it: taken as upright, for a cut that stops short can go on; `drawnU` of what a drawing's solid lost to a cut.
 */
export const WALL_SLOPE = { value: 0, u: 0.02, drawnU: 0.01 } as const

/**
 * What grinding may do to the mouth of a chamber that nobody drew. Metal comes out between the face and the seats, over a wall about
 * `ofBore` of the bore tall: all of it at the face would widen the mouth by cc/wall, metal out of the roof not at all. The mouth is
 * taken as it was measured, and anything between the two is as likely: 1/√3 of the whole.
 */
export const GROUND_WALL = { ofBore: 0.1, u: 0.577 } as const

/** The same by kind: upright walls narrow it by their draft alone, a roof that comes down to the face by far more. */
export const WALL_SLOPE_OF = {
  bathtub: { value: 0.01, u: 0.007 },
  heart: { value: 0.01, u: 0.007 },
  wedge: { value: 0.03, u: 0.015 },
  pentRoof: { value: 0.025, u: 0.015 },
  hemispherical: { value: 0.042, u: 0.012 },
  open: { value: 0.05, u: 0.04 },
  flat: { value: 0, u: 0.003 },
  turnedDome: { value: 0.02, u: 0.02 }
} as const

/**
 * What stands in for a dimension nobody has stated, and its u. `ofBore` values are multiplied by the bore.
 * Bore, stroke and chamber have no stand-in: without them there is no ratio.
 */
export const STAND_IN = {
  deckClearance: { value: 0.3, u: 0.3 },
  crownVolume: { value: 0, u: 1.5 },
  crownDiameter: { ofBore: 0.993, u: 0.15 },
  topLandHeight: { ofBore: 0.075, u: 1.5 },
  gasketThickness: { value: 1.2, u: 0.25 },
  gasketBore: { ofBore: 1.02, u: 0.8 },
  boreSpacing: { ofBore: 1.12, u: 4 },
  /** Oil clearances go with the size of what they are in. */
  bearingPlay: { ofBore: 0.00098, relativeU: 0.33 },
  /** Weights and sections go with the bore's cube and square; their doubt is a share. */
  pistonMass: { ofBoreCube: 7.96e-7, relativeU: 0.25 },
  rodBeamMass: { ofBoreCube: 3.21e-7, relativeU: 0.3 },
  rodSection: { ofBoreSquare: 0.0177, relativeU: 0.3 }
} as const

/**
 * A rod's usual section and weight against a steel one's for the same engine: the lighter metals are made thicker, and weigh
 * by their density (2.8 and 4.43 against 7.85 g/cc).
 */
export const ROD_STAND_IN = {
  steel: { rodSection: 1, rodBeamMass: 1 },
  aluminium: { rodSection: 1.75, rodBeamMass: 0.62 },
  titanium: { rodSection: 1.1, rodBeamMass: 0.62 }
} as const

/** Sizes that stand in where heat is worked out and nobody stated them: rod length by the stroke, gudgeon pin to crown by the bore. */
export const HEAT_STAND_IN = { rodOfStroke: 1.75, compressionOfBore: 0.4 } as const

/** Mouth of a chamber as a share of the bore circle, where nobody has stated it and nobody said of what kind it is. */
export const STAND_IN_MOUTH_SHARE = { value: 0.8, relativeU: 0.15 } as const

/** The same for a chamber of a known kind, each with its own spread: bathtubs and wedges leave squish beside them, a hemisphere hardly any. */
export const MOUTH_SHARE_OF = {
  bathtub: { value: 0.62, relativeU: 0.1 },
  wedge: { value: 0.7, relativeU: 0.08 },
  heart: { value: 0.66, relativeU: 0.1 },
  open: { value: 0.98, relativeU: 0.04 },
  // Anything from the valves' own recesses to a shallow one over the whole bore.
  flat: { value: 0.66, relativeU: 0.27 },
  pentRoof: { value: 0.88, relativeU: 0.05 },
  hemispherical: { value: 0.97, relativeU: 0.03 },
  turnedDome: { value: 1, relativeU: 0.02 }
} as const
