import { describe, expect, it } from 'vitest'
import { STARTING_RULES, cautiousLeast, leastClearance, windowFor } from '.'

describe('the shop’s rules', () => {
  it('finds the narrowest row an engine fits into', () => {
    expect(windowFor(STARTING_RULES, { rod: 'steel', bore: 92, revs: 5000 })).toMatchObject({ least: 0.6, most: 1.1 })
    expect(windowFor(STARTING_RULES, { rod: 'steel', bore: 68, revs: 9000 })).toMatchObject({ boreTo: 75 })
    expect(windowFor(STARTING_RULES, { rod: 'steel', bore: 92, revs: 8000 })).toMatchObject({ revsTo: 10000 })
    expect(windowFor(STARTING_RULES, { rod: 'steel', bore: 140, revs: 5000 })).toBeUndefined()
    // Rows of the table: steel 0.55 to 75, 0.60 to 100, 0.70 and 0.75 to 120.
    expect([60, 102, 140].map(bore => cautiousLeast(STARTING_RULES, { rod: 'steel', bore }))).toEqual([0.75, 0.75, 0.75])
    expect(cautiousLeast(STARTING_RULES, { rod: 'aluminium' })).toBe(0.9)
    expect(cautiousLeast({ ...STARTING_RULES, squish: [] }, { rod: 'steel' })).toBeUndefined()
  })
  it('asks more of aluminium rods at the piston, not between valves', () => {
    expect(leastClearance(STARTING_RULES, 'exhaustClearance', 'aluminium')).toBe(3)
    expect(leastClearance(STARTING_RULES, 'exhaustClearance', 'steel')).toBe(2.5)
    expect(leastClearance(STARTING_RULES, 'valveToValve', 'aluminium')).toBe(1.5)
    expect(leastClearance(STARTING_RULES, 'intakeSide', 'steel')).toBe(1.2)
  })
})
