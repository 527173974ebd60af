import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure } from '../terms'

export const FLOW_PIPES = ['none', 'short', 'long'] as const
/** What stands before an inlet, or after an exhaust where no pipe does. */
export const FLOW_ENTRIES = ['none', 'clay', 'radius'] as const
/** Why a lift was not reached. */
export const FLOW_MISSES = ['retainer', 'coilBind', 'bench', 'other'] as const
export type FlowPipe = (typeof FLOW_PIPES)[number]
export type FlowEntry = (typeof FLOW_ENTRIES)[number]
export type FlowMiss = (typeof FLOW_MISSES)[number]

/** A lift in mm and its flow in L/s at the run's own depression, or why it was not reached. */
export interface FlowReading { lift: number, flow?: number, missed?: FlowMiss }

export interface FlowRunBody {
  /** What the builder calls it: “as received”. */
  name?: string
  bench: string
  /** Whose head it was, where it was not this build's own. */
  specimen?: string
  depression: Figure
  /** Bore of the fixture that the head stood on. */
  fixture?: Figure
  pipe: FlowPipe
  entry: FlowEntry
  manifold?: string
  /** Which valve was in, and its head's diameter where it was another than the engine's. */
  valve?: string
  across?: Figure
  temperature?: Figure
  /** Of the air in the room. */
  pressure?: Figure
  rows: FlowReading[]
  /** The head had not been taken off the bench since the run before it. */
  sameMounting?: true
  /** Hours of work since the run before it. */
  hours?: number
  /** Whose figures they are, where nobody here measured them: a seller's, a book's. */
  claimed?: string
}

/** What rows of a run may be: how many, the highest lift in mm, the largest flow in L/s. */
export const FLOW_ROWS = { most: 60, lift: 30, flow: 1000 } as const

/** One run on a flow bench: a port's flow by lift, with all that it depends on. */
export const flowRun = kind<FlowRunBody>()({
  example: () => ({
    name: 'as received', bench: 'Bench one', depression: { value: 6974.49, unit: 'inH2O', typed: '28' }, fixture: { value: 92, unit: 'mm', typed: '92' }, pipe: 'none', entry: 'radius',
    rows: [{ lift: 2, flow: 24.1 }, { lift: 4, flow: 46.8 }, { lift: 6, flow: 63.2 }, { lift: 8, missed: 'retainer' }]
  }),
  at: () => ({ station: 'flow', leaf: 'curves' }),
  role: 'reading', scopes: ['port'], changes: [],
  bounds: { depression: FIGURE_BOUNDS.depression, fixture: FIGURE_BOUNDS.fixtureBore, across: FIGURE_BOUNDS.seatOuter, temperature: FIGURE_BOUNDS.airTemperature, pressure: FIGURE_BOUNDS.airPressure }
})
