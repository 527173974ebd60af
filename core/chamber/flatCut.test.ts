import { describe, expect, it } from 'vitest'
import { flatCutDepth, valveClearanceLost } from './index'

describe('a flat cut', () => {
  it('takes 7.088 cc off the launch engine’s mouth in 1.524 mm', () => {
    expect(flatCutDepth(7.088, 4.65)).toBeCloseTo(1.5243, 4)
    expect(() => flatCutDepth(7, 0)).toThrow(/perMm is 0/)
    expect(() => flatCutDepth(-1, 4.65)).toThrow(/toLose is -1/)
  })
  it('takes valve clearance by how it was measured', () => {
    // cos 24° = 0.913545, sin 24° = 0.406737
    expect(valveClearanceLost(1, 24, 'upright')).toEqual({ lost: 1, side: 0 })
    expect(valveClearanceLost(1, 24, 'alongValve').lost).toBeCloseTo(1.094636, 6)
    expect(valveClearanceLost(1, 24, 'pocket').lost).toBeCloseTo(0.913545, 6)
    expect(valveClearanceLost(1, 24, 'pocket').side).toBeCloseTo(0.406737, 6)
    expect(() => valveClearanceLost(1, 90, 'upright')).toThrow(/90 − tilt is 0/)
  })
})
