import { v4 as uuid } from 'uuid'

export const instrumentId = 'b3a1c1de-9c1f-4a7e-8f36-5d1b2a7c4e90'
export const instrument = { name: 'Long burette', kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1, scale: 'deliver', film: 0, repeatability: 0.08 }
export const frame = { at: '2026-03-09T08:00:00.000Z', hand: 'TT', v: 1 }
export const layout = { ...frame, kind: 'layout', scope: { level: 'build' }, body: { heads: [[1, 2]], banks: [[1, 2]] } }
export const bore = (value = 92) => ({ ...frame, kind: 'measure', scope: { level: 'build' }, body: { quantity: 'bore', figure: { value, unit: 'mm', typed: String(value) } } })
export const pour = (end = 55.4, cylinder = 1) => ({
  ...frame, kind: 'pour', scope: { level: 'cylinder', cylinder },
  body: { encloses: 'chamber', fills: [{ start: 0, end }], typed: String(end), instrument: { ...instrument, id: instrumentId } }
})
export const buildRequest = { name: 'Test build', reference: 'T 1', hand: 'TT' }

/** A build with a layout, by its id. */
export async function newBuild(base: string): Promise<string> {
  const id = uuid()
  const send = (path: string, body: unknown) => fetch(base + path, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
  await send(`/api/builds/${id}`, buildRequest)
  await send(`/api/builds/${id}/entries/${uuid()}`, layout)
  return id
}
