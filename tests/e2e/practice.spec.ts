import { v4 as uuid } from 'uuid'
import { put } from '../support/server'
import { copyOf, expect, open, test } from '../support/page'

test('a first build by the sheet of readings: only what the screen says is followed', async ({ page, bench }) => {
  await page.goto(`${bench.server.url}/new`)
  await page.getByRole('button', { name: 'Practise on a made-up engine' }).click()
  const says = page.locator('[data-step]')
  let followed = 0
  for (let steps = 0; steps < 60; steps++) {
    await expect(says).toBeVisible()
    const said = (await says.textContent())!
    if (said.startsWith('That is the whole of it')) break
    await page.getByLabel('Practice', { exact: true }).getByRole('link', { name: 'Show me' }).click()
    const typed = /^Type (.+?) into “(.+?)” and press Enter\.$/.exec(said)
    const press = /^Press the button that begins with “(.+?)”\.$/.exec(said)
    if (typed) {
      const field = page.locator(`.station-room input[data-figure="${typed[2]!}"]`)
      await expect(field).toHaveCount(1)
      await field.fill(typed[1]!)
      await field.press('Enter')
    } else if (press) {
      await page.locator('.station-room').getByRole('button', { name: new RegExp(`^${press[1]!}`) }).first().click()
    } else throw new Error(`a step that says nothing to do: ${said}`)
    await expect(says).not.toHaveText(said)
    followed++
    // It can be left and taken up where the ledger is: a reload in the middle loses nothing.
    if (followed === 12) {
      const next = (await says.textContent())!
      await page.reload()
      await expect(says).toHaveText(next)
    }
  }
  expect(followed).toBe(33)
  // π/4·84²·79/1000 = 437.80 over 39.9 + 6.89 (gasket) + 1.39 (deck) + 0.47 (crevice) = 48.65 in the smallest: 10.00.
  await expect(page.locator('.next')).toContainText('Every cylinder is on target')
  await expect(page.locator('.cell').nth(1)).toContainText('10.00')
  await page.getByRole('button', { name: 'Leave it' }).click()
  await expect(says).toHaveCount(0)
})

test('help explains the station that is open; find knows stations, leaves, figures and words of the trade', async ({ page, bench }) => {
  await page.goto(`${bench.server.url}/builds/${bench.launch}/mockup`)
  await page.locator('.station-room [data-station]').waitFor()
  await page.getByRole('button', { name: 'Help and keys' }).click()
  const help = page.getByRole('dialog')
  await expect(help.getByRole('heading', { name: 'Mock-up' })).toBeVisible()
  await expect(help.getByRole('img')).toHaveAttribute('aria-label', /Strands over the pin/)
  await help.getByRole('button', { name: 'Close' }).click()
  for (const [sought, url, seen] of [['mock', /\/mockup$/, 'Squish of cylinder'], ['shape', /\/shape$/, 'Match the need'], ['skim', /\/cut$/, 'Depth off the face'], ['rocker', /\/cut$/, 'Rocker ratio']] as const) {
    await page.getByRole('button', { name: 'Find' }).click()
    await page.getByLabel('Find a station, a figure, a cylinder or a build').fill(sought)
    await page.keyboard.press('Enter')
    await expect(page).toHaveURL(url)
    await expect(page.locator('.station-room')).toContainText(seen)
  }
})
test('a figure that is found has the hand in its field, wherever it lies; what an engine has not is not found', async ({ page, bench }) => {
  const find = async (sought: string) => {
    await page.getByRole('button', { name: 'Find' }).click()
    await page.getByLabel('Find a station, a figure, a cylinder or a build').fill(sought)
  }
  const there: [build: string, label: string, quantity: string][] = [
    [bench.launch, 'Squish area', 'squishArea'], [bench.launch, 'Pin offset', 'pinOffset'], [bench.launch, 'Exhaust lift, highest', 'exhaustLift'], [bench.launch, 'Squish area', 'squishArea'],
    [bench.launch, 'Squish recess', 'squishRecess'], [bench.launch, 'Exhaust open for', 'exhaustDuration'], [bench.launch, 'Intake open for', 'intakeDuration'], [bench.launch, 'Exhaust throat wanted', 'exhaustThroatShare'],
    [bench.skerry, 'Exhaust open for', 'exhaustDuration'], [bench.skerry, 'Squish recess', 'squishRecess']
  ]
  for (const [build, label, quantity] of there) {
    if (!page.url().includes(build)) await open(page, bench, build, 'sheet')
    await find(label)
    await page.keyboard.press('Enter')
    await expect(page.locator(`[data-quantity="${quantity}"] input`)).toBeFocused()
  }
  // At the bench the keys open over the lower half: the field comes up over them.
  await page.setViewportSize({ width: 820, height: 1180 })
  await open(page, bench, bench.launch, 'sheet')
  await find('Moving mass, exhaust')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('group', { name: 'Keypad' })).toBeVisible()
  await expect(page.locator('[data-quantity="exhaustMovingMass"] input')).toBeInViewport({ ratio: 1 })
  await open(page, bench, bench.skerry, 'sheet')
  await find('Intake seat, low')
  await expect(page.getByRole('dialog')).not.toContainText('Intake seat')
})

test('the next move opens Pour at what is to be filled, though Pour is open already', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.testSix)
  const { status } = await put(`${bench.server.url}/api/builds/${build}/entries/${uuid()}`, {
    at: new Date().toISOString(), hand: 'TT', kind: 'crownWork', v: 1, scope: { level: 'cylinder', cylinder: 2 }, body: { state: 'done', added: { value: 1, unit: 'cc', typed: '1' } }
  })
  expect(status).toBe(201)
  await open(page, bench, build, 'pour')
  const next = page.locator('.next')
  await expect(next).toContainText('The crown of cylinder 2 was changed and not measured since')
  await next.getByRole('link', { name: 'Pour' }).click()
  await expect(page.locator('.pour')).toContainText('Piston crown 2: reading at the end')
  await expect(next.locator('.here')).toBeVisible()
})
