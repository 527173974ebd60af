import { TestServer } from '../support/server'
import { copyOf, expect, open, preset, test } from '../support/page'
import { phonePicture, sha256 } from '../support/pictures'

test('a place that is touched is where it was touched, on either side of the face', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  await preset(page, { 'bowl.sheetLeaf': 'takeIn' })
  await open(page, bench, build, 'sheet')
  const plan = page.locator('.take-in .holder')
  const box = (await plan.boundingBox())!
  // Cylinder 1 is to the right, and the intake side up: y is towards the exhaust side, down.
  await plan.click({ position: { x: box.width - 40, y: box.height / 2 } })
  await expect(page.getByRole('combobox', { name: 'Where' })).toHaveValue('where you touched: at cylinder 1')
  await plan.click({ position: { x: 40, y: box.height - 30 } })
  await expect(page.getByRole('combobox', { name: 'Where' })).toHaveValue('where you touched: at cylinder 6')
  await page.getByRole('button', { name: 'Enter what was found' }).click()
  await expect(page.locator('[data-finding]')).toHaveCount(1)
  interface Kept { entries: { kind: string, body: { place: { x: number, y: number } } }[] }
  const kept = async () => (await (await fetch(`${bench.server.url}/api/builds/${build}`)).json() as Kept).entries.find(e => e.kind === 'finding')
  await expect.poll(kept).toBeDefined()
  const { place } = (await kept())!.body
  expect(place.x).toBeLessThan(-200)
  expect(place.y).toBeGreaterThan(20)
})

test('pictures that are none get a sentence beside the field; with the shop away they wait on the device', async ({ page }) => {
  const server = await TestServer.start({ demo: true })
  try {
    const builds = await (await fetch(`${server.url}/api/builds`)).json() as { id: string, name: string }[]
    const build = builds.find(b => b.name === 'Skerry 125')!.id
    await preset(page, { 'bowl.sheetLeaf': 'takeIn' })
    await open(page, { server }, build, 'sheet')
    const files = page.getByLabel('Photographs')
    const tries: [name: string, mimeType: string, buffer: Buffer, sentence: RegExp][] = [
      ['plan.svg', 'image/svg+xml', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), /“plan\.svg” can’t be read here: JPEG, PNG and WebP can\./],
      ['IMG.HEIC', 'image/heic', Buffer.from('x'), /JPEG, PNG and WebP can/],
      ['huge.jpg', 'image/jpeg', Buffer.alloc(33 * 1024 * 1024), /too large: at most 32 MB/],
      ['half.jpg', 'image/jpeg', (await phonePicture(2400, 1800)).subarray(0, 9000), /damaged, or was cut short/],
      ['no.png', 'image/png', Buffer.from('<html>'), /no picture that can be read here/]
    ]
    for (const [name, mimeType, buffer, sentence] of tries) {
      await files.setInputFiles({ name, mimeType, buffer })
      await expect(page.locator('.photo-field')).toContainText(sentence)
      await expect(page.getByText(/being taken in/)).toHaveCount(0)
      await expect(page.locator('.photo-field [data-photo]')).toHaveCount(0)
    }

    const picture = await phonePicture(640, 480)
    await server.kill()
    await files.setInputFiles({ name: 'a.jpg', mimeType: 'image/jpeg', buffer: picture })
    await expect(page.locator(`.photo-field [data-photo="${sha256(picture)}"] img`)).toBeVisible()
    await page.getByRole('button', { name: 'Enter what was found' }).click()
    const kept = page.locator(`[data-finding] [data-photo="${sha256(picture)}"] img`)
    await expect(kept).toBeVisible()
    await expect(page.getByText(/waiting/)).toBeVisible()
    await server.run()
    await expect.poll(async () => (await fetch(`${server.url}/api/builds/${build}/photographs/${sha256(picture)}`)).status).toBe(200)
    await page.reload()
    await expect(kept).toBeVisible()
    expect((await server.query<{ n: string }>('select count(*) as n from photographs where sha256 = $1', [sha256(picture)]))[0]!.n).toBe('1')
    // One that is left out of its finding is not to be had any more.
    await page.locator('[data-finding]').getByRole('button', { name: /^change/ }).click()
    await page.getByRole('button', { name: /^Leave out/ }).click()
    await page.getByRole('button', { name: 'Keep the change' }).click()
    await expect(page.locator('[data-finding]')).toHaveCount(1)
    await expect(page.locator('[data-photo]')).toHaveCount(0)
    await expect.poll(async () => (await fetch(`${server.url}/api/builds/${build}/photographs/${sha256(picture)}`)).status).toBe(404)
  } finally {
    await server.stop()
  }
})

test('a photograph on its way belongs to what it was taken of, and nothing is entered without it', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.caldbeck)
  await preset(page, { 'bowl.sheetLeaf': 'takeIn' })
  await open(page, bench, build, 'sheet')
  await page.route('**/photographs/*', route => new Promise(r => setTimeout(r, 1500)).then(() => route.continue()))
  const picture = await phonePicture(640, 480)
  const enter = page.getByRole('button', { name: 'Enter what was found' })
  const cylinder = (n: number) => page.locator('.strip .cell').nth(n - 1)
  await page.getByLabel('Photographs').setInputFiles({ name: 'a.jpg', mimeType: 'image/jpeg', buffer: picture })
  await expect(enter).toBeDisabled()
  await cylinder(2).click()
  await expect(page.getByText(/being taken in/)).toHaveCount(0)
  await expect(page.locator('.photo-field [data-photo]')).toHaveCount(0)
  await cylinder(1).click()
  await expect(page.locator(`.photo-field [data-photo="${sha256(picture)}"]`)).toBeVisible()
  await enter.click()
  await expect(page.locator(`[data-finding] [data-photo="${sha256(picture)}"]`)).toBeVisible()
})
