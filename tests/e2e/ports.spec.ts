import { copyOf, expect, field, list, open, pick, preset, test } from '../support/page'
import { TestServer } from '../support/server'

test('a traced opening that crosses itself, or has ten thousand points, gets a sentence and changes nothing', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await preset(page, { 'bowl.portsLeaf': 'flange' })
  await open(page, bench, build, 'ports')
  const before = await page.locator('[data-step]').textContent()
  await pick(list(page, 'Form'), 'traced points')
  await page.getByLabel(/^A line a point/).fill('0 0\n20 20\n20 0\n0 20')
  await page.getByRole('button', { name: 'Keep the opening' }).click()
  await expect(page.getByRole('alert')).toHaveText('This opening’s outline crosses itself.')
  // As a paste puts it in: typed line by line a browser takes minutes over it.
  await page.getByLabel(/^A line a point/).evaluate((el: HTMLTextAreaElement) => {
    el.value = Array.from({ length: 10_000 }, (_, i) => `${(20 * Math.cos(i / 1591.5)).toFixed(4)} ${(20 * Math.sin(i / 1591.5)).toFixed(4)}`).join('\n')
    el.dispatchEvent(new Event('input', { bubbles: true }))
  })
  await page.getByRole('button', { name: 'Keep the opening' }).click()
  await expect(page.getByRole('alert')).toContainText('between 3 and 2000 points; this one has 10000')
  await expect(page.locator('[data-step]')).toHaveText(before!)
})

test('a mould’s time is right after a reload, a night’s sleep and a server that was killed', async ({ page }) => {
  const server = await TestServer.start({ demo: true })
  try {
    const builds = await (await fetch(`${server.url}/api/builds`)).json() as { id: string, name: string }[]
    const bench = { server, launch: builds.find(b => b.name === 'Brackwater 34')!.id }
    await page.clock.install({ time: new Date('2026-11-20T18:00:00Z') })
    await preset(page, { 'bowl.portsLeaf': 'moulds' })
    await open(page, bench, bench.launch, 'ports')
    await expect(page.locator('[data-mould]', { hasText: 'Exhaust 5' })).toContainText('cured')
    await page.getByRole('button', { name: /It is poured/ }).click()
    await expect(page.getByText('Name the compound.')).toBeVisible()
    await page.getByLabel('Compound', { exact: true }).fill('Dental stone')
    await page.getByLabel('Release agent', { exact: true }).fill('Wax')
    await page.getByLabel('Cures for, hours', { exact: true }).fill('1,5')
    await page.reload()
    await page.getByRole('button', { name: /It is poured/ }).click()
    const left = page.locator('[data-mould]', { hasText: 'Dental stone' }).locator('[data-left]')
    await expect(left).toHaveText(/1 h (29|30) min/)
    await page.clock.fastForward('00:20:00')
    await expect(left).toHaveText(/1 h (9|10) min/)
    await server.kill('SIGKILL')
    await server.run()
    await page.goto(`${server.url}/builds/${bench.launch}/ports`)
    await expect(left).toHaveText(/1 h (8|9|10) min/)
    // Asleep until it is due: nothing was counted, the clock is asked.
    await page.clock.fastForward('08:00:00')
    await expect(left).toHaveText('cured')
    await page.getByRole('button', { name: /^It is out.*Exhaust 5/ }).click()
    await page.getByRole('button', { name: /^It is out.*Intake 1/ }).click()
    await expect(page.getByText('No mould is curing.')).toBeVisible()
    await expect(page.locator('[data-due]')).toHaveCount(0)
    // What is read off it belongs to it.
    const out = page.locator('[data-mould-out]', { hasText: 'Dental stone' })
    await out.locator('input').fill('0.4')
    await out.locator('input').press('Enter')
    await expect(out.locator('input')).toHaveValue('0.40')
    await page.reload()
    await expect(out.locator('input')).toHaveValue('0.40')
  } finally {
    await server.stop()
  }
})

test('of two intake ports each is poured by itself, and a round of pours keeps to one of them', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.hollin)
  await open(page, bench, build, 'pour')
  await pick(list(page, 'Fill'), 'Intake port, no. 2')
  for (const [cylinder, cc] of [[1, '84.2'], [2, '84.0']] as const) {
    await field(page, `Intake port ${cylinder}, no. 2: reading at the end`).fill(cc)
    await page.keyboard.press('Enter')
  }
  await expect(field(page, 'Intake port 3, no. 2: reading at the end')).toBeFocused()
  await pick(list(page, 'Fill'), 'Intake port, no. 1')
  await field(page, 'Intake port 3, no. 1: reading at the end').fill('80.1')
  await page.keyboard.press('Enter')
  await preset(page, { 'bowl.portsLeaf': 'volumes' })
  await open(page, bench, build, 'ports')
  for (const [name, cc] of [['1, no. 2', '84.2'], ['2, no. 2', '84.0'], ['3, no. 1', '80.1']] as const) await expect(page.getByRole('row', { name: new RegExp(`^${name} ${cc}`) })).toBeVisible()
  await expect(page.getByText('5 of 8 are not poured yet')).toBeVisible()
})

test('a box that stands for the other side’s valve keeps what is typed for that valve, and forgets what was said of the one before', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch, '2026-03-09T15:14', 'chamberModel')
  await preset(page, { 'bowl.portsLeaf': 'throats' })
  await open(page, bench, build, 'ports')
  const type = async (label: string, value: string) => {
    await field(page, label).fill(value)
    await page.keyboard.press('Enter')
  }
  await type('Intake valve, across', '44')
  await type('Throat of intake 1', '38')
  await type('As a share of the valve', '120')
  await expect(page.getByText('120.00 % can’t be right')).toBeVisible()
  await page.getByRole('button', { name: 'Exhaust', exact: true }).click()
  await expect(page.getByText('can’t be right')).toHaveCount(0)
  await expect(field(page, 'Exhaust valve, across')).toHaveValue('')
  await type('Exhaust valve, across', '36')
  await type('Throat of exhaust 1', '31')
  await type('As a share of the valve', '88')
  await field(page, 'Throat of exhaust 1').focus()
  await expect(page.locator('[data-share]')).toHaveText('86.1 %')
  await expect(page.getByRole('row', { name: /^1 .*0.68 mm/ })).toBeVisible()
  await page.getByRole('button', { name: 'Intake', exact: true }).click()
  await field(page, 'Throat of intake 1').focus()
  await expect(page.locator('[data-share]')).toHaveText('86.4 %')
  await expect(field(page, 'Intake valve, across')).toHaveValue('44.00')
})
