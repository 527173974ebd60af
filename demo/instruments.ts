import type { KeptInstrument } from '#shared/dto'
import { chance } from './chance'
import { demoId } from './names'

/** What the demo shop pours from. */
export const burette: KeptInstrument = {
  id: demoId('long burette'), name: 'Long burette, 100 cc', kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1,
  scale: 'deliver', film: 0, repeatability: 0.08
}
export const fineBurette: KeptInstrument = {
  id: demoId('fine burette'), name: 'Fine burette, 50 cc', kind: 'burette', capacity: 50, tolerance: 0.05, resolution: 0.1,
  scale: 'deliver', film: 0, repeatability: 0.08
}
export const instruments: KeptInstrument[] = [
  burette,
  fineBurette,
  {
    id: demoId('bench syringe'), name: 'Bench syringe, 60 cc', kind: 'syringe', capacity: 60, tolerance: 1.5, resolution: 1,
    scale: 'deliver', film: 0, repeatability: 0.3, expansion: 3.5e-4
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

/** The fine burette was tried against a bearing ball: what the Shop page shows of a check. */
export const fineCheck = {
  id: demoId('fine burette/check'), instrument: fineBurette.id,
  check: {
    hand: 'ML', at: '2026-01-12T09:00:00.000Z', known: { kind: 'ball' as const, diameter: 40, u: 0.003 },
    pours: [[{ start: 0, end: 33.5 }], [{ start: 0.1, end: 33.5 }], [{ start: 0, end: 33.5 }]]
  }
}
