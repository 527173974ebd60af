import { describe, expect, it } from 'vitest'
import { replay, type Quantity, type Scope } from '..'
import { Bench, all, mm } from '../../tests/support/ledgerBench'
import { quantityOf } from './asked'
import { correctable, scopeToState } from './stating'

const HEADS = { 'a vee of four': [[1, 2], [3, 4]], 'one head of four': [[1, 2, 3, 4]], 'two of one each': [[1], [2]], 'a single': [[1]] }
const head = (of: number): Scope => ({ level: 'head', head: of })
const one = (cylinder: number): Scope => ({ level: 'cylinder', cylinder })
const gasket = (of: number, thickness: number) => (b: Bench) => b.add('gasketChange', head(of), { state: 'done', thickness: mm(thickness), bore: mm(94) })
const crown = (cylinder: number) => (b: Bench) => b.add('crownWork', one(cylinder), { state: 'done', added: mm(1) })
const ground = (cylinder: number) => (b: Bench) => b.add('relief', one(cylinder), { state: 'done', added: mm(2) })
const cut = (of: number) => (b: Bench) => b.add('faceCut', head(of), { state: 'done', depth: mm(0.5) })
const own = (quantity: Quantity, value: number, scope: Scope) => (b: Bench) => b.state(quantity, value, 'measure', scope)

describe('whom a new figure holds for', () => {
  it.each<[string, keyof typeof HEADS, ((b: Bench) => unknown)[], Quantity, number, Scope, boolean]>([
    ['all, as it was said', 'a vee of four', [], 'gasketThickness', 3, all, true],
    ['the head that has another gasket now', 'a vee of four', [gasket(2, 0.8)], 'gasketThickness', 3, head(2), false],
    ['the head that still has its old one', 'a vee of four', [gasket(2, 0.8)], 'gasketThickness', 1, head(1), false],
    ['all again, where both have the same', 'a vee of four', [gasket(2, 0.8), gasket(1, 0.8)], 'gasketThickness', 3, all, false],
    ['a head of one cylinder', 'two of one each', [gasket(2, 0.8)], 'gasketThickness', 2, head(2), false],
    ['the whole of an engine of one', 'a single', [gasket(1, 0.8)], 'gasketThickness', 1, all, false],
    ['its head, whose own was said', 'a vee of four', [own('gasketThickness', 1, head(1))], 'gasketThickness', 1, head(1), true],
    ['all, where who differs has his own', 'a vee of four', [own('gasketThickness', 1, head(1))], 'gasketThickness', 3, all, true],
    ['the crown that was worked on', 'one head of four', [crown(3)], 'crownVolume', 3, one(3), false],
    ['a crown beside it', 'one head of four', [crown(3)], 'crownVolume', 1, one(1), false],
    ['all crowns that were worked on alike', 'one head of four', [1, 2, 3, 4].map(crown), 'crownVolume', 2, all, false],
    ['the head where both crowns were', 'a vee of four', [crown(3), crown(4)], 'crownVolume', 4, head(2), false],
    ['the mouths of the head that was cut', 'a vee of four', [cut(1)], 'mouthArea', 2, head(1), false],
    ['a mouth whose chamber was ground', 'one head of four', [ground(4)], 'mouthArea', 4, one(4), false],
    ['all mouths of one head', 'one head of four', [cut(1)], 'mouthArea', 2, all, false],
    ['its own, where only others’ own were said', 'one head of four', [own('rodLength', 150, one(1)), own('rodLength', 151, one(3))], 'rodLength', 2, one(2), false],
    ['a figure that nobody has said yet', 'one head of four', [], 'rodLength', 2, all, false]
  ])('is %s', (_, engine, work, quantity, cylinder, scope, right) => {
    const bench = new Bench()
    const heads = HEADS[engine]
    bench.add('layout', all, { heads, banks: heads })
    for (const [of, value] of [['gasketThickness', 1.2], ['gasketBore', 94], ['crownVolume', 3], ['mouthArea', 4650]] as const) bench.state(of, value)
    work.forEach(done => done(bench))
    const before = replay(bench.entries)!
    const to = scopeToState(before, quantity, cylinder, all)
    expect(to).toEqual(scope)
    // What work has changed is not put right but measured anew: the figure from before it stays what it was.
    expect(correctable(before, quantity, cylinder, to) !== undefined).toBe(right)
    // Whoever had another figure keeps it, and who asked has the new one.
    bench.state(quantity, 7, 'measure', to)
    const after = replay(bench.entries)!
    const was = quantityOf(before, quantity, cylinder)?.estimate.value
    for (const c of before.layout.cylinders) {
      const theirs = quantityOf(before, quantity, c)?.estimate.value
      if (c === cylinder || theirs !== was) expect(quantityOf(after, quantity, c)?.estimate.value).toBeCloseTo(c === cylinder ? 7 : theirs!, 9)
    }
  })
})
