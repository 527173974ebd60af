import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ARRANGEMENTS, CHAMBER_KINDS, HEAD_KINDS, VALVE_COUNTS, asksFor, enclosedBy, hasBarrels, hasPlace, layOut } from '#core'
import { kindFault } from '#shared/dto'
import { FOUR, answered, answersOf, choicesOf, engineBody, type EngineAnswers } from './engine'

const bodyOf = (answers: EngineAnswers) => {
  const made = engineBody(answers)
  if ('faults' in made) throw new Error(JSON.stringify(made.faults))
  return made.body
}
const change: fc.Arbitrary<readonly [keyof EngineAnswers, never]> = fc.oneof(
  fc.constantFrom(2, 4).map(v => ['strokes', v]), fc.constantFrom(...ARRANGEMENTS).map(v => ['arrangement', v]), fc.integer({ min: 1, max: 16 }).map(v => ['cylinders', String(v)]),
  fc.constantFrom('bank', 1, 2, 3, 4).map(v => ['each', v]), fc.constantFrom('', '60', '90 °').map(v => ['angle', v]), fc.constantFrom('acrossBanks', 'bankByBank').map(v => ['numbering', v]),
  fc.constantFrom('front', 'flywheel').map(v => ['first', v]), fc.constantFrom('right', 'left').map(v => ['side', v]), fc.constantFrom(...HEAD_KINDS).map(v => ['head', v]), fc.constantFrom(...VALVE_COUNTS.map(([i, e]) => `${i}+${e}`)).map(v => ['valves', v]),
  fc.constantFrom(...CHAMBER_KINDS).map(v => ['chamber', v])
) as never

describe('what an engine is', () => {
  it('however it is chosen, it is one that can be kept, and comes back as it was', () => {
    fc.assert(fc.property(fc.array(change, { maxLength: 12 }), (changes) => {
      const answers = changes.reduce((now, [name, value]) => answered(now, name, value), FOUR)
      expect(choicesOf(answers).heads).toContain(answers.head)
      expect(choicesOf(answers).valves).toContain(answers.valves)
      expect(choicesOf(answers).chambers).toContain(answers.chamber)
      const made = engineBody(answers)
      if ('faults' in made) {
        expect(answers.arrangement).toBe('single')
        return
      }
      for (const field of ['heads', 'banks', 'engine', 'fromLeft']) expect(kindFault('layout', { ...made.body }, field)).toBeUndefined()
      expect(bodyOf(answersOf(made.body))).toEqual(made.body)
    }), { numRuns: 300 })
  })
  it.each([
    ['eight in a vee, across', layOut(8, 'vee', 'acrossBanks'), { heads: [[1, 3, 5, 7], [2, 4, 6, 8]], banks: [[1, 3, 5, 7], [2, 4, 6, 8]] }],
    ['five in a vee, bank by bank', layOut(5, 'vee', 'bankByBank'), { heads: [[1, 2, 3], [4, 5]], banks: [[1, 2, 3], [4, 5]] }],
    ['a flat twin, a head each', layOut(2, 'flat', 'acrossBanks', 1), { heads: [[1], [2]], banks: [[1], [2]] }],
    ['two barrels in line', layOut(2, 'inLine', 'acrossBanks', 1), { heads: [[1], [2]], banks: [[1, 2]] }],
    ['six in line, three to a head', layOut(6, 'inLine', 'acrossBanks', 3), { heads: [[1, 2, 3], [4, 5, 6]], banks: [[1, 2, 3, 4, 5, 6]] }],
    ['eight in a vee, two to a head', layOut(8, 'vee', 'acrossBanks', 2), { heads: [[1, 3], [5, 7], [2, 4], [6, 8]], banks: [[1, 3, 5, 7], [2, 4, 6, 8]] }],
    ['a vee of one', layOut(1, 'vee', 'acrossBanks'), { heads: [[1]], banks: [[1]] }]
  ])('%s', (_, made, wanted) => expect(made).toEqual(wanted))
  // Front, left and up as axes of the engine: with the face up one looks along the way up into the head, the intakes up the picture, so
  // that its right is into × intakes.
  it.each([
    ['in line, intakes on the right', 0, -1, 'front'], ['in line, intakes on the left', 0, 1, 'front'], ['in line, intakes on the left, numbered from the flywheel', 0, 1, 'flywheel'], ['a vee of 90°, intakes in it', 45, -1, 'front'],
    ['a vee of 60°, intakes outside', 30, 1, 'front'], ['flat, intakes on top', 90, -1, 'front']
  ] as const)('where cylinder 1 lies on the face, and that the other bank begins at the other side: %s', (_, lean, inwards, first) => {
    const a = lean * Math.PI / 180
    const sideOf = (bank: 0 | 1) => {
      // The first bank leans to the left, the second is its mirror image.
      const hand = bank === 0 ? 1 : -1
      const [into, intakes] = [[0, hand * Math.sin(a), Math.cos(a)], [0, inwards * hand * Math.cos(a), -inwards * Math.sin(a)]] as const
      const towardsFront = into[1] * intakes[2] - into[2] * intakes[1]
      return (towardsFront > 0) === (first === 'front') ? 'right' : 'left'
    }
    const made = bodyOf({ ...FOUR, arrangement: lean > 0 ? 'vee' : 'inLine', cylinders: 8, first, side: sideOf(0) })
    expect(made.heads.map((_, head) => made.fromLeft?.includes(head + 1) ? 'left' : 'right')).toEqual(made.heads.map((_, head) => sideOf(head as 0 | 1)))
  })
  it('where nobody said on which side a row begins nothing is added to it', () => {
    const { fromLeft, ...before } = bodyOf({ ...FOUR, arrangement: 'vee', cylinders: 8 })
    expect(fromLeft).toEqual([2])
    expect(bodyOf(answersOf(before))).toEqual(before)
    // A vee twin has no row to begin anywhere.
    expect(bodyOf({ ...FOUR, arrangement: 'vee', cylinders: 2, side: 'left' }).fromLeft).toBeUndefined()
    for (const wrong of [[3], [0], [1, 1], [], 'left', [1.5]]) expect(kindFault('layout', { ...before, fromLeft: wrong }, 'fromLeft')).toMatch(/by number/)
  })
  it('a chamber that was chosen stays where other valves go with it; one that came with the valves goes with them', () => {
    const chosen = answered(FOUR, 'chamber', 'flat')
    expect(answered(chosen, 'valves', '2+1').chamber).toBe('flat')
    expect(answered(FOUR, 'valves', '2+1').chamber).toBe('pentRoof')
    expect(answered(answered(FOUR, 'chamber', 'heart'), 'valves', '3+2').chamber).toBe('pentRoof')
  })
  it('takes banks as somebody names them, and says what is wrong with them', () => {
    const own = { ...FOUR, arrangement: 'vee' as const, cylinders: 8, numbering: 'own' as const }
    expect(bodyOf({ ...own, own: '1 4 6 7 / 2,3,5,8' }).banks).toEqual([[1, 4, 6, 7], [2, 3, 5, 8]])
    for (const wrong of ['', '1 4 6 7', '1 1 2 3 / 4 5 6 7', '1 4 6 7 / 2 3 5 9', 'a / b']) expect(engineBody({ ...own, own: wrong })).toEqual({ faults: { own: 'Name all 8 cylinders once, with a stroke between the banks: 1 2 3 4 / 5 6 7 8.' } })
    expect(engineBody({ ...FOUR, cylinders: '0' })).toEqual({ faults: { cylinders: 'A whole number from 1 to 16.' } })
    expect(engineBody({ ...FOUR, arrangement: 'vee', angle: '90 mm' })).toMatchObject({ faults: { angle: expect.any(String) } })
  })
  it('refuses what can’t be', () => {
    const { engine } = bodyOf(FOUR)
    const fault = (change: object) => kindFault('layout', { ...bodyOf(FOUR), engine: { ...engine, ...change } }, 'engine')
    expect(fault({ strokes: 3 })).toMatch(/strokes/)
    expect(fault({ intakes: 0, exhausts: 0 })).toMatch(/has valves/)
    expect(fault({ bankAngle: { value: 90, unit: '°', typed: '90' } })).toMatch(/Only a vee/)
    expect(fault({ wings: 2 })).toMatch(/wings/)
    expect(fault({ strokes: 2, head: 'turned' })).toMatch(/no valves/)
  })
})

describe('what an engine has', () => {
  const { engine: four } = bodyOf(FOUR)
  const two = bodyOf(answered(answered(FOUR, 'arrangement', 'single'), 'strokes', 2)).engine!
  const blind = bodyOf(answered(answered(FOUR, 'arrangement', 'single'), 'head', 'blind')).engine!
  it.each([
    ['no valves, no Shape', hasPlace(two, 1, 'shape'), false], ['no ports to pour', hasPlace(two, 1, 'ports'), false], ['one cylinder has nothing to even', hasPlace(two, 1, 'pour', 'even'), false],
    ['a closed barrel has no face', hasPlace(blind, 1, 'cut'), false], ['nor a gasket under a head', asksFor(blind, 'gasketThickness'), false], ['but valves', asksFor(blind, 'intakeClearance'), true], ['whose seats stand over no face', asksFor(blind, 'intakeSeatHeight'), false], ['and no Shape', hasPlace(blind, 1, 'shape'), false],
    ['something goes under a two-stroke’s barrel', hasBarrels({ engine: two, cylinders: [1, 2], heads: [[1, 2]] }), true], ['and under barrels with a head each', hasBarrels({ engine: four, cylinders: [1, 2], heads: [[1], [2]] }), true], ['under no block', hasBarrels({ engine: four, cylinders: [1, 2], heads: [[1, 2]] }), false],
    ['a four has all', hasPlace(four, 4, 'shape', 'copy'), true], ['and no exhaust port in its bore', asksFor(four, 'exhaustPortTop'), false], ['which a two-stroke has', asksFor(two, 'exhaustPortTop'), true],
    ['a closed barrel is filled assembled', enclosedBy(blind)[0] === 'assembled' && !enclosedBy(blind).includes('chamber'), true], ['and one without valves has no ports', enclosedBy(two).includes('intakePort'), false],
    ['nothing of a vee', asksFor(four, 'flangeAngle'), false], ['and nothing is kept from whom nobody described', asksFor(undefined, 'flangeAngle') && hasPlace(undefined, 1, 'shape'), true]
  ])('%s', (_, is, wanted) => expect(is).toBe(wanted))
})
