import { copyOf, expect, field, open, pick, preset, test } from '../support/page'

test('a seat job is reckoned from its cone, two forms side by side, and lets the face be cut past the target', async ({ page, bench }) => {
  await preset(page, { 'bowl.cutLeaf': 'seats' })
  const build = await copyOf(bench, bench.launch)
  await open(page, bench, build, 'cut')
  await pick(page.locator('#seat-valve'), 'exhaust')
  for (const [form, topCut] of [['A', '30'], ['B', '15']] as const) {
    for (const [label, text] of [['Machined form, across', '38'], ['Top cut', topCut], ['Seat', '45'], ['Valve goes up by', '.5 mm']] as const) {
      await field(page, `${label}, ${form}`).fill(text)
      await field(page, `${label}, ${form}`).press('Enter')
    }
  }
  await expect(page.locator('[data-seat=A]')).toHaveText('0.593 cc')
  await expect(page.locator('[data-seat=B]')).toHaveText('0.625 cc')
  // 0.5/(tan 45° − tan 30°), 0.5·cos 24°, 0.593/4.65
  const a = page.locator('.forms section').first()
  await expect(a).toContainText('1.18 mm')
  await expect(a).toContainText('0.46 mm upright')
  await expect(a).toContainText('0.13 mm')
  // A top cut as steep as the seat leaves no seat: said at the field, the last figure stays.
  await field(page, 'Top cut, B').fill('90')
  await field(page, 'Top cut, B').press('Enter')
  await expect(page.locator('.figure-field', { has: field(page, 'Top cut, B') }).locator('.sentence')).toContainText(/between 5\.0.*60\.0/)
  await field(page, 'Top cut, B').press('Escape')
  await page.getByRole('button', { name: 'Plan form A on the whole head' }).click()
  await expect(page.getByText('Seat work is planned on all six cylinders')).toBeVisible()
  // The other valve's job can be planned beside it; the next move leads here, and one press enters it as done.
  await pick(page.locator('#seat-valve'), 'intake')
  for (const [label, text] of [['Machined form, across', '45'], ['Top cut', '30'], ['Valve goes up by', '.2 mm']] as const) {
    await field(page, `${label}, A`).fill(text)
    await field(page, `${label}, A`).press('Enter')
  }
  await expect(page.getByRole('button', { name: 'Plan form A on the whole head' })).toBeEnabled()
  await expect(page.locator('[data-planned=seatWork]')).toHaveCount(6)
  await page.getByRole('button', { name: /^Done/ }).nth(5).click()
  await expect(page.locator('[data-planned=seatWork]')).toHaveCount(5)
  await page.getByRole('button', { name: 'All of it is done' }).click()
  await expect(page.locator('[data-planned=seatWork]')).toHaveCount(0)
  await page.getByRole('tab', { name: 'Face' }).click()
  // The lowest, cylinder 4, asked for 1.55 mm of the solid; now 0.593 cc more at some 4.45 cc per mm
  await expect(page.locator('[data-answer=lowest]')).toContainText(/1\.6[789] mm/)
})

test('a seat job of a head with two exhaust valves a cylinder counts both, until somebody says one', async ({ page, bench }) => {
  await preset(page, { 'bowl.cutLeaf': 'seats' })
  await open(page, bench, await copyOf(bench, bench.hollin), 'cut')
  await pick(page.locator('#seat-valve'), 'exhaust')
  for (const [label, text] of [['Machined form, across', '38'], ['Top cut', '30'], ['Valve goes up by', '.5 mm']] as const) {
    await field(page, `${label}, A`).fill(text)
    await field(page, `${label}, A`).press('Enter')
  }
  // 2 · 0.593
  await expect(page.locator('[data-seat=A]')).toHaveText(/^1\.1[89]\d? cc$/)
  await pick(page.locator('#seat-count'), '1')
  await expect(page.locator('[data-seat=A]')).toHaveText('0.593 cc')
})

test('what else moves: cam, pushrods, flanges and deck, each from its own figures', async ({ page, bench }) => {
  await preset(page, { 'bowl.cutLeaf': 'else' })
  const build = await copyOf(bench, bench.launch)
  await open(page, bench, build, 'cut')
  await page.getByRole('tab', { name: 'Face' }).click()
  await field(page, 'Depth off the face').fill('0.6')
  await field(page, 'Depth off the face').press('Enter')
  await expect(page.getByText('Planned').first()).toBeVisible()
  await page.getByRole('tab', { name: 'What else moves' }).click()
  const state = async (label: string, text: string) => {
    await field(page, label).fill(text)
    await field(page, label).press('Enter')
  }
  await state('Tight run to the bore', '5')
  await state('Pitch of chain or belt', '9.525')
  await state('Teeth on the cam', '38')
  await expect(page.locator('.else')).toContainText('falls back 1.19° of crank')
  // An engine in line has no flanges of a vee.
  await expect(field(page, 'Flange from level')).toHaveCount(0)
  await state('Pushrod to the bore', '6')
  await state('Rocker ratio', '1.5')
  // 0.6·cos 6°
  await expect(page.locator('.else')).toContainText('stand 0.60 mm long')
  await state('Head’s deck, thickness', '10')
  await state('Least the maker allows', '9.6')
  await expect(page.locator('.else')).toContainText('0.20 mm under the minimum')
})
