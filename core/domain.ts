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
