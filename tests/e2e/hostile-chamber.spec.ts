import { copyOf, expect, field, list, open, pick, preset, test } from '../support/page'

// What is no chamber is said at the field or on the drawing; the last good solid stays.
test('a drawing refuses what can’t be made, and keeps what could', async ({ page, bench }) => {
  await preset(page, { 'bowl.sheetLeaf': 'chamber' })
  const build = await copyOf(bench, bench.launch)
  await open(page, bench, build, 'sheet')
  const factor = page.locator('[data-factor]')
  await expect(factor).toBeVisible()
  const before = await factor.textContent()
  expect(Number(before)).toBeGreaterThan(0.85)
  expect(Number(before)).toBeLessThan(1.15)

  const refused = async (label: string, text: string, sentence: RegExp) => {
    const one = field(page, label).first()
    await one.fill(text)
    await one.press('Enter')
    await expect(page.locator('.figure-field', { has: one }).first().locator('.sentence')).toContainText(sentence)
    await one.press('Escape')
  }
  await refused('Roof height', '0', /no height leaves no chamber/)
  await refused('Intake across', '70', /outside the mouth|overlap/)
  await refused('Wall draft', '88', /between 0\.0.*45\.0/)
  await refused('Top cut width', '-1', /between/)
  await expect(factor).toHaveText(before!)

  // A seat under the face: stated, so it stands, and the drawing says it can't be.
  const seat = page.getByRole('tabpanel', { name: 'Chamber' }).locator('section', { hasText: 'Exhaust' }).locator('input[data-figure="Seat edge"]')
  await seat.fill('-0.5')
  await seat.press('Enter')
  await expect(page.getByText(/low edge would lie .* under the face.*The last drawing that worked is still shown/)).toBeVisible()
  await expect(factor).toHaveText(before!)
  await expect(page.getByRole('button', { name: 'STL of cylinder 1' })).toBeVisible()
  await seat.fill('1.4')
  await seat.press('Enter')
  await expect(page.getByText('The last drawing that worked is still shown')).toBeHidden()

  // A point of the outline taken across the others, by its keys.
  await page.locator('[data-handle=o0]').focus()
  for (let i = 0; i < 95; i++) await page.keyboard.press('Shift+ArrowLeft')
  await expect(page.getByText(/crosses itself|outside the mouth/)).toBeVisible()
  // The last drawing that worked is still shown: on a slow machine one of those the point passed through.
  await expect(factor).toHaveText(/^[01]\.\d{3}$/)
  await expect(page.getByRole('button', { name: 'Keep this chamber' })).toBeDisabled()

  // A reload never loses it.
  await page.reload()
  await expect(page.getByText(/crosses itself|outside the mouth/)).toBeVisible()
  await page.getByRole('button', { name: 'Back to what is kept' }).click()
  // What stands there instead is told, should it not come.
  await expect.poll(async () => await factor.count() > 0 ? factor.textContent() : page.getByRole('tabpanel', { name: 'Chamber' }).innerText()).toBe(before)
})

test('impossible targets and set-ups are said, and nothing is cut', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await open(page, bench, build, 'cut')
  await expect(page.locator('[data-answer=deepest]')).toBeVisible()
  const set = async (label: string, text: string) => {
    await field(page, label).fill(text)
    await field(page, label).press('Enter')
  }
  // No metal is put back by a flat cut: what is looked at stays as it was.
  await set('Depth off the face', '-1')
  await expect(page.locator('.figure-field', { has: field(page, 'Depth off the face') }).locator('.sentence')).toContainText('between 0.01 mm and 12.00 mm')
  await expect(page.getByRole('button', { name: /^Plan 1\.\d\d mm/ })).toBeVisible()
  await field(page, 'Depth off the face').press('Escape')
  await page.getByLabel('Angled, then flat').check()
  await set('Angle', '40')
  await expect(page.locator('.figure-field', { has: field(page, 'Angle') }).locator('.sentence')).toContainText('more than 15°')
  await field(page, 'Angle').press('Escape')
  await set('Angle', '1')
  await set('Depth at bore line', '3')
  // What the shop is told: 3 mm at the bore line and 1° over 69 mm to either edge, 3 ∓ 69·tan 1°.
  await expect(field(page, 'Off the intake edge')).toHaveValue('1.80')
  await expect(field(page, 'Off the far edge')).toHaveValue('4.20')
  await expect(page.getByText('The angled cut alone takes too much')).toBeVisible()

  // 1.5° over 69 mm are 1.81; at the bore line the target asks for the flat cut's 1.13 less tan 1.5° · 11.9, for the mouth's middle lies that far to the deep side: 0.82.
  await set('Angle', '1.5')
  await set('Depth at bore line', '0.5')
  await expect(page.locator('[data-uncut]')).toContainText(/^(0\.9[5-9]|1\.0[0-3]) mm of the old face would stay at the edge, 69\.00 mm out/)
  await page.getByRole('button', { name: /^Plan / }).click()
  await expect(page.getByLabel('Why cut all the same?')).toBeFocused()
  await set('Angle', '0.5')
  await set('Depth at bore line', '0.6')
  await expect(page.locator('[data-uncut]')).toHaveCount(0)
  // Rolled across it is 0.00 at one end and 1.20 at the other still, 2.5 · 104 + 69 mm out: tan⁻¹(1.20/658). And back.
  await pick(list(page, 'Rolled'), 'across it')
  await expect(field(page, 'Ends, from the middle')).toHaveValue('329.00')
  await expect(field(page, 'Angle')).toHaveValue('0.10')
  await expect(field(page, 'Depth in the middle')).toHaveValue('0.60')
  await pick(list(page, 'Rolled'), 'about crank')
  await expect(field(page, 'Angle')).toHaveValue('0.50')
  await page.getByRole('button', { name: /^Plan 0\.4/ }).click()
  await expect(page.locator('.ask')).toContainText(/at the bore line, laid over 0\.50° about the crank, then 0\.4\d mm flat/)
})

test('a chamber is set out from its valves in a moment, and mirrored where it runs the other way', async ({ page, bench }) => {
  await preset(page, { 'bowl.sheetLeaf': 'chamber' })
  const build = await copyOf(bench, bench.testSix)
  await open(page, bench, build, 'sheet')
  await page.getByRole('button', { name: 'Start the drawing again' }).click()
  await pick(page.locator('#chamber-kind'), 'Bathtub')
  await page.getByRole('button', { name: 'Draw it' }).click()
  await expect(page.getByText('Both valves’ diameters are needed')).toBeVisible()
  for (const [valve, across] of [['Intake', '42'], ['Exhaust', '36']] as const) {
    await field(page, `${valve} valve, across`).fill(across)
    await field(page, `${valve} valve, across`).press('Enter')
  }
  await page.getByRole('button', { name: 'Draw it' }).click()
  await expect(page.getByRole('tabpanel', { name: 'Chamber' })).toContainText('Bathtub, cylinder 1')
  await expect(page.locator('[data-factor]')).toBeVisible()
  await page.getByRole('checkbox', { name: '1', exact: true }).check()
  await expect(page.getByRole('tabpanel', { name: 'Chamber' })).toContainText('mirrored')
  await page.getByRole('button', { name: 'Keep this chamber' }).click()
  await expect(page.getByRole('button', { name: 'Keep this chamber' })).toBeHidden()
})
