import type { KeptInstrument } from '#shared/dto'
import { chance } from './chance'
import { demoId } from './story'

/** What the demo shop pours from. */
export const burette: KeptInstrument = {
  id: demoId('long burette'), name: 'Long burette, 100 cc', kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1,
  scale: 'deliver', film: 0, repeatability: 0.08
}
export const instruments: KeptInstrument[] = [
  burette,
  {
    id: demoId('fine burette'), name: 'Fine burette, 50 cc', kind: 'burette', capacity: 50, tolerance: 0.05, resolution: 0.1,
    scale: 'deliver', film: 0, repeatability: 0.08
  },
  {
    id: demoId('bench syringe'), name: 'Bench syringe, 60 cc', kind: 'syringe', capacity: 60, tolerance: 1.5, resolution: 1,
    scale: 'deliver', film: 0, repeatability: 0.3
  },
  {
    id: demoId('glass cylinder'), name: 'Glass cylinder, 100 cc', kind: 'cylinder', capacity: 100, tolerance: 1, resolution: 1,
    scale: 'contain', film: 0.2, repeatability: 0.2
  }
]

/**
 * Readings the long burette would have given: its own scale error, the same in every pour, and each pour's
 * scatter, read to the nearest 0.1 cc.
 */
export function pourer(seed: number): (truth: number) => number {
  const { normal } = chance(seed)
  const scaleError = 0.07
  return truth => Math.round((truth + scaleError + burette.repeatability * normal()) * 10) / 10
}
