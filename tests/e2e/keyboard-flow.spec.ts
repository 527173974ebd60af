import { Hand } from '../support/hand'
import { copyOf, expect, field, open, test } from '../support/page'

test('before and after on the flow bench, by keyboard alone', async ({ page, bench }) => {
  const hand = new Hand(page)
  const build = await copyOf(bench, bench.testSix)
  await open(page, bench, build, 'sheet')
  await hand.bare('8')
  await expect(page.getByText('No run yet.')).toBeVisible()
  await page.getByRole('button', { name: 'Enter a run' }).focus()
  await hand.press('Enter')
  const run = async (name: string, rows: string[]) => {
    await page.getByLabel('Name of this run').focus()
    await hand.text(name)
    await page.getByLabel(/^Lift in mm and flow/).focus()
    for (const row of rows) {
      await hand.text(row)
      await hand.press('Enter')
    }
    await hand.tabTo('Keep the run of intake 1')
    await hand.press('Enter')
  }
  // Without what it depends on it is no run; a reload keeps what was typed.
  await run('as received', ['2 20', '4 40', '6 55', '8 retainer'])
  await expect(page.getByText('Name the bench: runs on two benches can’t be compared.')).toBeVisible()
  await page.reload()
  await expect(page.getByLabel(/^Lift in mm and flow/)).toHaveValue('2 20\n4 40\n6 55\n8 retainer\n')
  await expect(page.locator('[data-read]')).toHaveText('4 lifts, to 8.00 mm, 1 not reached.')
  await page.getByLabel('Bench', { exact: true }).focus()
  await hand.text('Old bench')
  await hand.tabTo('Keep the run of intake 1')
  await hand.press('Enter')
  await expect(page.getByRole('alert')).toHaveText('State the depression: a flow without it says nothing.')
  await field(page, 'Depression').focus()
  await hand.figure('28')
  await field(page, 'Fixture’s bore').focus()
  await hand.figure('84')
  await page.getByRole('button', { name: 'Keep the run of intake 1' }).focus()
  await hand.press('Enter')
  await expect(page.locator('[data-peak]')).toHaveText('55.0')

  // The bowl is opened and ticked, and the head goes back on the bench.
  await hand.bare('4')
  await page.getByRole('tab', { name: 'Places', exact: true }).focus()
  await hand.press('Enter')
  await hand.tabTo('bowl')
  await hand.press('Enter')
  await hand.tabTo('How much')
  await hand.figure('1')
  await page.getByRole('button', { name: /^Mark it/ }).focus()
  await hand.press('Enter')
  await hand.tabTo('bowl is done', true)
  await hand.press('Space')
  await hand.bare('8')
  await page.getByRole('button', { name: 'Enter a run' }).focus()
  await hand.press('Enter')
  // The bench and the depression are as they were.
  await expect(page.getByLabel('Bench', { exact: true })).toHaveValue('Old bench')
  await run('bowl', ['2 21', '4 42', '6 57.5'])
  await page.getByRole('tab', { name: 'Before and after' }).focus()
  await hand.press('Enter')
  // Areas 2 to 6 mm: 60 + 95 before, 63 + 99.5 after.
  await expect(page.locator('[data-change]')).toContainText(`+${((162.5 / 155 - 1) * 100).toFixed(1)} %`)
  await expect(page.locator('[data-changed]')).toHaveText('Only the bowl changed: the difference is due to it.')
  await expect(page.getByText('assumed: nothing was repeated on it yet')).toBeVisible()
  // The same again: nothing changed, and the bench knows its own scatter better.
  await page.getByRole('tab', { name: 'New run' }).focus()
  await hand.press('Enter')
  await run('bowl, again', ['2 21.2', '4 42.3', '6 57.6'])
  await page.getByRole('tab', { name: 'Before and after' }).focus()
  await hand.press('Enter')
  await expect(page.getByText('After is the mean of runs 2 and 3, which repeat each other.')).toBeVisible()
  await expect(page.getByText('from 2 runs that were repeated')).toBeVisible()

  // The first was entered wrong: it is put right in its place, and keeps its number.
  await page.getByRole('tab', { name: 'Curves' }).focus()
  await hand.press('Enter')
  await page.getByRole('button', { name: /^correct 1 as received/ }).focus()
  await hand.press('Enter')
  await expect(page.getByText('Correcting 1 as received')).toBeVisible()
  await expect(page.getByLabel(/^Lift in mm and flow/)).toHaveValue('2 20\n4 40\n6 55\n8 retainer')
  await page.getByLabel('Name of this run').focus()
  await hand.press('End')
  await hand.text(' here')
  // The fixture was none that anybody measured.
  await field(page, 'Fixture’s bore').focus()
  await hand.press('Control+A')
  await hand.press('Delete')
  await expect(field(page, 'Fixture’s bore')).toHaveValue('')
  // A reload loses nothing of it.
  await page.reload()
  await expect(field(page, 'Fixture’s bore')).toHaveValue('')
  await page.getByRole('button', { name: 'Keep the correction' }).focus()
  await hand.press('Enter')
  await expect(page.getByRole('list', { name: 'Runs' })).toContainText(/1 as received here.*2 bowl.*3 bowl, again/)
  const { entries } = await (await fetch(`${bench.server.url}/api/builds/${build}`)).json() as { entries: { id: string, kind: string, at: string, supersedes?: string, body: { fixture?: object } }[] }
  const runs = entries.filter(e => e.kind === 'flowRun')
  const right = runs.find(e => e.supersedes)!
  expect(runs.length).toBe(4)
  expect(right.body.fixture).toBeUndefined()
  expect(right.at).toBe(runs.find(e => e.id === right.supersedes)!.at)

  // How two cams use the last curve.
  await page.getByRole('button', { name: 'Lifts to count between, and another cam' }).focus()
  await hand.press('Enter')
  await field(page, 'Other cam, lift at the valve').focus()
  await hand.figure('6')
  await field(page, 'Other cam, duration').focus()
  await hand.figure('240')
  await expect(page.locator('[data-cams]').getByRole('img')).toHaveAttribute('aria-label', /over the other \d+\.\d L\/s/)
})
