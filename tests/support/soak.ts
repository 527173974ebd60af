import { appendFileSync } from 'node:fs'
import { chance as seeded } from '#demo/chance'

/** `npm run soak` tries much more than `bin/test` has time for. */
export const SOAKING = process.env.BOWL_SOAK === '1'

/** How often to try something: in every test run, and when soaking. */
export const RUNS = (usual: number, soaking: number): number => SOAKING ? soaking : usual

/** Notes what a soak came to, for docs/reliability.md. */
export function report(what: string, figures: Record<string, string | number>): void {
  const file = process.env.BOWL_SOAK_REPORT
  if (file) appendFileSync(file, `${JSON.stringify({ what, figures })}\n`)
}

/** The demo's seeded chance, as a test draws from it: the same numbers each time. */
export function chance(seed: number): { next: () => number, below: (n: number) => number, pick: <T>(list: readonly T[]) => T } {
  const { uniform: next } = seeded(seed)
  const below = (n: number) => Math.floor(next() * n)
  return { next, below, pick: list => list[below(list.length)]! }
}
