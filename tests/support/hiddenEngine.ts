import { chance } from '#demo/chance'
import { cylinderVolume, type ChamberKind, type Fill } from '#core'

/** What is really there: a chamber's open area over a height, mm² and mm, none of them of the forms that drawings are made of. */
export interface HiddenChamber { area: (z: number) => number, /** cc over a height. */ volume: (z: number) => number }

export const HIDDEN_SHAPES = ['wedge', 'bathtub', 'hemispherical'] as const satisfies ChamberKind[]
export type HiddenShape = (typeof HIDDEN_SHAPES)[number]

/** Chance as a truth draws from it. */
export function luckOf(seed: number) {
  const { uniform, normal } = chance(seed)
  return { between: (low: number, high: number) => low + (high - low) * uniform(), normal: (u: number) => u * normal() }
}
export type Luck = ReturnType<typeof luckOf>

/**
 * A chamber of a kind that holds so much over its face: walls by a power of the height (a wedge's low, a bathtub's high, with a
 * draft besides), or half an ellipsoid cut off somewhere over its middle.
 */
export function hiddenChamber(shape: HiddenShape, cc: number, mouth: number, luck: Luck): (scale: number) => HiddenChamber {
  const power = shape === 'wedge' ? luck.between(1.05, 1.4) : luck.between(3, 6)
  const draft = shape === 'bathtub' ? luck.between(0.004, 0.014) : 0
  const middle = luck.between(0.25, 0.5)
  // By Simpson's rule over its whole height, so that each form needs no more than its area.
  const over = (area: (z: number) => number, from: number, to: number) => {
    const n = 64
    const h = (to - from) / n
    let sum = area(from) + area(to)
    for (let i = 1; i < n; i++) sum += area(from + i * h) * (i % 2 ? 4 : 2)
    return sum * h / 3000
  }
  const made = (height: number): HiddenChamber => {
    const share = (z: number) => shape === 'hemispherical'
      ? (1 - (middle + (1 - middle) * z / height) ** 2) / (1 - middle ** 2)
      : 1 - draft * z - (1 - draft * height) * (z / height) ** power
    const area = (z: number) => z >= height ? 0 : mouth * share(z)
    return { area, volume: z => z >= height ? 0 : over(area, z, height) }
  }
  return (scale) => {
    let [low, high] = [1, 200]
    for (let i = 0; i < 60; i++) {
      const height = (low + high) / 2
      if (made(height).volume(0) < cc * scale) low = height
      else high = height
    }
    return made((low + high) / 2)
  }
}

/** A burette as it is: its scale is out by up to its maker's limit, the more crooked the longer it is, and no two pours end alike. */
export function hiddenGlass(luck: Luck, { capacity, tolerance, resolution, repeatability = 0.08 }: { capacity: number, tolerance: number, resolution: number, repeatability?: number }) {
  const [out, crooked, waves, from] = [luck.between(-0.85, 0.85), luck.between(-0.15, 0.15), luck.between(0.5, 2), luck.between(0, 2 * Math.PI)]
  return (cc: number): Fill => {
    const read = cc + tolerance * (out + crooked * Math.sin(from + 2 * Math.PI * waves * cc / capacity)) + luck.normal(repeatability)
    return { start: 0, end: Math.round(read / resolution) * resolution }
  }
}

/** Sizes of an engine, and how much its chamber is to hold: what a drawing of it is made from. */
export function hiddenSize(shape: HiddenShape, luck: Luck) {
  const bore = luck.between(66, 90)
  const stroke = bore * luck.between(0.75, 0.95)
  const ratio = luck.between(8.5, 11.5)
  const gasket = { bore: bore * 1.02, thickness: luck.between(0.8, 1.6) }
  const share = { wedge: luck.between(0.62, 0.78), bathtub: luck.between(0.55, 0.7), hemispherical: luck.between(0.93, 0.99) }[shape]
  const mouth = share * Math.PI / 4 * bore ** 2
  const crown = luck.between(-2, 4)
  const others = cylinderVolume(gasket.bore, gasket.thickness) + cylinderVolume(bore, 0.4) + crown
  // The target takes between one and two and a half millimetres off the face.
  return { bore, stroke, swept: cylinderVolume(bore, stroke), ratio, gasket, mouth, crown, chamber: cylinderVolume(bore, stroke) / (ratio - 1) - others + luck.between(1, 2.5) * mouth / 1000 }
}
export type HiddenSize = ReturnType<typeof hiddenSize>

/** An engine of four on one head: no two of its chambers and decks are alike. */
export function hiddenEngine(shape: HiddenShape, size: HiddenSize, luck: Luck) {
  const { bore, gasket, crown } = size
  const decks = [0, 1, 2, 3].map(() => luck.between(0.1, 0.7))
  const form = hiddenChamber(shape, size.chamber, size.mouth, luck)
  const chambers = decks.map(() => form(1 + luck.normal(0.008)))
  const clearance = (i: number, face: number) => chambers[i]!.volume(face) + cylinderVolume(gasket.bore, gasket.thickness) + cylinderVolume(bore, decks[i]!) + crown
  return { ...size, decks, chambers, clearance }
}
