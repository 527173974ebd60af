import { expect, field, open, test } from '../support/page'
import { newBuild } from '../support/sent'

const count = async (url: string, build: string) => ((await (await fetch(`${url}/api/builds/${build}`)).json()) as { entries: unknown[] }).entries.length

test('bad figures on the Sheet get a sentence beside the field and change nothing', async ({ page, bench }) => {
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'sheet')
  const cases: [string, string, RegExp][] = [
    ['Bore', '-92', /−92.000 mm can’t be right for the bore/],
    ['Bore', '92000', /must lie between 20.000 mm and 300.000 mm/],
    ['Bore', 'ninety', /not a number/],
    ['Bore', 'NaN', /not a number/],
    ['Bore', '1e2', /no powers of ten/],
    ['Bore', '92 cc', /cc is for a volume/],
    ['Stroke', '<script>alert(1)</script>', /not a number/],
    ['Ratio', '1', /can’t be right for the target ratio/],
    ['Ratio', '-9.9', /can’t be right for the target ratio/],
    ['Gasket, fitted', '1,000.5', /two marks/]
  ]
  for (const [label, text, says] of cases) {
    await field(page, label).fill(text)
    await field(page, label).press('Enter')
    const said = page.locator('.figure-field', { has: field(page, label) }).locator('.sentence')
    await expect(said).toHaveText(says)
    await expect(field(page, label)).toHaveValue(text)
    await expect(field(page, label)).toHaveAttribute('aria-invalid', 'true')
    await field(page, label).press('Escape')
  }
  expect(await count(bench.server.url, build)).toBe(1)
})

test('bad readings at the burette are refused beside the burette', async ({ page, bench }) => {
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'pour')
  const reading = field(page, 'Cylinder 1: reading at the end')
  for (const [text, says] of [['140', /on the scale, 0 to 100/], ['0', /a burette counts what was delivered/], ['-5', /on the scale/], ['60+140', /on the scale/]] as const) {
    await reading.fill(text)
    await reading.press('Enter')
    await expect(page.locator('.work .sentence').first()).toHaveText(says)
    await reading.press('Escape')
    await expect(page.getByText(`cleared ${text}, z brings it back`)).toBeVisible()
  }
  await reading.press('z')
  await expect(reading).toHaveValue('60+140')
  expect(await count(bench.server.url, build)).toBe(1)
})

test('the shop page refuses what is no name and no instrument', async ({ page, bench }) => {
  await page.goto(`${bench.server.url}/new`)
  await page.getByLabel('Name').first().fill('x\'); DROP TABLE entries;--')
  await page.getByLabel('Job reference').fill('<b>1</b>')
  // Enter goes on to the next answer: nothing is begun by it.
  await page.getByLabel('Job reference').press('Enter')
  await expect(page.getByRole('combobox', { name: 'Cycle' })).toBeFocused()
  await expect(page.getByRole('button', { name: 'Begin' })).toBeEnabled()
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(page.locator('form.new .v-messages__message').first()).toHaveText(/can’t hold “;”/)
  await expect(page.locator('form.new .v-messages__message').nth(1)).toHaveText(/can’t hold “<”/)
  await expect(page.getByLabel('Name').first()).toBeFocused()
  await page.goto(bench.server.url)
  await page.getByRole('tab', { name: 'Instruments' }).click()
  await page.getByRole('button', { name: 'Add an instrument' }).click()
  const glass = page.locator('form.form')
  await glass.getByLabel('Name').fill('Bad glass')
  await glass.getByLabel(/^Capacity/).fill('lots')
  await glass.getByLabel(/^Tolerance/).fill('-1')
  await page.getByRole('button', { name: 'Keep' }).click()
  await expect(page.getByText('A number is needed for the capacity, in cc.')).toBeVisible()
  await expect(page.getByText('-1 can’t be right for the tolerance')).toBeVisible()
  const instruments = await (await fetch(`${bench.server.url}/api/instruments`)).json() as unknown[]
  expect(instruments).toHaveLength(4)
})

test('without initials nothing is kept, and the field says why', async ({ page, bench }) => {
  await page.addInitScript(() => localStorage.setItem('bowl.hand', ''))
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'sheet')
  await field(page, 'Bore').fill('92')
  await field(page, 'Bore').press('Enter')
  await expect(page.getByText('Put your initials in the header first')).toBeVisible()
  expect(await count(bench.server.url, build)).toBe(1)
})
