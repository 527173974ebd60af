import { copyOf, open, test } from '../support/page'

// Reported, not asserted: how long the main thread is held while the simulator streams at 20 Hz and somebody pours.
test('main-thread tasks while a gauge streams at 20 Hz', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await page.addInitScript(() => {
    localStorage.setItem('bowl.gauge', 'sim-burette')
    const kept = window as unknown as { tasks: number[], readings: number }
    kept.tasks = []
    kept.readings = 0
    new PerformanceObserver(list => list.getEntries().forEach(entry => kept.tasks.push(entry.duration))).observe({ type: 'longtask', buffered: false })
  })
  await open(page, bench, build, 'pour')
  await page.locator('input[data-figure="Cylinder 1: reading at the end"]').focus()
  await page.locator('.gauge output').waitFor()
  // The opening of the page is over; from here on the stream runs.
  await page.waitForTimeout(3000)
  await page.evaluate(() => {
    const kept = window as unknown as { tasks: number[], readings: number }
    kept.tasks = []
    new MutationObserver(list => kept.readings += list.length).observe(document.querySelector('.gauge output')!, { characterData: true, childList: true, subtree: true })
  })
  const seconds = 20
  for (let i = 0; i < seconds / 2; i++) {
    await page.keyboard.type(`5${i}.4`, { delay: 40 })
    await page.keyboard.press('Escape')
    await page.waitForTimeout(1600)
    if (i % 4 === 3) await page.keyboard.press('F9')
  }
  const { tasks, readings } = await page.evaluate(() => {
    const { tasks: list, readings: n } = window as unknown as { tasks: number[], readings: number }
    return { tasks: list, readings: n }
  })
  console.log(`streaming at 20 Hz for ${seconds} s: ${readings} changes of the display, ${tasks.length} main-thread tasks over 50 ms${tasks.length > 0 ? `, the longest ${Math.max(...tasks).toFixed(0)} ms` : ''}`)
})
