/**
 * What the demo's engines truly are. The seeded readings scatter about it, and the simulated bench reads it; nothing
 * that reckons may look here.
 */
interface HiddenTruth {
  chambers: number[]
  /** Deck clearance over the bore's centre, by cylinder. */
  decks: number[]
  /** mm per mm across the crank: the pistons rock on their pins. */
  rock: number
  /** Solder over stack: gasket not quite crushed. */
  squishMore: number
  gasket: number
  crown: number
  port?: { intake: number[], exhaust: number[] }
  pistonMass: number
}

const launch: HiddenTruth = {
  chambers: [55.3, 54.6, 55.7, 56.2, 55.0, 54.9], decks: [0.34, 0.32, 0.38, 0.36, 0.42, 0.30], rock: 0.0009, squishMore: 0.02, gasket: 1.2,
  crown: 3.0, pistonMass: 618,
  port: { intake: [168.2, 171.0, 168.6, 170.7, 168.4, 171.1], exhaust: [92.1, 92.4, 91.9, 92.2, 93.6, 92.0] }
}

export const TRUTHS: Record<string, HiddenTruth> = {
  'Brackwater 34': launch,
  'Millrace test six': { ...launch, chambers: [51.0, 51.1, 51.0, 51.1, 51.1, 51.1], decks: [0.35, 0.37, 0.33, 0.36, 0.39, 0.34], gasket: 0.9 },
  'Hollin 16': { chambers: [42.0, 42.0, 42.0, 42.0], decks: [0.2, 0.2, 0.2, 0.2], rock: 0.0006, squishMore: 0, gasket: 1, crown: 10, pistonMass: 402,
    port: { intake: [118.4, 118.9, 118.6, 118.3], exhaust: [71.2, 71.0, 71.5, 71.1] } },
  'Skerry 247': { chambers: [26.27], decks: [0.55], rock: 0.0005, squishMore: 0, gasket: 0.3, crown: 0, pistonMass: 246 },
  'Caldbeck Twin': { chambers: [66.0, 66.0], decks: [0.6, 0.6], rock: 0.0008, squishMore: 0, gasket: 1, crown: -22.5, pistonMass: 431 }
}

const BORE: Record<string, number> = { 'Skerry 247': 68, 'Caldbeck Twin': 84, 'Hollin 16': 85.5 }
/** How far down a crown stands for its pour, mm. */
export const CROWN_DEPTH = 15

/** The true value of what a gauge is held to in a build of that name, or nothing where the demo has no such thing. cc, mm or g. */
export function truthOf({ build, cylinder, what, x, y }: { build: string, cylinder: number, what: string, x: number, y: number }): number | undefined {
  const truth = TRUTHS[build]
  const deck = truth?.decks[cylinder - 1]
  if (!truth || deck === undefined) return undefined
  const bore = BORE[build] ?? 92
  switch (what) {
    case 'chamber': case 'assembled': return truth.chambers[cylinder - 1]
    case 'crown': return Math.PI / 4 * bore ** 2 * CROWN_DEPTH / 1000 + truth.crown
    case 'intakePort': return truth.port?.intake[cylinder - 1]
    case 'exhaustPort': return truth.port?.exhaust[cylinder - 1]
    case 'deck': return deck + truth.rock * y
    case 'solder': return (build === 'Skerry 247' ? 1.95 * Math.cos(10 * Math.PI / 180) : deck + truth.gasket + truth.squishMore) + truth.rock * y + 0.0002 * x
    case 'crownDepth': return CROWN_DEPTH
    case 'mass': return truth.pistonMass
    case 'container': return 50
    default: return undefined
  }
}
