/**
 * An argument outside its domain. It names the argument, the value that was given and the bound it broke,
 * so that whoever calls can say what is wrong without parsing a sentence.
 */
export class DomainError extends RangeError {
  readonly argument: string
  readonly given: unknown
  readonly bound: string

  constructor(argument: string, given: unknown, bound: string) {
    super(`${argument} is ${String(given)}: it must be ${bound}`)
    this.name = 'DomainError'
    this.argument = argument
    this.given = given
    this.bound = bound
  }
}

/** In mm, or in cc, no more than this is what arithmetic leaves of nothing. */
const NOTHING = 1e-9

/**
 * What one figure is over another, without what arithmetic leaves of nothing.
 *
 * @returns a − b; 0 where they are the same
 * @example differ(2.3 - 0.3, 2) // 0, where 2.3 − 0.3 − 2 is −2.2e-16: a clearance that is just the minimum is none under it
 */
export function differ(a: number, b: number): number {
  const difference = a - b
  return Math.abs(difference) < NOTHING ? 0 : difference
}

/** Returns `value` when it is a finite number, otherwise throws a {@link DomainError}. */
export function finite(argument: string, value: number): number {
  if (typeof value !== 'number' || !Number.isFinite(value)) throw new DomainError(argument, value, 'a finite number')
  return value
}

/** Returns `value` when it is finite and above `bound`, otherwise throws a {@link DomainError}. */
export function above(argument: string, value: number, bound: number): number {
  if (!(finite(argument, value) > bound)) throw new DomainError(argument, value, `greater than ${bound}`)
  return value
}

/** Returns `value` when it is finite and `bound` or more, otherwise throws a {@link DomainError}. */
export function atLeast(argument: string, value: number, bound: number): number {
  if (!(finite(argument, value) >= bound)) throw new DomainError(argument, value, `${bound} or more`)
  return value
}

/** Returns `value` when it is finite and `bound` or less, otherwise throws a {@link DomainError}. */
export function atMost(argument: string, value: number, bound: number): number {
  if (!(finite(argument, value) <= bound)) throw new DomainError(argument, value, `${bound} or less`)
  return value
}
