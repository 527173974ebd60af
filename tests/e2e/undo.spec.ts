import { copyOf, expect, field, open, preset, test } from '../support/page'
import { newBuild } from '../support/sent'

const kept = async (url: string, build: string) => ((await (await fetch(`${url}/api/builds/${build}`)).json()) as { entries: { kind: string, undoes?: string, scope: { cylinder?: number } }[] }).entries

test('what was done is undone and done again, by key and by press, through a reload; the ledger holds all of it', async ({ page, bench }) => {
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'sheet')
  for (const [label, text] of [['Bore', '92'], ['Stroke', '85']] as const) {
    await field(page, label).fill(text)
    await field(page, label).press('Enter')
  }
  await field(page, 'Bore').fill('93')
  await field(page, 'Bore').press('Enter')
  await expect(field(page, 'Bore')).toHaveValue('93.00')
  // A field that shows what stands there does not take the key for itself.
  await page.keyboard.press('Control+z')
  await expect(field(page, 'Bore')).toHaveValue('92.00')
  await expect(page.locator('.saved')).toContainText('Undone: Bore 93.00 mm')
  // A shop that answers late loses no step to a page that is left meanwhile, and no key that is pressed meanwhile.
  await page.route('**/batches/**', async (route) => {
    await new Promise(answered => setTimeout(answered, 500))
    await route.continue().catch(() => undefined)
  })
  await page.getByRole('button', { name: /^Undo Stroke/ }).click()
  await expect(field(page, 'Stroke')).toHaveValue('')
  await page.reload()
  await page.getByRole('button', { name: /^Redo Stroke/ }).click()
  await expect(field(page, 'Stroke')).toHaveValue('85.00')
  await page.keyboard.press('Control+y')
  await expect(field(page, 'Bore')).toHaveValue('93.00')
  // Half typed, the field undoes its own typing and nothing else.
  await field(page, 'Bore').fill('99')
  await page.keyboard.press('Control+z')
  await expect(page.getByRole('button', { name: 'Redo', exact: true })).toBeDisabled()
  await field(page, 'Bore').press('Escape')
  await expect.poll(async () => (await kept(bench.server.url, build)).filter(e => e.undoes).length).toBe(4)
})

test('a step of a drawing is undone like an entry', async ({ page, bench }) => {
  await preset(page, { 'bowl.sheetLeaf': 'chamber' })
  await open(page, bench, await copyOf(bench, bench.launch), 'sheet')
  await field(page, 'Wall draft').fill('9')
  await field(page, 'Wall draft').press('Enter')
  await expect(page.getByRole('button', { name: 'Keep this chamber' })).toBeVisible()
  await page.getByRole('button', { name: /^Undo the last step of the drawing/ }).click()
  await expect(field(page, 'Wall draft')).toHaveValue('7.0')
  await page.getByRole('button', { name: /^Redo the last step of the drawing/ }).click()
  await expect(field(page, 'Wall draft')).toHaveValue('9.0')
})

test('a pour taken at another cylinder is moved there as one step, and back; what is typed is kept when the hand goes elsewhere', async ({ page, bench }) => {
  await preset(page, { 'bowl.pourStays': 'yes' })
  const build = await newBuild(bench.server.url)
  await open(page, bench, build, 'pour')
  await field(page, 'Cylinder 1: reading at the end').fill('170.4')
  await page.getByRole('button', { name: '2 fills: 100 + 70.4' }).click()
  await page.keyboard.press('Enter')
  await expect(page.locator('.pours ol li')).toContainText('170.4')
  await page.getByRole('button', { name: 'Move pour 1 to another cylinder' }).click()
  await page.getByText('to cylinder 2').click()
  await expect(page.locator('.pours ol li')).toHaveCount(0)
  const of = (cylinder: number) => page.getByRole('navigation', { name: 'Cylinders' }).locator('.cell').nth(cylinder - 1)
  await of(2).click()
  await expect(page.locator('.pours ol li')).toContainText('170.4')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(page.locator('.pours ol li')).toHaveCount(0)
  await of(1).click()
  await expect(page.locator('.pours ol li')).toContainText('170.4')

  // Away to another station: the figure that was typed is kept, one that breaks off waits.
  await open(page, bench, build, 'sheet')
  await field(page, 'Bore').fill('92')
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /Daybook/ }).click()
  await expect(page.locator('tr', { hasText: 'Bore 92.00' })).toBeVisible()
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /Sheet/ }).click()
  await field(page, 'Stroke').fill('85.')
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /Daybook/ }).click()
  await page.getByRole('navigation', { name: 'Stations' }).getByRole('link', { name: /Sheet/ }).click()
  await expect(field(page, 'Stroke')).toHaveValue('85.')
})

test('a build like another has its dimensions as claims and none of its readings; its engine is put right in the Daybook', async ({ page, bench }) => {
  await open(page, bench, bench.launch, 'daybook')
  await page.getByRole('button', { name: 'The build' }).click()
  await page.getByRole('link', { name: 'A new build of the same engine' }).click()
  await expect(page.getByText('Like Brackwater 34')).toBeVisible()
  await expect(page.getByLabel('Cylinders')).toHaveValue('6')
  await page.getByLabel('Name').fill('Sister of the launch')
  await page.getByLabel('Job reference').fill('no. 8')
  await page.getByRole('button', { name: 'Begin' }).click()
  await expect(field(page, 'Bore')).toHaveValue('92.00')
  await expect(page.getByRole('button', { name: /^Bore: where it comes from, book/ })).toBeVisible()
  const build = page.url().split('/')[4]!
  await expect.poll(async () => (await kept(bench.server.url, build)).some(e => e.kind === 'chamberModel')).toBe(true)
  expect((await kept(bench.server.url, build)).some(e => ['pour', 'measure', 'solder', 'deckReadings'].includes(e.kind))).toBe(false)

  await open(page, bench, build, 'daybook')
  await page.getByRole('button', { name: 'The build' }).click()
  await page.getByRole('button', { name: 'What kind of engine it is' }).click()
  await page.locator('.layout').getByLabel('Cylinders').fill('5')
  await page.getByRole('button', { name: 'Keep what it is' }).click()
  await expect(page.getByRole('navigation', { name: 'Cylinders' }).locator('.cell')).toHaveCount(5)
})
