import { v4 as uuid } from 'uuid'
import { copyOf, expect, field, open, paidBack, pick, preset, reckoned, test, trialsAsCame } from '../support/page'
import { put } from '../support/server'
import { frame } from '../support/sent'

// The same question is asked at several stations: everywhere the same answer, and contact before any target.
const cylinder = (page: import('@playwright/test').Page, n: number) => page.getByRole('navigation', { name: 'Cylinders' }).locator('.cell').nth(n - 1)

test('with a thinner gasket planned, Cut, Shape and the stack say one depth, and Pour where it ends', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await open(page, bench, build, 'cut')
  await reckoned(page)
  const deepest = (await page.locator('[data-answer=deepest]').textContent())!.trim().split(' ')[0]!
  await page.locator('[data-more]').click()
  await expect(page.locator('[data-open=plan]')).toContainText(`at ${deepest} mm off head 1`)
  await page.keyboard.press('Escape')

  await page.getByRole('group', { name: 'Gasket to work with' }).getByRole('button', { name: '0.90 mm' }).click()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await cylinder(page, 4).click()
  await expect(page.locator('[data-answer=lowest]')).not.toContainText('1.55')
  await reckoned(page)
  const need = (await page.locator('.cut-table tbody tr').nth(3).locator('td').nth(2).textContent())!.trim().split(' ')[0]!
  // By hand, by the mouth alone: 56.20 − 51.19 cc over some 4.6 cc a mm.
  expect(Math.abs(Number(need) - (56.2 - 51.19) / 4.6)).toBeLessThan(0.04)
  await expect(page.locator('.stack')).toContainText(`${need} mm off the face`)

  await page.goto(`${bench.server.url}/builds/${build}/shape`)
  await page.locator('.station-room [data-station]').waitFor()
  await cylinder(page, 4).click()
  await paidBack(page)
  await expect(page.locator('[data-payback]')).toHaveText(`${need} mm`)

  // The glass is stopped for the gasket that will be fitted: with the one that is, it would be 49.1.
  await page.goto(`${bench.server.url}/builds/${build}/pour`)
  await page.locator('.station-room [data-station]').waitFor()
  await cylinder(page, 4).click()
  await expect(page.locator('.stop-at strong')).toHaveText('51.2')
})

test('everything that is open is one key away, and its link opens the very field', async ({ page, bench }) => {
  await open(page, bench, bench.caldbeck, 'sheet')
  await expect(page.locator('.next')).toContainText('Exhaust to piston would come to 2.10 mm')
  await page.locator('[data-more]').press('Enter')
  const list = page.getByRole('list', { name: 'Everything that is open' })
  await expect(list.locator('[data-open]')).toHaveCount(6)
  await expect(list.locator('[data-open]').first()).toHaveAttribute('data-open', 'tooClose')
  await list.locator('[data-open]').nth(1).click()
  await expect(page).toHaveURL(/\/mockup$/)
  await expect(page.getByRole('tabpanel', { name: 'Clearances' }).locator('[data-quantity=domeToChamber] input')).toBeFocused()
})

test('a gasket that would stand in the chamber and a strand never touched are refused; a mouth stands in by its kind', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await open(page, bench, build, 'sheet')
  const gasket = field(page, 'Gasket bore')
  await gasket.fill('91')
  await gasket.press('Enter')
  await expect(page.locator('.figure-field', { has: gasket }).locator('.sentence')).toContainText('91 can’t be right: it must be 92 mm, the bore, or more')
  await gasket.press('Escape')

  // A mouth that nobody traced stands in by the kind of chamber: 0.88 of the bore circle, π/4·92².
  await pick(page.getByRole('button', { name: /^Mouth area: where it comes from/ }), /^Pent-roof/)
  await expect(field(page, 'Mouth area')).toHaveValue('5850')

  await page.goto(`${bench.server.url}/builds/${build}/mockup`)
  const strand = field(page, 'Strand, before')
  await strand.fill('2')
  await strand.press('Enter')
  const first = page.locator('.place input').first()
  await first.fill('1.97')
  await first.press('Enter')
  await expect(page.getByText('That place was not touched: it reads 1.97 mm, and the strand was 2.00 mm before.')).toBeVisible()
  await first.fill('1.62')
  await first.press('Enter')
  await expect(page.locator('.big').first()).toContainText('1.62')
})

test('what was planned together goes out as one, is dropped as one, and both are undone in the Daybook', async ({ page, bench }) => {
  const build = await trialsAsCame(bench)
  const kinds = async () => ((await (await fetch(`${bench.server.url}/api/builds/${build}`)).json()) as { entries: { kind: string, plan?: string }[] }).entries
  const before = (await kinds()).length
  await preset(page, { 'bowl.mockupLeaf': 'turned' })
  await open(page, bench, build, 'mockup')
  const off = page.locator('[data-turned=off]')
  await expect(off).toBeVisible()
  const writes: string[] = []
  page.on('request', request => request.method() === 'PUT' && writes.push(new URL(request.url()).pathname))
  await page.getByRole('button', { name: /Plan both|Plan it|Plan the/ }).click()
  await expect.poll(async () => (await kinds()).length).toBeGreaterThan(before)
  expect(writes.filter(w => w.includes('/batches/'))).toHaveLength(1)
  expect(writes.filter(w => w.includes('/entries/'))).toHaveLength(0)
  const made = (await kinds()).slice(before)
  expect(made.map(e => e.kind).sort()).toEqual(['faceCut', 'plan', 'relief'])
  expect(new Set(made.filter(e => e.kind !== 'plan').map(e => e.plan)).size).toBe(1)

  await page.goto(`${bench.server.url}/builds/${build}/daybook`)
  const planned = page.locator('.next')
  await page.getByRole('button', { name: /^drop all of it/ }).click()
  await expect(page.locator('.said').getByText('dropped: Turned head')).toBeVisible()
  await expect(page.getByRole('button', { name: /^drop all of it/ })).toHaveCount(0)
  await expect(planned).not.toContainText('Grind')
  // Dropped by mistake: the plan is back, with everything it had.
  await page.getByRole('button', { name: /^undo/ }).first().click()
  await expect(page.getByRole('button', { name: /^drop all of it/ })).toBeVisible()
})

test('the Gaskets leaf tells what a gasket would do, as Mock-up does', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await open(page, bench, build, 'sheet')
  await page.getByRole('tab', { name: 'Gaskets' }).click()
  const row = page.getByRole('tabpanel', { name: 'Gaskets' }).getByRole('row').filter({ hasText: '0.90 mm' })
  await expect(row).toBeVisible()
  const told = (await row.textContent())!
  await page.goto(`${bench.server.url}/builds/${build}/mockup`)
  await pick(page.locator('#try-gasket'), '0.90 mm')
  const tried = page.locator('.whatif tbody tr').filter({ hasText: /^Ratio/ }).locator('strong')
  await expect(tried).toHaveText('9.36')
  expect(told).toContain('9.36')
})

test('a head’s heights and its finish are entered where the face is, and a face too coarse comes first', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await open(page, bench, build, 'sheet')
  await page.getByRole('tab', { name: 'Face' }).click()
  const names = ['front, exhaust side', 'back, exhaust side', 'front, intake side', 'back, intake side', 'middle']
  for (const [i, height] of ['80.02', '80.00', '80.02', '80.00', '79.96'].entries()) {
    const input = field(page, `Height, ${names[i]}`)
    await input.fill(height)
    await input.press('Enter')
    await expect(input).toHaveValue(height)
  }
  // By hand: (2 · 80.02 + 2 · 80.00 + 79.96)/5.
  await expect(page.locator('[data-height]')).toHaveText('80.00 mm')
  await expect(page.getByText('middle lies low')).toBeVisible()
  for (const [name, value] of [['Finish, Ra', '3.2'], ['The gasket allows', '1.6']] as const) {
    await field(page, name).fill(value)
    await field(page, name).press('Enter')
  }
  await page.getByRole('button', { name: 'Keep the finish' }).click()
  await expect(page.locator('.next')).toContainText('The face of head 1 is Ra 3.20 µm; its gasket allows 1.60 µm.')
})

test('a gasket whose opening is no circle has the same volume wherever it is chosen, and once it is fitted', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await preset(page, { 'bowl.sheetLeaf': 'gaskets' })
  await open(page, bench, build, 'sheet')
  const type = async (label: string, value: string) => {
    await field(page, label).fill(value)
    await field(page, label).press('Enter')
  }
  await type('Opening, area', '7200')
  // Offered before, the two of the demo are round still, and it says so.
  await expect(page.locator('[data-round]')).toContainText('0.90 mm and 1.50 mm: taken for round')
  await type('Gaskets available: add one', '0.8')
  // 7 200 mm² × 0.8 mm, where the bore of 94 would make 5.6 of it.
  await expect(page.getByRole('row').filter({ hasText: '0.80 mm' })).toContainText('5.8')
  await page.goto(`${bench.server.url}/builds/${build}/cut`)
  await page.getByRole('button', { name: '0.80 mm', exact: true }).click()
  const planned = async () => (await (await fetch(`${bench.server.url}/api/builds/${build}`)).json() as { entries: { kind: string, body: object }[] }).entries.filter(e => e.kind === 'gasketChange').at(-1)?.body
  await expect.poll(planned).toMatchObject({ state: 'planned', area: { value: 7200 } })
  await page.getByRole('button', { name: 'It is fitted' }).click()
  await expect.poll(planned).toMatchObject({ state: 'done', area: { value: 7200 }, thickness: { value: 0.8 } })
  await page.goto(`${bench.server.url}/builds/${build}/sheet`)
  await expect(page.getByRole('row').filter({ hasText: /^fitted\s*0\.80 mm/ })).toContainText('5.8')
})

// On an engine that nobody drew: what is asked for, and what ends it there, a press or the figure that was measured.
const figure = (value: number, unit = 'mm') => ({ value, unit, typed: String(value) })
const WORK: Record<string, [scope: object, body: object, asked: RegExp, done: RegExp | string]> = {
  relief: [{ level: 'cylinder', cylinder: 1 }, { added: figure(1, 'cc') }, /Grind/, /^Done\b/],
  seatWork: [{ level: 'cylinder', cylinder: 1 }, { valve: 'exhaust', added: figure(0.3, 'cc'), sunk: figure(0.2) }, /Do the seats/, /^Done\b/],
  faceCut: [{ level: 'head', head: 1 }, { depth: figure(0.2) }, /Cut 0.20 mm off head 1/, /^Done\b/],
  deckCut: [{ level: 'bank', bank: 1 }, { depth: figure(0.1) }, /Cut 0.10 mm off the deck/, 'Really came off'],
  gasketChange: [{ level: 'head', head: 1 }, { thickness: figure(1.6), bore: figure(94) }, /Fit the gasket/, /^It is fitted/],
  spacer: [{ level: 'bank', bank: 1 }, { change: figure(0.2) }, /Fit what is planned under/, /^Done\b/],
  crownWork: [{ level: 'cylinder', cylinder: 1 }, { added: figure(1, 'cc') }, /Do the crowns/, /^Done\b/]
}
test('every kind of planned work is entered as done where its move leads', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch, undefined, 'chamberModel')
  const ids = Object.fromEntries(Object.keys(WORK).map(kind => [kind, uuid()]))
  for (const [kind, [scope, body]] of Object.entries(WORK)) await put(`${bench.server.url}/api/builds/${build}/entries/${ids[kind]}`, { ...frame, at: new Date().toISOString(), kind, scope, body: { ...body, state: 'planned' } })
  const kept = async (id: string) => ((await (await fetch(`${bench.server.url}/api/builds/${build}`)).json()) as { entries: { supersedes?: string, body: { state?: string } }[] }).entries.some(e => e.supersedes === id && e.body.state === 'done')
  await open(page, bench, build, 'daybook')
  for (const [kind, [, , asked, done]] of Object.entries(WORK)) {
    await page.locator('[data-more]').click()
    await page.getByRole('list', { name: 'Everything that is open' }).locator('[data-open=do]').filter({ hasText: asked }).click()
    if (typeof done === 'string') {
      await field(page, done).fill('0.1')
      await field(page, done).press('Enter')
    } else await page.locator(`.station-room [data-planned=${kind}], .station-room`).last().getByRole('button', { name: done }).first().click({ timeout: 30_000 })
    await expect.poll(() => kept(ids[kind]!), { message: kind }).toBe(true)
  }
})
