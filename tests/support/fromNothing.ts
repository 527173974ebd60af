import { expect, type Page } from '@playwright/test'
import type { Hand } from './hand'

export const circle = (mm: number) => Math.PI / 4 * mm * mm / 100
/** cc of a cylinder, from mm. */
export const disc = (across: number, high: number) => circle(across) * high / 10
export const next = (page: Page) => page.locator('.next .said')
export const ratioOf = (page: Page, cylinder: number) => page.getByRole('navigation', { name: 'Cylinders' }).getByRole('button', { name: new RegExp(`^Cylinder ${cylinder}\\b`) })

/** To where the next move is made: a link that opens nothing to do fails here. */
export async function goOn(hand: Hand): Promise<string> {
  await hand.bare('m')
  await hand.page.waitForTimeout(500)
  if ((await hand.page.locator('.next .here').count()) > 0 && !await hand.page.evaluate(() => document.activeElement?.matches('input, button[data-new]'))) await hand.bare('m')
  const at = await hand.at()
  expect(await hand.page.evaluate(() => document.activeElement?.matches('input, button[data-new]')), `“${await next(hand.page).textContent()}” leads to nothing to do`).toBe(true)
  return at
}
/** The stack's other parts, down the callouts: crown, top land, crown's diameter, gasket's bore and thickness. */
export async function restOfStack(hand: Hand, figures: string[]): Promise<void> {
  await hand.bare('n')
  // The book's chamber and the mouth are left for when they are asked for.
  for (let i = 0; i < 2 && await hand.at() !== 'Crown, − dome'; i++) await hand.press('Enter')
  expect(await hand.at()).toBe('Crown, − dome')
  for (const figure of figures) await hand.figure(figure)
}
/** Readings by their cylinder, in whatever order the round asks for them. */
export async function pourAll(hand: Hand, readings: Record<number, string>): Promise<void> {
  const left = new Map(Object.entries(readings))
  while (left.size > 0) {
    const cylinder = /(\d+): reading at the end/.exec(await hand.at())?.[1] ?? ''
    expect([...left.keys()], 'the round goes on to a cylinder that has been poured').toContain(cylinder)
    await hand.figure(left.get(cylinder)!)
    left.delete(cylinder)
  }
}
export async function begin(hand: Hand, url: string, name: string, answers: () => Promise<void>): Promise<void> {
  await hand.page.goto(url)
  await expect(hand.page.getByText('Brackwater 34').first()).toBeVisible()
  await hand.tabTo(/^New build/)
  await hand.press('Enter')
  await expect(hand.page.getByLabel('Name')).toBeFocused()
  await hand.text(name)
  await hand.press('Tab')
  await hand.text('made up')
  await answers()
  await expect(hand.page.locator('input[data-figure="Bore"]')).toBeFocused()
}
