import { describe, expect, it } from 'vitest'
import { crankAngleAtDrop, oneSidedError, openingLedge, pistonTravel, topDeadCentre, twoSidedTopDeadCentre } from '.'

const train = { stroke: 85, rodLength: 150 }

describe('top dead centre by dial', () => {
  it('finds the angle of a drop, both sides, as the contract’s travel has it', () => {
    expect(crankAngleAtDrop({ stroke: 85, rodLength: 140 }, 7.31604, 'after')).toBeCloseTo(30, 4)
    expect(crankAngleAtDrop({ stroke: 85, rodLength: 140 }, 7.31604, 'before')).toBeCloseTo(-30, 4)
    expect(() => crankAngleAtDrop(train, 200, 'after')).toThrow(/drop is 200/)
  })
  it('is half way between equal drops, and the pairs’ scatter is its doubt', () => {
    expect(twoSidedTopDeadCentre([{ drop: 5, before: -23.4, after: 25 }]).value).toBeCloseTo(0.8, 9)
    const three = twoSidedTopDeadCentre([{ drop: 5, before: -23.4, after: 25 }, { drop: 8, before: -29, after: 31 }, { drop: 10, before: -33.5, after: 35.1 }])
    expect(three.value).toBeCloseTo((0.8 + 1 + 0.8) / 3, 9)
    expect(three.u).toBeCloseTo(0.11547 / Math.sqrt(3), 4)
    expect(() => twoSidedTopDeadCentre([{ drop: 5, before: 3, after: 2 }])).toThrow(/after is 2/)
    expect(() => twoSidedTopDeadCentre([])).toThrow(/pairs/)
  })
  it('takes the skew of an offset pin out', () => {
    const offset = { ...train, pinOffset: -1.5 }
    const wheel = 3
    const pair = { drop: 10, before: wheel + crankAngleAtDrop(offset, 10, 'before'), after: wheel + crankAngleAtDrop(offset, 10, 'after') }
    expect(pistonTravel(offset, pair.before - wheel)).toBeCloseTo(10, 6)
    expect(twoSidedTopDeadCentre([pair], offset).value).toBeCloseTo(wheel + topDeadCentre(offset), 6)
  })
  it('tells what one side alone gets wrong', () => {
    // Near the top travel is r(1 + r/l)θ²/2: 0.01 mm is √(0.02/(42.5·1.28333)) rad = 1.097°
    const error = oneSidedError(train, 0.01, 0.05, 5)
    expect(error.dwell).toBeCloseTo(1.097, 2)
    // dx/dθ at 5 mm down is about r·sinθ(1 + (r/l)cosθ) with θ 24.4°: 22.1 mm/rad, so 0.05 mm is 0.13°
    expect(error.fromSlack).toBeCloseTo(0.13, 2)
    expect(() => oneSidedError(train, 0, 0, 5)).toThrow(/resolution/)
  })
})

describe('a gasket’s opening against its bore', () => {
  it('stands outside by the difference of the radii where both are round, and hangs over where it is smaller', () => {
    // 94 over 92: π/4·(94² − 92²)/(π·94) = 0.9894
    expect(openingLedge({ area: Math.PI / 4 * 94 ** 2, outline: Math.PI * 94, bore: 92 })).toBeCloseTo(0.9894, 4)
    expect(openingLedge({ area: 6500, outline: 300, bore: 92 })).toBeCloseTo(-0.4921, 3)
    expect(() => openingLedge({ area: 6500, outline: 0, bore: 92 })).toThrow(/outline/)
  })
})
