import fc from 'fast-check'
import { expect, it } from 'vitest'
import { EDGES, LEVERS, ROUTE_MOST, type RouteStart } from '#core'
import { ROUTE_FIELDS, asLength, asNumber, routeForm, routeSent } from './rules'

const start: fc.Arbitrary<RouteStart> = fc.record({
  off: fc.subarray([...LEVERS]), edges: fc.constantFrom(...EDGES), setUps: fc.constantFrom(1 as const, 2 as const),
  most: fc.tuple(...ROUTE_FIELDS.map(name => fc.double({ min: ROUTE_MOST[name][0], max: ROUTE_MOST[name][1], noNaN: true })))
}).map(({ most, ...rest }) => ({ ...rest, ...Object.fromEntries(ROUTE_FIELDS.map((name, i) => [name, most[i]])) }) as RouteStart)

it('what nobody touched goes back as it was, in whatever lengths it was opened', () => {
  fc.assert(fc.property(start, fc.constantFrom('mm' as const, 'in' as const), (was, lengths) => {
    expect(routeSent(routeForm(was, lengths), was, lengths)).toEqual(was)
  }))
})
it.each([['1,5', 1.5], ['1.5', 1.5], ['a lot', 'a lot'], ['', ''], [' ', ' ']])('%j is sent as %j', (text, sent) => expect(asNumber(text)).toBe(sent))
// 0.05 in are 1.27 mm.
it.each([['0.05', 'in', 1.27], ['0,05', 'in', 1.27], ['0.05', 'mm', 0.05], ['x', 'in', 'x']] as const)('a length of %j %s is sent as %j', (text, lengths, sent) => expect(asLength(text, lengths)).toBe(sent))
