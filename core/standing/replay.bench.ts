import { bench, describe } from 'vitest'
import { ratioEstimate } from '../estimate'
import { burette, oneCylinder } from '../../tests/support/ledgerBench'
import { replay } from '..'

/** A long-lived build: twelve cylinders poured over and over between light cuts. */
function longLedger(entries: number) {
  const ledger = oneCylinder(12)
  for (let i = 0; ledger.entries.length < entries; i++) {
    if (i % 600 === 599) ledger.cut(0.01, 0.01)
    else ledger.pour(1 + i % 12, 56 - (i % 3) * 0.1, burette)
  }
  return ledger.entries
}
const ten = longLedger(10_000)
const one = longLedger(1000)

describe('replay', () => {
  bench('10 000 entries, twelve cylinders', () => {
    replay(ten)
  })
  bench('1 000 entries, twelve cylinders', () => {
    replay(one)
  })
})

describe('propagation', () => {
  bench('a ratio with its shares', () => {
    ratioEstimate({ value: 565.0469, u: 0.3 }, { value: 65.7, u: 0.2 })
  })
})
