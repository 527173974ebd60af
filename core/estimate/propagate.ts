import { DomainError, atLeast, finite } from '../domain'
import { compressionRatio } from '../engine'

/** A value and its **standard** uncertainty u (k = 1), both in the value's own unit. */
export interface Estimate { value: number, u: number }

/** An estimate with each input's share of its variance; the shares sum to 1, or are all 0 when nothing is unsure. */
export interface Propagated extends Estimate { shares: number[] }

/** Near the cube root of the machine's precision: where a central difference loses least. */
const RELATIVE_STEP = 6e-6

/**
 * How much a function moves per unit of each input, by central differences, one-sided where a step would leave
 * the function's domain.
 *
 * @param f throws RangeError outside its domain
 * @param x where to take it, inside the domain
 * @param wanted false for inputs whose slope nobody needs: they cost no evaluation and give 0
 * @returns one slope per input
 * @throws RangeError when an input can be moved in neither direction
 * Source: standard numerical differentiation, error of order h² (h where one-sided).
 * @example slopes(([a, b]) => a * b, [2, 3]) // [3, 2]
 */
export function slopes(f: (x: number[]) => number, x: number[], wanted: (i: number) => boolean = () => true): number[] {
  const at = f(x)
  return x.map((xi, i) => {
    if (!wanted(i)) return 0
    const h = RELATIVE_STEP * Math.max(Math.abs(xi), 1e-3)
    const moved = (step: number): number | undefined => {
      const there = x.slice()
      there[i] = xi + step
      try {
        const y = f(there)
        return Number.isFinite(y) ? y : undefined
      } catch (error) {
        if (error instanceof RangeError) return undefined
        throw error
      }
    }
    const up = moved(h)
    const down = moved(-h)
    if (up !== undefined && down !== undefined) return (up - down) / (2 * h)
    if (up !== undefined) return (up - at) / h
    if (down !== undefined) return (at - down) / h
    throw new DomainError(`inputs[${i}]`, xi, 'a value that can be moved without leaving the domain of f')
  })
}

/**
 * Carries independent uncertainties through any function, to first order.
 *
 * @param f the function, throwing RangeError outside its domain
 * @param inputs independent sources, u 0 or more
 * @returns f at the values, its standard uncertainty, and each input's share of the variance
 * @throws RangeError when an input is no estimate or f has no finite value there
 * Source: JCGM 100:2008 (the GUM), §5.1.2, eq. 10.
 * @example propagate(([a, b]) => a + b, [{ value: 1, u: 3 }, { value: 2, u: 4 }])
 *   // { value: 3, u: 5, shares: [0.36, 0.64] }
 */
export function propagate(f: (x: number[]) => number, inputs: Estimate[]): Propagated {
  inputs.forEach((input, i) => {
    finite(`inputs[${i}].value`, input.value)
    atLeast(`inputs[${i}].u`, input.u, 0)
  })
  const x = inputs.map(input => input.value)
  const value = finite('f(inputs)', f(x))
  const slope = slopes(f, x, i => inputs[i]!.u > 0)
  const variances = slope.map((s, i) => (s * inputs[i]!.u) ** 2)
  const variance = variances.reduce((sum, v) => sum + v, 0)
  return { value, u: Math.sqrt(variance), shares: variances.map(v => variance > 0 ? v / variance : 0) }
}

/**
 * Compression ratio with its uncertainty, from swept and clearance volume as independent estimates in cc.
 *
 * @param swept cc, value greater than 0
 * @param clearance cc, value greater than 0
 * @returns ratio, u and the shares of swept and clearance
 * @throws RangeError when a volume is not greater than 0
 * Source: Heywood §2.2 through the GUM §5.1.2: u² = (u(Vs)/Vc)² + (Vs·u(Vc)/Vc²)².
 * @example ratioEstimate({ value: 565.0469, u: 0 }, { value: 65.7, u: 0.2 }) // 9.60041, u 0.02618
 */
export function ratioEstimate(swept: Estimate, clearance: Estimate): Propagated {
  return propagate(([vs, vc]) => compressionRatio(vs!, vc!), [swept, clearance])
}
