import { readFileSync } from 'node:fs'
import { copyOf, expect, field, list, open, pick, preset, test } from '../support/page'
import { TestServer } from '../support/server'
import { newBuild } from '../support/sent'

test('a half-typed pour survives a reload and a server restart, and goes in once', async ({ page }) => {
  const server = await TestServer.start({ demo: true })
  try {
    const builds = await (await fetch(`${server.url}/api/builds`)).json() as { id: string, name: string }[]
    const bench = { server, launch: builds.find(b => b.name === 'Brackwater 34')!.id }
    const { entries } = await (await fetch(`${server.url}/api/builds/${bench.launch}`)).json() as { entries: unknown[] }
    await preset(page, { 'bowl.pourStays': 'yes' })
    await open(page, bench, bench.launch, 'pour')
    await field(page, 'Cylinder 1: reading at the end').fill('55')
    await page.getByRole('button', { name: 'Another fill' }).click()
    await field(page, 'Cylinder 1: reading at the end').fill('55.')
    await page.reload()
    await expect(field(page, 'Cylinder 1: reading at the end')).toHaveValue('55.')
    await expect(page.getByText('fill 1: 0.0 to 55.0')).toBeVisible()

    await server.kill('SIGKILL')
    await page.getByRole('button', { name: 'Drop fill 1' }).click()
    await field(page, 'Cylinder 1: reading at the end').fill('55.3')
    await page.keyboard.press('Enter')
    // No server: the reading is safe here, and the header says that it waits.
    await expect(page.locator('.saved')).toContainText('1 waiting')
    await expect(page.locator('.pours')).toContainText('waiting')
    await server.run()
    await expect(page.locator('.saved')).toContainText(`${entries.length + 1} kept`)
    await expect(page.locator('.saved')).not.toContainText('waiting')
    await page.reload()
    await expect(page.locator('.pours ol li')).toHaveCount(3)
    await expect(field(page, 'Cylinder 1: reading at the end')).toHaveValue('')
  } finally {
    await server.stop()
  }
})

test('a reload stands at the cylinder where the hand stood; what is typed at another is told, and leads there', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await open(page, bench, build, 'pour')
  for (let i = 0; i < 2; i++) {
    await page.locator('body').press(']')
    // A hand takes a moment between two keys; faster would be a gauge.
    await page.waitForTimeout(120)
  }
  await field(page, 'Cylinder 3: reading at the end').fill('54.')
  for (let i = 0; i < 2; i++) {
    await page.reload()
    await expect(field(page, 'Cylinder 3: reading at the end')).toHaveValue('54.')
  }
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Next cylinder' }).click()
  await expect(page.locator('[data-elsewhere]')).toContainText('Typed at cylinder 3 and not kept: 54.')
  await page.getByRole('button', { name: 'Go to cylinder 3' }).click()
  await expect(field(page, 'Cylinder 3: reading at the end')).toHaveValue('54.')
  await expect(field(page, 'Cylinder 3: reading at the end')).toBeFocused()
  await expect(page.locator('[data-elsewhere]')).toHaveCount(0)
  // Another build begins at its first.
  await open(page, bench, bench.testSix, 'pour')
  await expect(field(page, 'Cylinder 1: reading at the end')).toBeVisible()
})

test('a fill that was put by is its own cylinder’s: gone with the pour it belongs to, and with no other', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  const { entries } = await (await fetch(`${bench.server.url}/api/builds/${build}`)).json() as { entries: unknown[] }
  await open(page, bench, build, 'pour')
  const putBy = async (cylinder: number) => {
    await field(page, `Cylinder ${cylinder}: reading at the end`).fill('30')
    await page.getByRole('button', { name: 'Another fill' }).click()
    await expect(page.getByText('fill 1: 0.0 to 30.0')).toBeVisible()
  }
  await putBy(1)
  await page.getByRole('button', { name: 'Next cylinder' }).click()
  await putBy(2)
  await page.reload()
  await expect(page.getByText('fill 1: 0.0 to 30.0')).toBeVisible()
  await page.locator('body').press('[')
  await field(page, 'Cylinder 1: reading at the end').fill('25.4')
  await page.keyboard.press('Enter')
  await expect(field(page, 'Cylinder 2: reading at the end')).toBeFocused()
  await expect(page.locator('.saved')).toContainText(`${entries.length + 1} kept`)
  await expect(page.getByText('fill 1: 0.0 to 30.0')).toBeVisible()
  await page.reload()
  // A key that comes before the page does is nobody's.
  await expect(page.getByText('fill 1: 0.0 to 30.0')).toBeVisible()
  await page.locator('body').press('[')
  await expect(field(page, 'Cylinder 1: reading at the end')).toHaveValue('')
  await expect(page.getByText('fill 1: 0.0 to 30.0')).toHaveCount(0)
})

test('of two pages on one build the second is told at save, sees the current state and keeps what it typed', async ({ page, bench, context }) => {
  const build = await newBuild(bench.server.url)
  const other = await context.newPage()
  for (const p of [page, other]) await open(p, bench, build, 'sheet')
  await field(page, 'Bore').fill('92')
  await field(page, 'Bore').press('Enter')
  await expect(field(other, 'Bore')).toHaveValue('92.00')

  await field(other, 'Bore').fill('92.5')
  await field(page, 'Bore').fill('92.2')
  await field(page, 'Bore').press('Enter')
  // It counts on its own page at once; the second is told once it is kept.
  await expect(page.getByRole('status').filter({ hasText: 'kept' })).toHaveText('3 kept')
  await field(other, 'Bore').press('Enter')
  await expect(other.getByText('TT changed this meanwhile: it is 92.20 mm now. Yours is still here')).toBeVisible()
  await expect(field(other, 'Bore')).toHaveValue('92.5')
  await field(other, 'Bore').press('Enter')
  await expect(field(page, 'Bore')).toHaveValue('92.50')
})

test('a voided pour turns its chamber back into the book’s, everywhere, and stays readable', async ({ page, bench }) => {
  await preset(page, { 'bowl.pourStays': 'yes' })
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'sheet')
  await field(page, 'Chamber').fill('53')
  await field(page, 'Chamber').press('Enter')
  await page.getByRole('link', { name: /Pour/ }).first().click()
  await field(page, 'Cylinder 1: reading at the end').fill('55.4')
  await page.keyboard.press('Enter')
  await expect(page.locator('.pours .mean .num').first()).toHaveClass(/measured/)
  await page.getByRole('link', { name: /Daybook/ }).click()
  await page.locator('tr', { hasText: 'Chamber 55.4' }).getByRole('button', { name: /strike out/ }).click()
  await page.getByRole('button', { name: 'Strike out', exact: true }).click()
  await expect(page.getByText('Say why it is struck out.')).toBeVisible()
  await page.getByLabel('Why is it struck out?').fill('bubble under the plate')
  await page.getByRole('button', { name: 'Strike out', exact: true }).click()
  await expect(page.locator('tr.void', { hasText: 'Chamber 55.4' })).toContainText('struck out by TT')
  await page.getByRole('link', { name: /Pour/ }).first().click()
  await expect(page.locator('.pours .mean .num').first()).toHaveClass(/book/)
})

test('a wrong reading is corrected in its place, and the Daybook shows both', async ({ page, bench }) => {
  await preset(page, { 'bowl.pourStays': 'yes' })
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'pour')
  await field(page, 'Cylinder 1: reading at the end').fill('65.4')
  await page.keyboard.press('Enter')
  await page.getByRole('link', { name: /Daybook/ }).click()
  await page.getByRole('button', { name: 'correct Chamber 65.4 cc' }).click()
  await field(page, 'Right reading').fill('56.4')
  await field(page, 'Right reading').press('Enter')
  await expect(page.locator('tr.superseded', { hasText: 'Chamber 65.4' })).toBeVisible()
  await expect(page.locator('tr.counts', { hasText: 'Chamber 56.4' })).toContainText('instead of Chamber 65.4 cc')
})

test('a build goes out as JSON and offers to come in as a copy', async ({ page, bench }) => {
  await open(page, bench, bench.testSix, 'daybook')
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'The build as JSON' }).click()])
  expect(download.suggestedFilename()).toBe('millrace-test-six.json')
  const file = await download.path()
  const { entries } = JSON.parse(readFileSync(file, 'utf8')) as { entries: unknown[] }
  await page.goto(bench.server.url)
  await page.locator('.bring input[type=file]').setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"other"}') })
  await expect(page.getByText('This is not a build kept by Precise Bowl.')).toBeVisible()
  await page.locator('.bring input[type=file]').setInputFiles(file)
  await expect(page.getByText('“Millrace test six” is here already.')).toBeVisible()
  await page.getByRole('button', { name: 'Copy with new ids' }).click()
  await expect(page).toHaveURL(/\/daybook$/)
  expect(page.url()).not.toContain(bench.testSix)
  await expect(page.locator('.saved')).toContainText(`${entries.length} kept`)
})

test('a reading typed in the very moment the page is left is still there', async ({ page, bench }) => {
  await open(page, bench, bench.launch, 'pour')
  await field(page, 'Cylinder 1: reading at the end').waitFor()
  await page.evaluate(() => {
    const input = document.querySelector<HTMLInputElement>('input[data-figure="Cylinder 1: reading at the end"]')!
    input.value = '55.7'
    input.dispatchEvent(new Event('input', { bubbles: true }))
    location.reload()
  })
  await expect(field(page, 'Cylinder 1: reading at the end')).toHaveValue('55.7')
  await field(page, 'Cylinder 1: reading at the end').press('Escape')
})

test('a form that is half stated or refused says so, keeps what was typed and enters nothing; what was measured waits', async ({ page, bench }) => {
  await preset(page, { 'bowl.mockupLeaf': 'springs', 'bowl.portsLeaf': 'seats' })
  const build = await copyOf(bench, bench.launch)
  const entries = async () => ((await (await fetch(`${bench.server.url}/api/builds/${build}`)).json()) as { entries: unknown[] }).entries.length
  const before = await entries()
  const typed = async (label: string, text: string) => {
    await field(page, label).fill(text)
    await field(page, label).press('Enter')
  }
  await open(page, bench, build, 'mockup')
  for (const [text, says] of [['12.5', 'state free length and solid height too'], ['x', 'A figure here is not read yet']] as const) {
    await typed('Outer spring, rate', text)
    await page.getByRole('button', { name: 'Keep the springs' }).click()
    await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible()
    await expect(field(page, 'Outer spring, rate')).toHaveValue(text)
    for (const [label, mm] of [['free length', '50'], ['solid height', '20']] as const) await typed(`Outer spring, ${label}`, mm)
  }
  await open(page, bench, build, 'ports')
  await typed('Top cut, outer: width', '0.5')
  await typed('Run-out', '0.03')
  await page.getByRole('button', { name: 'Keep this seat' }).click()
  await expect(page.getByRole('alert')).toHaveText('Top cut, outer: state its angle and its width, or neither.')
  expect(await entries()).toBe(before)
  await typed('Top cut, outer: width', '0')
  await pick(list(page, 'This seat'), 'as it is to be cut')
  await typed('Valve goes up by', '0.2')
  await page.getByRole('button', { name: 'Keep it as planned' }).click()
  await expect.poll(entries).toBe(before + 1)
  await pick(list(page, 'This seat'), 'as it is')
  await expect(field(page, 'Run-out')).toHaveValue('0.03')
})
