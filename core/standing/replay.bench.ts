import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'
import { bench, describe } from 'vitest'
import { ratioEstimate } from '../estimate'
import { demoShop } from '../../demo/shop'
import { all, burette, head, mm, oneCylinder, type Bench } from '../../tests/support/ledgerBench'
import { replay, type Entry, type Quantity, type Scope } from '..'

const DIMENSIONS: readonly [Quantity, number][] = [['deckClearance', 0.36], ['bore', 92], ['gasketThickness', 1.2], ['squishRecess', 0.3], ['exhaustSeatHeight', 5]]

/** Ledgers of a long-kept shop, each heavy in something else: the i-th entry of one. */
const MIXES: Record<string, { cylinders: number, add: (bench: Bench, i: number, own: Scope) => void }> = {
  'pours, a light cut now and then': { cylinders: 12, add: (b, i) => void (i % 600 === 599 ? b.cut(0.0001, 0.0001) : b.pour(1 + i % 12, 56 - i % 3 * 0.1, burette)) },
  'a cut every sixty entries': { cylinders: 6, add: (b, i) => void (i % 60 === 59 ? b.cut(0.0001, 0.0001) : b.pour(1 + i % 6, 56 - i % 3 * 0.1, burette)) },
  'one chamber by seven glasses': { cylinders: 1, add: (b, i) => void b.pour(1, 56 - i % 3 * 0.1, { ...burette, id: `glass ${i % 7}` }) },
  'statements between cuts': { cylinders: 6, add: (b, i, own) => void (i % 50 === 49 ? b.cut(0.0001) : b.state(...DIMENSIONS[i % 5]!, 'measure', own)) },
  'grinding, seats, gaskets': {
    cylinders: 6,
    add: (b, i, own) => void [
      () => b.add('relief', own, { state: 'done', added: mm(0.001) }), () => b.add('seatWork', own, { state: 'done', added: mm(0.001), sunk: mm(0.0001), valve: 'exhaust' }),
      () => b.add('gasketChange', head, { state: 'done', thickness: mm(1.2), bore: mm(94) }), () => b.pour(1 + i % 6, 56)
    ][i % 4]!()
  },
  'solders': { cylinders: 6, add: (b, _, own) => void b.add('solder', own, { readings: [{ x: 0, y: 40, figure: mm(1.5) }, { x: 0, y: -40, figure: mm(1.6) }] }) },
  'of everything': {
    cylinders: 6,
    add: (b, i, own) => MIXES[Object.keys(MIXES)[i % 6]!]!.add(b, i, i % 7 === 0 ? all : own)
  }
}

function ledger(mix: string, entries: number): Entry[] {
  const { cylinders, add } = MIXES[mix]!
  const made = oneCylinder(cylinders)
  for (let i = 0; made.entries.length < entries; i++) add(made, i, { level: 'cylinder', cylinder: 1 + i % cylinders })
  return made.entries
}

const RUNS = 8

setFlagsFromString('--expose-gc')
/** Clears away what others left behind, so that no run pays for it. */
const collect = runInNewContext('gc') as () => void

// Linear means an exponent of 1 where a ledger is made five times longer; 1.1 is the most it may be. Both lengths take turns, and the
// shortest of each counts: what else the machine did, and what the one left behind for the other to clear away, is in the rest.
for (const mix of Object.keys(MIXES)) {
  const ledgers = [ledger(mix, 10_000), ledger(mix, 50_000)]
  const taken = Array.from({ length: RUNS }, () => ledgers.map((entries) => {
    collect()
    const begun = performance.now()
    replay(entries)
    return performance.now() - begun
  }))
  const [short, long] = [0, 1].map(i => Math.min(...taken.map(run => run[i]!))) as [number, number]
  const exponent = Math.log(long / short) / Math.log(5)
  console.log(`replay of ${mix}: 10 000 entries ${short.toFixed(0)} ms, 50 000 ${long.toFixed(0)} ms, exponent ${exponent.toFixed(2)} (${exponent <= 1.1 ? 'inside' : 'OVER'} 1.1)`)
}

const six = ledger('pours, a light cut now and then', 300)
const launch = demoShop.builds.find(build => build.name === 'Brackwater 34')!.entries
const reading = launch.filter(entry => entry.kind === 'pour').at(-1)!

describe('replay', () => {
  bench('the six-cylinder demo, one reading added', () => {
    replay([...launch, { ...reading, id: 'one more', seq: null }])
  })

  bench('300 entries', () => {
    replay(six)
  })
})

describe('propagation', () => {
  bench('a ratio with its shares', () => {
    ratioEstimate({ value: 565.0469, u: 0.3 }, { value: 65.7, u: 0.2 })
  })
})
