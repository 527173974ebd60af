/** What ports of the demo truly flow, L/s at 28 inH₂O. Runs scatter about it, and the simulated bench reads it; nothing that reckons may look here. */

/** A port by its valve's diameter (mm), and how well it flows with its valve wide open: a share of the usual. */
export interface HiddenPort { diameter: number, good: number }

/** Lifts that the demo's bench steps through, mm. */
export const BENCH_LIFTS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10] as const

/** The demo's bench, as makers say of theirs; its errors are relative. */
export const DEMO_BENCH = { name: 'Long bench', mounting: 0.006, reading: 0.005 } as const

/** True flow at a lift: it rises with the curtain, then the port holds it back. */
export function flowTruth({ diameter, good }: HiddenPort, lift: number): number {
  return good * 0.052 * diameter ** 2 * Math.tanh(lift / (0.27 * diameter))
}

const PORTS: Record<string, Partial<Record<'intake' | 'exhaust', HiddenPort>>> = {
  'Caldbeck Twin': { intake: { diameter: 42, good: 1.06 }, exhaust: { diameter: 36, good: 1.02 } },
  'Hollin 16': { intake: { diameter: 33, good: 1.05 }, exhaust: { diameter: 28.5, good: 1 } }
}
const USUAL: Record<'intake' | 'exhaust', HiddenPort> = { intake: { diameter: 44.5, good: 1 }, exhaust: { diameter: 37, good: 1 } }

/** A port of the demo as it stands on the bench. */
export const hiddenPort = (build: string, valve: 'intake' | 'exhaust'): HiddenPort => PORTS[build]?.[valve] ?? USUAL[valve]
