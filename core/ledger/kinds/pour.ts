import type { Fill, Instrument } from '../../pour'
import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure, Valve } from '../terms'

/** What a pour can fill. A container is anything else: it stands in the ledger and in no stack. */
export const ENCLOSED = ['chamber', 'assembled', 'crown', 'intakePort', 'exhaustPort', 'container'] as const
export type Enclosed = (typeof ENCLOSED)[number]
/** Whose port is filled; nothing where it is no port. */
export const portOf = (encloses: Enclosed): Valve | undefined => encloses === 'intakePort' ? 'intake' : encloses === 'exhaustPort' ? 'exhaust' : undefined

export interface PourBody {
  encloses: Enclosed
  /** Ports: which of several of a cylinder, from the front; the first if not given. */
  n?: number
  fills: Fill[]
  typed: string
  instrument: Instrument & { name: string }
  /** Assembled and crown pours: whether the liquid reached the top ring (and so the crevice). Ring if not given. */
  sealed?: 'ring' | 'crown'
  /** Assembled pours: the plug hole's column above the chamber, taken off. */
  plugColumn?: Figure
  /** Crown pours: how far down the bore the flat stands that the deck clearance is measured to. */
  depth?: Figure
  /** The plate's hole, where it was filled too; taken off. */
  plateHole?: Figure
  /** A recess of known size that was filled and does not belong to what is measured; taken off. */
  knownRelief?: Figure
  /** Temperature of the glass, °C, for the scale's own expansion. */
  scaleTemperature?: Figure
  /** How much warmer the liquid was in the head than in the glass, K, and its expansion per kelvin. */
  warmer?: Figure
  liquidExpansion?: number
  /** The leak watch: how long it lasted and where the scale stood once topped up again. */
  watch?: { seconds: number, reading: number }
  /** Containers: what it is. */
  vessel?: string
  /** Ports, crowns and containers: it was worked on since the pour before, so that this one starts afresh. */
  afterWork?: boolean
}

/** A volume by liquid, with everything that was read off the glass. */
export const pour = kind<PourBody>()({
  example: () => ({
    encloses: 'chamber', fills: [{ start: 0, end: 51.3 }], typed: '51.3',
    instrument: { id: 'b3a1c1de-9c1f-4a7e-8f36-5d1b2a7c4e90', name: 'Long burette', kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1, scale: 'deliver', film: 0, repeatability: 0.08 }
  }),
  at: ({ encloses }) => ({ station: 'pour', fill: encloses }),
  role: 'reading', scopes: ['cylinder', 'build'], changes: ['chamber', 'crown'],
  bounds: {
    plugColumn: FIGURE_BOUNDS.plugColumn, depth: FIGURE_BOUNDS.crownDepth, plateHole: FIGURE_BOUNDS.plateHole, knownRelief: FIGURE_BOUNDS.knownRelief,
    scaleTemperature: FIGURE_BOUNDS.scaleTemperature, warmer: FIGURE_BOUNDS.warmer
  }
})
