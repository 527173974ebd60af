import Module from 'manifold-3d'
import { beforeAll, describe, expect, it } from 'vitest'
import { STLLoader } from 'three/addons/loaders/STLLoader.js'
import { cutAtChamber, cutOf, mirrored, type HeadSetup, type Mesh, type SolidKit } from '#core'
import { launchChamber } from '../../demo/chambers'
import { SolidBench, type Asks, type Developed, type Look, type PlanAsk, type SolidAsk } from './solidBench'
import { stlOf as written } from './stl'

const stlOf = (mesh: Mesh) => Promise.resolve(written(mesh))
let kit: SolidKit
beforeAll(async () => {
  kit = await Module()
  kit.setup()
})
const level = { depth: 0, slopeX: 0, slopeY: 0 }
const ask = (key: string, more: Partial<SolidAsk> = {}): SolidAsk => ({ key, spec: launchChamber(), measured: 55.4, done: level, assumed: { intake: true, exhaust: false }, ...more })
let seq = 0
async function made(key: string, more: Partial<SolidAsk> = {}) {
  const bench = new SolidBench(kit, stlOf)
  const answer = await bench.call({ name: 'solid', job: key, seq: ++seq, args: ask(key, more) })
  if (answer.kind !== 'done') throw new Error(JSON.stringify(answer))
  return { bench, facts: answer.value }
}
const plan = async (bench: SolidBench, ...args: PlanAsk[]) => {
  const answer = await bench.call({ name: 'plan', job: 'plan', seq: ++seq, args })
  if (answer.kind !== 'done') throw new Error(JSON.stringify(answer))
  return answer.value
}
/** A set-up's plane over a chamber that stands `x` along its head. */
const over = (setup: HeadSetup, x = 0): PlanAsk => ({ id: 'over', key: 'a', cut: cutAtChamber(cutOf(setup), { x, y: 0 }) })
const volumeOver = async (bench: SolidBench, setup: HeadSetup, x = 0) => {
  const [told] = await plan(bench, over(setup, x))
  return told && 'volume' in told ? told.volume : NaN
}

describe('the solids bench', () => {
  it('answers only the newest question of a job; older ones are stale', async () => {
    const bench = new SolidBench(kit, stlOf)
    const answers = await Promise.all([1, 2, 3].map(n => bench.call({ name: 'solid', job: 'one', seq: 1000 + n, args: ask(`k${n}`) })))
    expect(answers.map(a => a.kind)).toEqual(['stale', 'stale', 'done'])
  })
  it('tells a drawing’s faults, and keeps the solid it had', async () => {
    const { bench } = await made('a')
    const spec = launchChamber()
    const bad = await bench.call({ name: 'solid', job: 'a', seq: ++seq, args: ask('b', { spec: { ...spec, roof: { ...spec.roof, height: 0 } as typeof spec.roof } }) })
    expect(bad).toMatchObject({ kind: 'faults', faults: [{ path: 'roof.height' }] })
    expect((await bench.call({ name: 'look', job: 'l', seq: ++seq, args: { key: 'a', cut: level, x: 0 } })).kind).toBe('done')
    expect(await bench.call({ name: 'look', job: 'l', seq: ++seq, args: { key: 'nobody', cut: level, x: 0 } })).toMatchObject({ kind: 'refused', argument: 'key' })
  })
  it('makes a chamber again that was put away for want of room, what was developed of it too', async () => {
    const bench = new SolidBench(kit, stlOf, 1)
    const say = async <K extends 'solid' | 'develop' | 'look' | 'metal'>(name: K, args: Asks[K]['args']) => {
      const answer = await bench.call({ name, job: name, seq: ++seq, args })
      if (answer.kind !== 'done') throw new Error(JSON.stringify(answer))
      return answer.value as Asks[K]['answer']
    }
    const reliefs = [{ valve: 0, radii: Array.from({ length: 120 }, () => 24), below: 0.5, line: 46 }]
    await say('solid', ask('a', { quick: true }))
    const { volume } = await say('develop', { key: 'a', name: 'opened', reliefs }) as Developed
    await say('solid', ask('b', { quick: true, measured: 60 }))
    const told = await say('metal', { key: 'a', reliefs }) as Asks['metal']['answer']
    expect(told.volume, 'by the field, without a solid').toBeCloseTo(volume, 1)
    expect((await say('look', { key: 'opened', cut: level, x: 0 }) as Look).volume).toBeCloseTo(volume, 6)
    expect((await say('look', { key: 'a', cut: level, x: 0 }) as Look).volume).toBeCloseTo(55.4, 1)
  })
  it('a new bench that is told what was made on the one before makes it again when it is asked for', async () => {
    const { bench } = await made('a')
    const metal = { key: 'a', name: 'opened', reliefs: [{ valve: 0, radii: Array.from({ length: 120 }, () => 24), below: 0.5, line: 46 }] }
    const say = (on: SolidBench) => on.call({ name: 'look', job: 'look', seq: ++seq, args: { key: 'opened', cut: level, x: 0 } })
    await bench.call({ name: 'develop', job: 'develop', seq: ++seq, args: metal })
    const before = await say(bench)
    const after = new SolidBench(kit, stlOf)
    after.know([metal, ask('a')])
    expect(await say(after)).toMatchObject({ kind: 'done', value: before.kind === 'done' ? before.value : undefined })
  })
  it.each([['depth', 0], ['angle', 0.9], ['flat', 0.4]] as const)('solves a set-up for its %s, and the head then holds the target', async (free, depth) => {
    const { bench } = await made('a')
    const setup = { roll: 'aboutCrank' as const, angle: 1.2, depth, flat: free === 'depth' ? 0.2 : 0 }
    const [told] = await plan(bench, { id: 'free', key: 'a', x: 260, setup, free, volume: 49.2 })
    expect(await volumeOver(bench, { ...setup, [free]: told && 'value' in told ? told.value : NaN }, 260)).toBeCloseTo(49.2, 4)
  })
  it('says which chamber can’t be brought to its target, and goes on with the others', async () => {
    const { bench } = await made('a')
    const setup = { roll: 'aboutCrank' as const, angle: 1, depth: 2, flat: 0 }
    const ask = (id: string, volume: number): PlanAsk => ({ id, key: 'a', x: 0, setup, free: 'flat', volume })
    expect(await plan(bench, ask('1', 55), ask('2', 44))).toEqual([expect.objectContaining({ id: '1', argument: 'flat' }), expect.objectContaining({ id: '2', value: expect.any(Number) as number })])
  })
  it('a roll across the crank takes more off the end it is rolled towards', async () => {
    const { bench } = await made('a')
    const setup = { roll: 'acrossCrank' as const, angle: 0.2, depth: 1, flat: 0 }
    const [near, far] = [await volumeOver(bench, setup, 260), await volumeOver(bench, setup, -260)]
    // 2·260·tan 0.2° more depth at one end, by 4.6 cc/mm
    expect(far - near).toBeCloseTo(520 * Math.tan(0.2 * Math.PI / 180) * 4.55, 0)
  })
  it('counts a cut from the face that an earlier one left', async () => {
    const { bench } = await made('a', { measured: 51, done: { ...level, depth: 1 } })
    expect(await volumeOver(bench, { roll: 'aboutCrank', angle: 0, depth: 0, flat: 0 })).toBeCloseTo(51, 2)
  })
})

describe('an STL of a chamber', () => {
  /** Six times the signed volume, from the file's own triangles: + when they face outward. */
  const volumeOf = (stl: ArrayBuffer) => {
    const p = new STLLoader().parse(stl).getAttribute('position').array
    let six = 0
    for (let i = 0; i < p.length; i += 9) {
      const [a, b, c] = [0, 3, 6].map(k => [p[i + k]!, p[i + k + 1]!, p[i + k + 2]!] as const)
      six += a![0] * (b![1] * c![2] - b![2] * c![1]) + a![1] * (b![2] * c![0] - b![0] * c![2]) + a![2] * (b![0] * c![1] - b![1] * c![0])
    }
    return six / 6000
  }
  const centre = (stl: ArrayBuffer, axis: number) => {
    const p = new STLLoader().parse(stl).getAttribute('position').array
    let sum = 0
    for (let i = axis; i < p.length; i += 3) sum += p[i]!
    return sum / (p.length / 3)
  }
  const stl = async (bench: SolidBench) => {
    const answer = await bench.call({ name: 'stl', job: 'stl', seq: ++seq, args: { key: 'a' } })
    if (answer.kind !== 'done') throw new Error(answer.kind)
    return answer.value
  }
  it('read back has the chamber’s volume to 1e-5, faces outward and is not mirrored', async () => {
    const { bench, facts } = await made('a')
    const file = await stl(bench)
    expect(Math.abs(volumeOf(file) / facts.volume - 1)).toBeLessThan(1e-5)
    // The launch chamber's air lies on the + side of y, and its roof over its mouth.
    expect(centre(file, 1)).toBeGreaterThan(5)
    expect(centre(file, 2)).toBeGreaterThan(2)
    const other = await made('a', { spec: mirrored(launchChamber()) })
    const turned = await stl(other.bench)
    expect(volumeOf(turned)).toBeGreaterThan(0)
    expect(Math.sign(centre(turned, 0))).toBe(-Math.sign(centre(file, 0)))
  })
})
