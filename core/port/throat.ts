import { above, DomainError } from '../domain'

/** Shares of the valve that shops open a throat to: as many castings come, what most aim for, and what the brave dare. */
export const THROAT_AIMS = {
  asCast: { low: 0.85, high: 0.87 },
  usual: { low: 0.88, high: 0.89 },
  brave: { low: 0.90, high: 0.92 }
} as const
export type ThroatAim = keyof typeof THROAT_AIMS
export type ThroatStanding = 'small' | ThroatAim | 'past'

/**
 * A throat as a share of its valve.
 *
 * @param of throat's and valve head's diameter, mm, the throat the smaller
 * @returns 0 to 1
 * @throws RangeError when a diameter is not above 0, or the throat is as large as its valve
 * Source: usual shop measure, by diameter.
 * @example throatShare({ throat: 39.2, valveDiameter: 44.5 }) // 0.880899
 */
export function throatShare({ throat, valveDiameter }: { throat: number, valveDiameter: number }): number {
  above('valveDiameter', valveDiameter, 0)
  if (above('throat', throat, 0) >= valveDiameter) throw new DomainError('throat', throat, `below the valve's ${valveDiameter}`)
  return throat / valveDiameter
}

/**
 * Throat that is a share of its valve.
 *
 * @returns mm
 * @throws RangeError when the diameter is not above 0, or the share not between 0 and 1
 * Source: {@link throatShare}, solved.
 * @example throatFor({ share: 0.88, valveDiameter: 44.5 }) // 39.16 mm
 */
export function throatFor({ share, valveDiameter }: { share: number, valveDiameter: number }): number {
  above('valveDiameter', valveDiameter, 0)
  if (above('share', share, 0) >= 1) throw new DomainError('share', share, 'below 1')
  return share * valveDiameter
}

/**
 * The share that an aim is taken for: the middle of it.
 *
 * @example shareOf('usual') // 0.885
 */
export const shareOf = (aim: ThroatAim): number => (THROAT_AIMS[aim].low + THROAT_AIMS[aim].high) / 2

/**
 * Which of the aims a share has come to: the widest whose lower end it reaches.
 *
 * @param share of {@link throatShare}
 * @example throatStanding(0.865) // 'asCast'
 */
export function throatStanding(share: number): ThroatStanding {
  above('share', share, 0)
  if (share > THROAT_AIMS.brave.high) return 'past'
  return (['brave', 'usual', 'asCast'] as const).find(aim => share >= THROAT_AIMS[aim].low) ?? 'small'
}
