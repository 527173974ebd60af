import { describe, expect, it } from 'vitest'
import { flowRuns, portsIn, replay, type Layout } from '#core'
import { demoShop } from '#demo/shop'
import { checkEntry } from '#shared/dto'
import { flowFile, readFlowFile } from './flowFile'
import { readBenchLine, readFlowRows, writeFlowRows } from './flowText'

const metric = { lengths: 'mm', flow: 'L/s' } as const

describe('a run as it is typed or pasted', () => {
  it.each([
    ['2 24.1\n4 46.8', metric, [{ lift: 2, flow: 24.1 }, { lift: 4, flow: 46.8 }]],
    ['lift;flow\r\n2,5;24,1\r\n4;46,8\n\n', metric, [{ lift: 2.5, flow: 24.1 }, { lift: 4, flow: 46.8 }]],
    ['2,24.1\n4,46.8', metric, [{ lift: 2, flow: 24.1 }, { lift: 4, flow: 46.8 }]],
    ['2, 24.1\n4,\t46.8', metric, [{ lift: 2, flow: 24.1 }, { lift: 4, flow: 46.8 }]],
    ['0.1\t60\n.2 100', { lengths: 'in', flow: 'cfm' }, [{ lift: 2.54, flow: 28.3168 }, { lift: 5.08, flow: 47.1947 }]],
    ['2 24.1\n9 retainer\n10 Coil Bind\n11 bench\n12 -', metric, [{ lift: 2, flow: 24.1 }, { lift: 9, missed: 'retainer' }, { lift: 10, missed: 'coilBind' }, { lift: 11, missed: 'bench' }, { lift: 12, missed: 'other' }]]
  ] as const)('%j, and written again it is the same', (text, units, rows) => {
    expect(readFlowRows(text, units)).toEqual(rows)
    for (const lengths of ['mm', 'in'] as const) for (const flow of ['L/s', 'cfm'] as const) expect(readFlowRows(writeFlowRows(rows, { lengths, flow }), { lengths, flow })).toEqual(rows)
  })
  it.each([
    ['', '60 lifts'], ['lift flow', '60 lifts'], ['2 24\n2 25', 'Lift 2 is the same'], ['4 24\n2 25', 'Lift 2 is below'], ['-2 24', 'Line 1'], ['2 -24', 'Line 1'], ['2 24\nx', 'Line 2'], ['2 24 9', 'Line 1'], ['2', 'Line 1'], ['o.5 12\n1 20', 'Line 1'], ['\n\n2 24\n4 b', 'Line 4'], ['0 5', 'between 0 and 30 mm, and is not 0'], ['40 5', 'between 0 and 30 mm'],
    ['2 99999', '1000 L/s, which is 2119 cfm'], ['2 1e3', 'Line 1'], ['2 0', 'Nothing flows'], ['2 retainer', 'Nothing flows'], ['2 24\n4 <script>', 'Line 2'], [Array.from({ length: 61 }, (_, i) => `${0.1 + i / 4} 5`).join('\n'), '60 lifts'], [Array.from({ length: 10_000 }, (_, i) => `${i} 5`).join('\n'), 'too long']
  ])('%j gets a sentence', (text, said) => expect(readFlowRows(text, metric)).toMatch(new RegExp(said)))
  it('a bench’s line is a lift and its flow, and nothing else is', () => {
    expect(readBenchLine('+4.00 mm +46.8 L/s')).toEqual({ lift: 4, flow: 46.8 })
    expect(readBenchLine('0.100 in 60 cfm')!.lift).toBeCloseTo(2.54, 9)
    for (const odd of ['4.00 mm', '46.8 L/s', '-4 mm 4 L/s', '4 mm -4 L/s', 'x'.repeat(99), 7, undefined, '4 mm 46.8 kg']) expect(readBenchLine(odd)).toBeUndefined()
  })
})

describe('runs as a file', () => {
  const twin = demoShop.builds.find(b => b.name === 'Caldbeck Twin')!
  const standing = replay(twin.entries)!
  const runs = flowRuns(standing)
  const file = flowFile(standing.layout, runs)
  const now = '2026-11-28T10:00:00.000Z'
  it('come in again as they left, each under the same id in one build and another in another', () => {
    const found = readFlowFile(file, standing.layout, twin.id, now)
    if (typeof found === 'string') throw new Error(found)
    expect(found.map(run => run.left)).toEqual(runs.map(run => run.entry.id))
    for (const [i, { scope, at, body }] of found.entries()) {
      const { entry } = runs[i]!
      expect({ scope, at: Date.parse(at) }).toEqual({ scope: entry.scope, at: Date.parse(entry.at) })
      const plain = (of: typeof body) => ({ ...of, depression: of.depression.value, fixture: of.fixture?.value, temperature: of.temperature?.value, pressure: of.pressure?.value })
      expect(plain(body)).toEqual(plain(entry.body))
      expect(checkEntry({ at, hand: 'TT', kind: 'flowRun', v: 1, scope, body })).toMatchObject({ ok: true })
    }
    const again = readFlowFile(file, standing.layout, twin.id, now)
    expect(again).toEqual(found)
    const elsewhere = readFlowFile(file, standing.layout, 'another', now)
    expect(typeof elsewhere !== 'string' && elsewhere.every((run, i) => run.id !== found[i]!.id)).toBe(true)
  })
  it('name several ports of one kind, and disarm what a spreadsheet would run', () => {
    const four: Layout = { cylinders: [1], heads: [[1]], banks: [[1]], engine: { strokes: 4, arrangement: 'single', first: 'front', head: 'removable', intakes: 2, exhausts: 1, chamber: 'pentRoof' } }
    const run = { ...runs[0]!, port: portsIn(four, 'intake')[1]!, entry: { ...runs[0]!.entry, body: { ...runs[0]!.entry.body, name: '=1+1' } } }
    const text = flowFile(four, [run])
    expect(text.split('\n')[1]).toContain('intake 1.2,\'=1+1,')
    expect(readFlowFile(text, four, 'b', now)).toMatchObject([{ scope: { level: 'port', cylinder: 1, port: 'intake', n: 2 }, body: { name: '=1+1' } }])
  })
  it('whose conditions stand in its first line alone is one run', () => {
    const text = 'run,port,bench,depression_pa,lift_mm,flow_l_s\n1,intake 1,B,"6974,5",2,20\n1,,,,4,35'
    expect(readFlowFile(text, standing.layout, 'b', now)).toMatchObject([{ body: { bench: 'B', depression: { value: 6974.5 }, rows: [{ lift: 2, flow: 20 }, { lift: 4, flow: 35 }] } }])
  })
  it.each([
    ['', 'No column is called run or port'], ['a,b\n1,2', 'No column'], ['run,port,bench,depression_pa,lift_mm,flow_l_s\n', 'No run'], ['run,port,bench,depression_pa,lift_mm,flow_l_s\n1,intake 9,B,6974,2,20', 'Line 2: this engine has no port called “intake 9”'],
    ['run,port,bench,depression_pa,lift_mm,flow_l_s\n1,intake 1,B,much,2,20', 'no number for depression_pa'], ['run,port,bench,depression_pa,lift_mm,flow_l_s\n1,intake 1,B,6974,,20', 'it has no lift'], ['run,at,port,bench,depression_pa,lift_mm,flow_l_s\n1,someday,intake 1,B,6974,2,20', 'no date'], ['run,at,port,bench,depression_pa,lift_mm,flow_l_s\n1,03/04/2026,intake 1,B,6974,2,20', 'may have the day first'],
    ['run,port,bench,depression_pa,lift_mm,flow_l_s,missed\n1,intake 1,B,6974,2,20,\n\n1,intake 1,B,6974,4,,retaner', 'Line 4: “retaner” is no reason'], ['run,port,bench,depression_pa,lift_mm,flow_l_s\n1,intake 1,B,6974,2,20\n1,exhaust 1,B,6974,4,30', 'Line 3: port is not as on line 2'],
    ['run,port,bench,depression_pa,same_mounting,lift_mm,flow_l_s\n1,intake 1,B,6974,maybe,2,20', 'neither yes nor no'], ['run,port,bench,depression_pa,lift_mm,flow_l_s\n,intake 1,B,6974,2,20', 'of which run'],
    ['run,port,bench,depression_pa,lift_mm,lift_mm,flow_l_s\n1,intake 1,B,6974,2,3,20', 'Two columns are called lift_mm'], ['x'.repeat(3_000_000), '2 MB']
  ])('%j gets a sentence', (text, said) => expect(readFlowFile(text, standing.layout, 'b', now)).toContain(said))
})
