/** A seeded stream of chance, so that the demo's scatter is the same on every machine (mulberry32). */
export function chance(seed: number): { uniform: () => number, normal: () => number } {
  let state = seed >>> 0
  const uniform = () => {
    state = (state + 0x6D2B79F5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
  const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform())
  return { uniform, normal }
}
