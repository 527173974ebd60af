import { Hand } from '../support/hand'
import { copyOf, expect, field, list, open, pick, test } from '../support/page'

test('springs by keyboard alone: read, entered, short of room, a stop, and shimmed back', async ({ page, bench }) => {
  const hand = new Hand(page)
  const build = await copyOf(bench, bench.hollin)
  await open(page, bench, build, 'mockup')
  await page.getByRole('tab', { name: 'Springs', exact: true }).focus()
  await hand.press('Enter')
  const row = (name: RegExp) => page.getByRole('row', { name })
  // 34.0 − 7.9 − 24.6; 24·(44.5 − 34) + 11·(40 − 34).
  await expect(row(/^1, no\. 1/)).toContainText('1.50 mm')
  await expect(row(/^1, no\. 1/)).toContainText('318 N')
  // One valve of the third cylinder came without its room: 33.5 − 7.9 − 24.6.
  await expect(page.locator('[data-room]')).toHaveText('1.00 mm')
  // A longer solid height takes 0.8 more from all: 33.5 − 7.9 − 25.4 is 0.2.
  await field(page, 'Outer spring, solid height').focus()
  await hand.figure('50')
  await hand.tabTo('Keep the springs')
  await hand.press('Enter')
  await expect(page.getByRole('alert')).toHaveText('Outer: a spring is shorter solid than free.')
  await field(page, 'Outer spring, solid height').focus()
  await hand.figure('25.4')
  await page.reload()
  await expect(field(page, 'Outer spring, solid height')).toHaveValue('25.40')
  await hand.tabTo('Keep the springs')
  await hand.press('Enter')
  await expect(page.locator('[data-room]')).toHaveText('0.20 mm')
  await expect(page.locator('.middle')).toContainText('The intake spring of the worst of all four cylinders has 0.20 mm left before it is solid; the minimum is 1.20 mm. Do not turn the engine over.')
  // Taken down to others, its height is read anew: the way to the seal stays with it.
  await hand.tabTo('Installed height of Intake 3, no. 2')
  await hand.figure('35')
  await expect(row(/^3, no\. 2/)).toContainText('1.70 mm')
  await expect(field(page, 'Retainer to seal of Intake 3, no. 2')).toHaveValue('9.50')
  await page.keyboard.press('Control+z')
  await expect(row(/^3, no\. 2/)).toContainText('0.20 mm')
  // By a tester's two loads: (480 − 260)/(33 − 25) is 27.5 N/mm, free at 33 + 260/27.5; the inner one stays.
  await page.getByRole('button', { name: 'Exhaust', exact: true }).focus()
  await hand.press('Enter')
  await pick(list(page, 'Known by'), 'two loads')
  for (const [label, figure] of [['height shut', '33'], ['load shut', '480'], ['height open', '25'], ['load open', '260']] as const) {
    await field(page, `Outer spring, ${label}`).focus()
    await hand.figure(figure)
  }
  await page.getByRole('button', { name: 'Keep the springs' }).focus()
  await hand.press('Enter')
  await expect(page.getByRole('alert')).toHaveText('Outer: A spring carries more at the lower of its two heights.')
  for (const [label, figure] of [['load shut', '260'], ['load open', '480']] as const) {
    await field(page, `Outer spring, ${label}`).focus()
    await hand.press('Control+A')
    await hand.figure(figure)
  }
  await page.getByRole('button', { name: 'Keep the springs' }).focus()
  await hand.press('Enter')
  await expect(row(/^1, no\. 1/)).toContainText(`${Math.round(27.5 * (33 + 260 / 27.5 - 33.2) + 11 * (40 - 33.2))} N`)
  await pick(list(page, 'Known by'), 'rate and free length')
  await expect(field(page, 'Outer spring, rate')).toHaveValue('27.5')
  // What was seen on the engine counts before what springs promise.
  await field(page, 'Seen to float at').focus()
  await hand.figure('7900')
  await expect(page.getByText(/seen to float at 7900 rpm/)).toBeVisible()
  await expect(page.getByText('This engine is built for 8200 rpm.')).toBeVisible()
})
