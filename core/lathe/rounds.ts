import { above, atLeast } from '../domain'

/** One-sided: one round in twenty goes past. */
const ONE_IN_TWENTY = 1.645

/** What is unsure about the next round. */
export interface Round {
  /** cc still to be opened to the middle of the target, and its standard uncertainty. */
  toOpen: number
  u: number
  /** cc past the middle that are still on target. */
  over: number
  /** How far what comes out may be off what was set, as a share (standard uncertainty), and the depth as set, mm. */
  share: number
  depth: number
  /** cc that a mm more of depth opens. */
  perMm: number
}

const doubt = ({ u, share, depth, perMm }: Round, cc: number) => Math.hypot(u, share * cc, depth * perMm)

/**
 * How much to open in the next round: to the middle of the target, but no more than leaves it inside in nineteen rounds of twenty.
 *
 * @param round see {@link Round}
 * @returns cc, 0 where the doubt alone is wider than the target
 * @throws RangeError when a figure is negative or not finite
 * Source: x + 1.645·√(u² + (s·x)² + (δ·dV/dh)²) ≤ toOpen + over, the normal distribution's one-sided 95 % (JCGM 100:2008, table G.1), by halving.
 * @example safeRound({ toOpen: 1, u: 0, over: 0, share: 0.1, depth: 0, perMm: 1.2 }) // 0.859: 1/(1 + 1.645·0.1)
 */
export function safeRound(round: Round): number {
  for (const name of ['toOpen', 'u', 'over', 'share', 'depth', 'perMm'] as const) atLeast(name, round[name], 0)
  const stays = (cc: number) => cc + ONE_IN_TWENTY * doubt(round, cc) <= round.toOpen + round.over
  if (stays(round.toOpen)) return round.toOpen
  if (!stays(0)) return 0
  let [low, high] = [0, round.toOpen]
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    if (stays(middle)) low = middle
    else high = middle
  }
  return low
}

/**
 * How many rounds of opening are likely until the target's middle is met as nearly as its band asks.
 *
 * @param round the next one
 * @param under cc short of the middle that are still on target, above 0
 * @param afresh standard uncertainty of what is left to open once it has been poured again, cc
 * @returns 1 or more, at most 6
 * @throws RangeError as {@link safeRound}
 * Source: round by round, what {@link safeRound} leaves over against the band; each round is poured afresh.
 * @example roundsLikely({ toOpen: 1, u: 0.03, over: 0.1, share: 0.1, depth: 0, perMm: 1.2 }, 0.1, 0.03) // 2
 */
export function roundsLikely(round: Round, under: number, afresh: number): number {
  above('under', under, 0)
  atLeast('afresh', afresh, 0)
  let left = round.toOpen
  for (let n = 1; n < 6; n++) {
    const now = { ...round, toOpen: left, u: n === 1 ? round.u : afresh }
    const cc = safeRound(now)
    if (left - cc + doubt(now, cc) <= under) return n
    left -= cc
  }
  return 6
}
