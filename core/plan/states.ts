import type { OperationEntry } from '../ledger'
import { chamberModel, clearanceSteps, cylinderState, squishStanding, valveStandings, type ChamberModel, type ClearanceStep, type CylinderState, type Replay, type SquishStanding, type ValveStanding } from '../standing'
import { movesOf, type Moves } from './moves'

/** What follows at one cylinder from operations alone, no shape asked; each part reckoned when it is first read. */
export interface After {
  readonly state: CylinderState
  readonly squish: SquishStanding
  readonly valves: ValveStanding[]
  readonly clearances: ClearanceStep[]
  readonly moves: Moves
  readonly model: ChamberModel | undefined
}

/** A standing never changes: what follows from its own planned operations is reckoned once, whoever asks. */
const known = new WeakMap<Replay, Map<string, After>>()

function reckoned({ ledger, lessons, asIs }: Replay, cylinder: number, operations: OperationEntry[]): After {
  const parts: { -readonly [K in keyof After]?: After[K] } = {}
  return {
    get state() { return parts.state ??= (operations.length === 0 && asIs.find(now => now.cylinder === cylinder)) || cylinderState(ledger, lessons, cylinder, operations) },
    get squish() { return parts.squish ??= squishStanding(ledger, cylinder, operations) },
    get valves() { return parts.valves ??= valveStandings(ledger, cylinder, operations) },
    get clearances() { return parts.clearances ??= clearanceSteps(ledger, cylinder, operations) },
    get moves() { return parts.moves ??= movesOf(ledger, cylinder, operations) },
    get model() { return parts.model ??= chamberModel(ledger, cylinder, operations.filter(op => op.kind !== 'faceCut')) }
  }
}

/**
 * What follows at one cylinder from operations.
 *
 * @param standing what replay gives
 * @param cylinder its number
 * @param operations in order
 * @returns see {@link After}
 * Source: each figure by its own function in core/standing.
 */
export function after(standing: Replay, cylinder: number, operations: OperationEntry[]): After {
  const own = new Set(standing.planned)
  if (!operations.every(op => own.has(op))) return reckoned(standing, cylinder, operations)
  const ofStanding = known.get(standing) ?? new Map<string, After>()
  known.set(standing, ofStanding)
  const key = [cylinder, ...operations.map(op => op.id)].join()
  const found = ofStanding.get(key) ?? reckoned(standing, cylinder, operations)
  ofStanding.set(key, found)
  return found
}
