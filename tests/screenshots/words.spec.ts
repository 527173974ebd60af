import { everyLeaf, test } from '../support/page'

test('what stands on every leaf of every station, and in the shop', async ({ page, bench }) => {
  test.setTimeout(600_000)
  const seen = new Set<string>()
  const say = (where: string, text: string) => {
    console.log(`\n== ${where}`)
    // What was printed before is read already.
    for (const line of text.split('\n').map(t => t.trim())) {
      if (!/[A-Za-z]{3}/.test(line) || seen.has(line)) continue
      seen.add(line)
      console.log(line)
    }
  }
  for (const build of ['launch', 'skerry', 'skerrySmall', 'testSix', 'hollin', 'caldbeck'] as const) {
    for (const [leaf, text] of await everyLeaf(page, bench, bench[build], () => page.locator('body').innerText())) say(`${build}: ${leaf}`, text)
  }
  await page.goto(bench.server.url)
  await page.getByRole('tab').first().waitFor()
  for (const tab of await page.getByRole('tab').all()) {
    await tab.click()
    await page.waitForTimeout(500)
    say('shop', await page.locator('body').innerText())
  }
})
