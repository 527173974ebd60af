import { v4 as uuid } from 'uuid'
import { launchChamber } from '../../demo/chambers'
import { expect, field, open, test } from '../support/page'
import { bore, frame, newBuild } from '../support/sent'

// The launch engine's chamber as it is drawn, nothing poured: its wall is the bore's circle of 46 mm leaning in by 7° with
// height. Where a pin of 4 mm, rolled round the intake at 9.5 mm of lift, touches and comes free follows from that alone.
const [LIFT, PIN] = [9.5, 4]
const tan = (degrees: number) => Math.tan(degrees * Math.PI / 180)
const [sin, cos] = [Math.sin(24 * Math.PI / 180), Math.cos(24 * Math.PI / 180)]
const R = 44.5 / 2
/** Middle of the valve's head at that lift: its seat's low edge stands 1.35 mm over the face. */
const middle = [-19.4, 6.8 + sin * LIFT, 1.35 + R * sin - cos * LIFT] as const
/** A place of the head's plane: along the crank, and towards the far side rising by 24°. */
const at = (far: number, t: number) => [middle[0] + far * Math.cos(t), middle[1] + far * Math.sin(t) * cos, middle[2] + far * Math.sin(t) * sin] as const
function wall(t: number): number {
  let [low, high] = [0, 80]
  for (let i = 0; i < 60; i++) {
    const far = (low + high) / 2
    const [x, y, z] = at(far, t)
    // Under the deck the gasket's ring of 94 for 1.2 mm, then the bore.
    if (Math.hypot(x, y) < (z > 0 ? 46 - z * tan(7) : z > -1.2 ? 47 : 46)) low = far
    else high = far
  }
  return low
}
function stopped(degrees: number): boolean {
  const t = degrees * Math.PI / 180
  const [px, py] = [(R + PIN / 2) * Math.cos(t), (R + PIN / 2) * Math.sin(t)]
  for (let k = -60; k <= 60; k++) {
    const s = t + k * 0.25 * Math.PI / 180
    const w = wall(s)
    if (Math.hypot(w * Math.cos(s) - px, w * Math.sin(s) - py) < PIN / 2) return true
  }
  return false
}

test('the pin gauge marks the arc on the launch engine’s intake that geometry gives', async ({ page, bench }) => {
  const build = await newBuild(bench.server.url)
  const send = (body: unknown) => fetch(`${bench.server.url}/api/builds/${build}/entries/${uuid()}`, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
  await send(bore())
  for (const [quantity, value] of [['gasketBore', 94], ['gasketThickness', 1.2]] as const) {
    await send({ ...frame, kind: 'measure', scope: { level: 'build' }, body: { quantity, figure: { value, unit: 'mm', typed: String(value) } } })
  }
  expect((await send({ ...frame, kind: 'chamberModel', scope: { level: 'head', head: 1 }, body: { spec: launchChamber(), mirrored: [] } })).status).toBeLessThan(300)
  await open(page, bench, build, 'shape')
  await page.getByLabel('Pin gauge').check()
  const lift = page.locator('.lift [role=slider]')
  await lift.focus()
  for (let tries = 0; tries < 120 && Math.abs(Number(await lift.getAttribute('aria-valuenow')) - LIFT) > 0.05; tries++) await page.keyboard.press('ArrowRight')
  await expect(page.locator('output[for=shape-lift]')).toContainText('9.50 mm')
  await expect(field(page, 'Pin, across')).toHaveValue('4.00')
  await expect(page.locator('[data-pin]')).toContainText('touches at')
  await page.waitForTimeout(500)
  const [touches, free] = [...(await page.locator('[data-pin]').textContent())!.matchAll(/(\d+)°/g)].map(m => Number(m[1]))
  const list = Array.from({ length: 121 }, (_, i) => 80 + i).filter(stopped)
  expect(list.length).toBeGreaterThan(10)
  expect(Math.abs(touches! - list[0]!)).toBeLessThanOrEqual(2)
  expect(Math.abs(free! - list.at(-1)!)).toBeLessThanOrEqual(2)
})
