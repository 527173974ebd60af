import { describe, expect, it } from 'vitest'
import { liftProfile, liftTable, meanOverLift, type LiftRow } from '.'

const rows = (...list: [number, number][]): LiftRow[] => list.map(([angle, lift]) => ({ angle, lift }))

describe('a simple lift curve', () => {
  it('begins and ends at rest and is highest half way', () => {
    expect(liftProfile(10, 260, 3)).toEqual([{ angle: 0, lift: 0 }, { angle: 130, lift: 10 }, { angle: 260, lift: expect.closeTo(0, 12) as number }])
  })
  it.each([[0, 260, 5], [10, 0, 5], [10, 260, 2], [NaN, 260, 5]])('refuses %d mm over %d° in %d places', (most, duration, places) => {
    expect(() => liftProfile(most, duration, places)).toThrow(RangeError)
  })
})

describe('a lift table', () => {
  it('says how high and for how long the valve is open, its shut neighbours included', () => {
    expect(liftTable(rows([-20, 0], [0, 0], [30, 2], [60, 9.6], [90, 2.2], [120, 0], [150, 0]))).toEqual({ most: 9.6, open: 120 })
    expect(liftTable(rows([0, 1], [30, 2], [60, 1]))).toEqual({ most: 2, open: 60 })
  })
  it.each([
    ['two places', rows([0, 0], [1, 1]), 'rows'],
    ['an angle that goes back', rows([0, 0], [10, 1], [9, 2]), 'rows[2].angle'],
    ['a lift below the seat', rows([0, 0], [10, -1], [20, 2]), 'rows[1].lift'],
    ['more than two turns', rows([0, 0], [400, 4], [721, 0]), 'rows[2].angle'],
    ['a lift nobody has', rows([0, 0], [10, 61], [20, 0]), 'rows[1].lift'],
    ['a valve that stays shut', rows([0, 0], [10, 0], [20, 0]), 'most']
  ])('refuses %s', (_, table, argument) => {
    expect(() => liftTable(table)).toThrow(expect.objectContaining({ argument }) as Error)
  })
})

describe('the mean over a lift curve', () => {
  const wall = (lift: number, factor: number, need: number) => ({ lift, shroud: { factor, need } })
  it('weighs by what the valve passes, by a sum on paper', () => {
    // Lifts 0, 4, 8, 4, 0 at 20° steps; passes 0, 400, 800; open by 0.9 at 4 mm and 0.6 at 8 mm.
    // ∫fA = 20·(0/2 + 360 + 480 + 360 + 0/2) = 24000, ∫A = 20·(400 + 800 + 400) = 32000.
    const curve = rows([0, 0], [20, 4], [40, 8], [60, 4], [80, 0])
    expect(meanOverLift(curve, [wall(4, 0.9, 400), wall(8, 0.6, 800)])).toBeCloseTo(0.75, 12)
  })
  it('runs straight between two lifts, from free on the seat, and level past the last', () => {
    // At 2 mm: half way from 1 to 0.9, half of 400; at 12 mm: as at 8.
    const curve = rows([0, 2], [10, 2])
    expect(meanOverLift(curve, [wall(4, 0.9, 400), wall(8, 0.6, 800)])).toBeCloseTo(0.95, 12)
    expect(meanOverLift(rows([0, 12], [10, 12]), [wall(4, 0.9, 400), wall(8, 0.6, 800)])).toBeCloseTo(0.6, 12)
  })
  it('wants walls', () => {
    expect(() => meanOverLift(rows([0, 0], [1, 1]), [])).toThrow(RangeError)
  })
})
