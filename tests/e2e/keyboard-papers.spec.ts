import { execFileSync } from 'node:child_process'
import { Hand } from '../support/hand'
import { copyOf, expect, list, open, pick, test } from '../support/page'

test('papers by keyboard alone: shown as they print, saved, and of their moment', async ({ page, bench }) => {
  const hand = new Hand(page)
  const build = await copyOf(bench, bench.testSix)
  await open(page, bench, build, 'sheet')
  await hand.bare('0')
  const sheet = page.getByRole('img', { name: /^Customer sheet, page 1 of 1: .*What was done to your engine/ })
  await expect(sheet).toBeVisible()
  await expect(sheet).toHaveAttribute('aria-label', /as wanted/)
  await expect(sheet).toHaveAttribute('aria-label', /Nothing is open\./)
  await hand.tabTo('Full record')
  await hand.press('Enter')
  await expect(page.getByRole('img', { name: /^Full record, page 1 of/ })).toBeVisible()
  await pick(list(page, 'On'), 'letter')
  await expect(page.getByRole('img', { name: /^Full record, page 2 of/ })).toBeVisible()
  await page.getByRole('button', { name: 'Save as PDF' }).focus()
  const [download] = await Promise.all([page.waitForEvent('download'), hand.press('Enter')])
  expect(download.suggestedFilename()).toMatch(/full record\.pdf$/)
  const text = execFileSync('pdftotext', ['-layout', await download.path(), '-'], { encoding: 'utf8' })
  expect(text).toContain('How each ratio is made up')
  expect(execFileSync('pdfinfo', [await download.path()], { encoding: 'utf8' })).toMatch(/Page size:\s+612 x 792/)
  expect(execFileSync('pdffonts', [await download.path()], { encoding: 'utf8' })).toMatch(/B612-Regular.*yes yes yes/)

  // A target that is stated anew makes the paper anew, and what is open stands at its foot.
  await hand.tabTo('Customer sheet', true)
  await hand.press('Enter')
  await expect(sheet).toBeVisible()
  await hand.press('Escape')
  await page.evaluate(async ([url, id, entry]) => {
    await fetch(`${url!}/api/builds/${id!}/entries/${entry!}`, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ at: new Date().toISOString(), hand: 'AB', kind: 'target', v: 1, scope: { level: 'build' }, body: { ratio: { value: 11, unit: ':1', typed: '11' }, tolerance: { value: 0.1, unit: ':1', typed: '0.1' }, countsCrevice: true } }) })
  }, [bench.server.url, build, crypto.randomUUID()])
  await expect(sheet).toHaveAttribute('aria-label', /ratio of 11\.00/)
  await expect(sheet).toHaveAttribute('aria-label', /still open/)
})
