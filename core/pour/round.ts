/**
 * The cylinder a round of pours goes on to: the next in order that has fewer pours than the one just poured. A whole round
 * begins again at the next that has as many, so that what is poured in order twice goes where it was poured.
 *
 * @param pours how many pours count for each cylinder now, in order
 * @param cylinder the one just poured
 * @returns undefined where every other has more: this one is behind them
 * @example nextOfRound(new Map([[1, 1], [2, 0], [3, 0]]), 1) // 2
 * @example nextOfRound(new Map([[1, 1], [2, 1], [3, 1]]), 3) // 1
 */
export function nextOfRound(pours: ReadonlyMap<number, number>, cylinder: number): number | undefined {
  const order = [...pours.keys()]
  const at = order.indexOf(cylinder)
  const mine = pours.get(cylinder) ?? 0
  const others = [...order.slice(at + 1), ...order.slice(0, at)]
  return others.find(c => pours.get(c)! < mine) ?? others.find(c => pours.get(c) === mine)
}

/**
 * How many rounds are whole: as many pours as every cylinder has, where all have as many.
 *
 * @returns undefined in the middle of a round
 * @example wholeRounds(new Map([[1, 2], [2, 2]])) // 2
 */
export function wholeRounds(pours: ReadonlyMap<number, number>): number | undefined {
  const [n, ...other] = new Set(pours.values())
  return other.length === 0 ? n : undefined
}

/**
 * A reading beyond the glass as fills that it can hold: full ones, and what is left over.
 *
 * @param volume cc, what was typed as one fill
 * @param capacity of the glass, cc
 * @returns undefined where one fill holds it, or where more than five would be needed: that is a slip
 * @example fillsFor(170.4, 100) // [100, 70.4]
 */
export function fillsFor(volume: number, capacity: number): number[] | undefined {
  if (!(capacity > 0) || volume <= capacity || volume > 5 * capacity) return undefined
  const whole = Math.ceil(volume / capacity) - 1
  // The rest as it was typed: a difference of two decimal numbers has a tail of its own.
  return [...Array.from({ length: whole }, () => capacity), Number((volume - whole * capacity).toFixed(6))]
}
