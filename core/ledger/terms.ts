/** What was typed, and what was understood by it: `value` in core units (mm, mm², cc, degrees). */
export interface Figure { value: number, unit: string, typed: string }

/**
 * A figure that no hand typed: as it was worked out, or to so many places as a plan states it.
 *
 * @example untyped(0.4567, 'mm', 2).value // 0.46
 */
export const untyped = (value: number, unit: Figure['unit'], places?: number): Figure => ({ value: places === undefined ? value : Number(value.toFixed(places)), unit, typed: '' })

export type Valve = 'intake' | 'exhaust'

/**
 * What an entry is about. A cylinder's own entry overrides its head's, that its bank's, that the build's. A valve or a port
 * is one of a cylinder's; `n` counts several of one kind from the front of the engine.
 */
export type Scope
  = | { level: 'build' }
    | { level: 'bank', bank: number }
    | { level: 'head', head: number }
    | { level: 'cylinder', cylinder: number }
    | { level: 'valve', cylinder: number, valve: Valve, n?: number }
    | { level: 'port', cylinder: number, port: Valve, n?: number }

/** Planned, then superseded by what was done or by dropping it. */
export type OperationState = 'planned' | 'done' | 'dropped'

/** A length read at a place: x along the crank, y across it, mm from the middle of what it is about. */
export interface SpotReading { x: number, y: number, figure: Figure }
