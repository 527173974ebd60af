import { v4 as uuid } from 'uuid'
import { TestServer, put, upToDate } from '../support/server'
import { copyOf, expect, list, open, pick, preset, test } from '../support/page'

const HOUR = 3_600_000
const clock = (build: string, at: number, step: string, on: boolean, hand = 'TT') => [`/api/builds/${build}/entries/${uuid()}`, { at: new Date(at).toISOString(), hand, kind: 'clock', v: 1, scope: { level: 'build' }, body: { step, on } }] as const

test('clocks: two devices, a reload, midnight and a killed server; hours are neither lost nor doubled', async ({ page, context }) => {
  const server = await TestServer.start({ demo: true })
  try {
    const builds = await (await fetch(`${server.url}/api/builds`)).json() as { id: string, name: string }[]
    const [six, hollin] = ['Millrace test six', 'Hollin 16'].map(name => builds.find(b => b.name === name)!.id) as [string, string]
    const send = async ([path, body]: readonly [string, object]) => {
      expect((await put(`${server.url}${path}`, body)).status).toBe(201)
    }
    // Begun at ten in the evening two days ago, ended half an hour past midnight: on a card of 11.4 h that is 2.5 h more.
    const evening = new Date(Date.now() - 2 * 24 * HOUR).setHours(22, 0, 0, 0)
    await send(clock(six, evening, 'deburr', true))
    await send(clock(six, evening + 2.5 * HOUR, 'deburr', false))
    // Another device ends it once more, not knowing; that changes nothing.
    await send(clock(six, evening + 2.6 * HOUR, 'deburr', false))
    await preset(page, { 'bowl.daybookLeaf': 'card' })
    await open(page, { server }, six, 'daybook')
    const worked = page.locator('.job .big').first()
    await expect(worked).toContainText('13.9')
    const row = (step: string) => page.locator(`[data-step="${step}"]`)
    await expect(row('deburr').locator('td').nth(3)).toHaveText('3.1')

    // Here begun, and it runs over a reload and a server that is gone meanwhile.
    await row('rough').getByRole('button', { name: /^Start the clock/ }).click()
    await expect(page.locator('.clock')).toContainText('TT is at')
    await page.reload()
    await expect(page.locator('.clock')).toContainText('Rough the chambers')
    await server.kill('SIGKILL')
    await row('scribe').getByRole('button', { name: /^Start the clock/ }).click()
    await expect(page.locator('.clock')).toContainText('Mark the limit')
    await server.run()

    // Another device begins at another build: here it is ended at that very moment.
    const other = await context.newPage()
    await other.addInitScript(() => localStorage.setItem('bowl.hand', 'TT'))
    await preset(other, { 'bowl.daybookLeaf': 'card' })
    await expect.poll(async () => (await upToDate(server)).find(b => b.id === six)?.reckoned?.job?.running.map(r => r.step)).toEqual(['scribe'])
    await open(other, { server }, hollin, 'daybook')
    await other.getByRole('button', { name: 'Begin the card' }).click()
    await expect(other.getByText(/^Your clock also runs at Millrace test six, mark the limit, since/)).toBeVisible()
    await other.locator('[data-step="clean"]').getByRole('button', { name: /^Start the clock/ }).click()
    await expect(page.locator('.clock')).not.toContainText('TT is at')
    const entries = async (build: string) => (await (await fetch(`${server.url}/api/builds/${build}`)).json() as { entries: { kind: string, at: string, hand: string, body: { step: string, on: boolean } }[] }).entries.filter(e => e.kind === 'clock' && e.hand === 'TT')
    await expect.poll(async () => (await entries(six)).length).toBe(6)
    expect((await entries(six)).at(-1)).toMatchObject({ body: { step: 'scribe', on: false }, at: (await entries(hollin))[0]!.at })

    // The shop says who is at what, and what waits for whom.
    await page.goto(server.url)
    await page.getByRole('tab', { name: 'Today' }).click()
    await expect(page.getByText('1 clock runs.')).toBeVisible()
    await expect(page.getByRole('row', { name: /TT Hollin 16.*Clean and strip/ })).toBeVisible()
    await expect(page.getByRole('row', { name: /Brackwater 34.*Cut the face: which gasket the owner will pay for/ })).toBeVisible()
  } finally {
    await server.stop()
  }
})

test('a clock that ran through a night asks how much of it was worked; what was bought and a step of its own go on the quote', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.hollin)
  const [path, body] = clock(build, Date.now() - 15 * HOUR, 'seats', true)
  await put(`${bench.server.url}${path}`, body)
  await preset(page, { 'bowl.daybookLeaf': 'card' })
  await open(page, bench, build, 'daybook')
  await pick(list(page, 'What kind of job'), 'Chambers only')
  await page.getByRole('button', { name: 'Begin the card' }).click()
  await expect(page.locator('.clock')).toContainText('Cut the seats 15:00')
  await expect(page.getByLabel('Of which nobody worked, h')).toBeVisible()
  await page.getByLabel('Of which nobody worked, h').fill('15.5')
  await page.getByRole('button', { name: 'Stop the clock' }).click()
  await expect(page.getByText('Hours between 0 and 15.0.')).toBeVisible()
  await page.getByLabel('Of which nobody worked, h').fill('12')
  await page.getByRole('button', { name: 'Stop the clock' }).click()
  await expect(page.getByRole('row', { name: /Cut the seats, not on the card.*3\.0/ })).toBeVisible()

  await page.getByRole('button', { name: 'Change the card' }).click()
  await page.getByLabel('Clean and strip: hours planned').fill('1.5')
  await page.getByLabel('Its name').fill('Make a plate')
  await page.getByRole('button', { name: 'Add it' }).click()
  await page.getByRole('button', { name: 'Something bought' }).click()
  await page.getByLabel('What was bought, 1', { exact: true }).fill('Sheet of acrylic')
  await page.getByLabel('Its money, 1', { exact: true }).fill('twelve')
  await page.getByRole('button', { name: 'Keep the card' }).click()
  await expect(page.getByText(/What was bought costs between 0 and/)).toBeVisible()
  // A reload loses nothing of it.
  await page.reload()
  await page.getByRole('button', { name: 'Change the card' }).click()
  await expect(page.getByLabel('What was bought, 1', { exact: true })).toHaveValue('Sheet of acrylic')
  await page.getByLabel('Its money, 1', { exact: true }).fill('12.50')
  await page.getByRole('button', { name: 'Keep the card' }).click()
  // 0.5 + 1.5 + 1.2 (eight pours) + 0.3 + 0.5 + 10.2 (20.4 cc planned) + 1.2 + 0.7 + 0.5 + 1.
  await expect(page.locator('.job .big').first()).toContainText('3.0 h of 17.6 planned')
  await page.locator('[data-step="Make a plate"]').getByRole('checkbox', { name: 'Make a plate: done' }).click()
  await expect(page.locator('[data-step="Make a plate"]')).toHaveClass(/done/)
  await open(page, bench, build, 'papers')
  await page.getByRole('button', { name: 'Quote', exact: true }).click()
  // 17.6 h at 60 and 12.50.
  await expect(page.getByRole('img', { name: /^Quote, page 1 of 1: .*1056\.00 \+ 12\.50 = 1068\.50/ })).toBeVisible()
  await page.getByRole('button', { name: 'Bill of hours' }).click()
  await expect(page.getByRole('img', { name: /^Bill of hours, page 1 of 1: .*180\.00 \+ 12\.50 = 192\.50/ })).toBeVisible()
})

test('a new build of a casting begins with what its heads were, and says so', async ({ page, bench }) => {
  await page.goto(bench.server.url)
  await page.getByRole('tab', { name: 'Castings' }).click()
  const article = page.locator('article').filter({ has: page.getByRole('heading', { name: 'MW 3412' }) })
  await expect(article).toContainText('water breaks through beside the exhaust boss of 3')
  await expect(article).toContainText('is thin at the guide boss of exhaust 3: keep off there')
  const [value, doubt] = (await article.locator('.big').textContent())!.match(/[\d.]+/g)!
  const measured = await article.locator('tbody tr').first().locator('td').filter({ hasText: /\d/ }).count() - 2
  const from = `Casting MW 3412, ${measured} heads`
  await article.getByRole('link', { name: 'New build of it' }).click()
  await expect(page.getByText(`${from}: chamber`)).toContainText(`${value} ± ${doubt} cc`)
  await page.getByLabel('Name').fill('A third of them')
  await page.getByLabel('Job reference').fill('Launch no. 9')
  await page.getByRole('button', { name: 'Begin' }).click()
  await page.locator('.station-room [data-station]').waitFor()
  const id = /builds\/([^/]+)/.exec(page.url())![1]!
  interface Kept { entries: { kind: string, note?: string, body: { quantity?: string, mark?: string, place?: string, way?: string, figure?: { value: number }, u?: { value: number } } }[] }
  const kept = async () => (await (await fetch(`${bench.server.url}/api/builds/${id}`)).json() as Kept).entries
  await expect.poll(async () => (await kept()).some(e => e.kind === 'assume' && e.body.quantity === 'mouthArea')).toBe(true)
  const entries = await kept()
  const chamber = entries.filter(e => e.body.quantity === 'chamberVolume')
  expect(chamber).toHaveLength(1)
  expect(chamber[0]).toMatchObject({ kind: 'assume', note: from })
  expect(chamber[0]!.body.figure!.value.toFixed(1)).toBe(value)
  expect((2 * chamber[0]!.body.u!.value).toFixed(1)).toBe(doubt)
  expect(entries.find(e => e.kind === 'casting')!.body.mark).toBe('MW 3412')
  // Other specs may mark more of them in copies of the same head.
  await expect.poll(async () => (await kept()).filter(e => e.kind === 'portPlace').map(e => [e.note, e.body.place, e.body.way])).toEqual(expect.arrayContaining([[from, 'guideBoss', 'thin'], [from, 'roof', 'thin']]))
})

test('what an engine did afterwards belongs to the state that ran', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.testSix)
  await preset(page, { 'bowl.daybookLeaf': 'after' })
  await open(page, bench, build, 'daybook')
  // Power wants its figure; what is typed stays over a reload.
  await page.getByLabel('Conditions').fill('21 °C, 1004 hPa')
  await page.getByRole('button', { name: 'Enter it' }).click()
  await expect(page.getByText('A power run has its power.')).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Conditions')).toHaveValue('21 °C, 1004 hPa')
  await page.getByLabel('Power, kW').fill('97,5')
  // What came first stands last.
  const ran = list(page, 'The state that ran')
  await ran.press('ArrowDown')
  await expect(page.getByRole('listbox')).toBeVisible()
  await page.keyboard.press('End')
  await page.getByRole('option', { name: 'as it came in', exact: true }).click()
  await page.getByRole('button', { name: 'Enter it' }).click()
  // As it came: nine and some; as it went out: 9.85 to 9.89.
  await expect(page.locator('.after li').first()).toContainText('power run; 97.5 kW; 21 °C, 1004 hPa')
  await expect(page.locator('.after li').first()).toContainText(/9\.\d\d to 9\.\d\d as it came in/)
  await expect(page.locator('.after li').nth(1)).toContainText('9.85 to 9.89 after')
})

test('twenty readings of practice are offered for this hand’s pours, and count only where they are taken', async ({ page, bench }) => {
  const build = await copyOf(bench, bench.launch)
  // Off by 0.03 to either side: s = 0.0308, √2 of it 0.0435, twice that 0.09.
  for (let i = 0; i < 20; i++) await put(`${bench.server.url}/api/practice/${uuid()}`, { hand: 'PQ', kind: 'burette', truth: 20, given: i % 2 ? 20.03 : 19.97, at: new Date(Date.UTC(2026, 1, 1, 9, i)).toISOString() })
  await page.addInitScript(() => localStorage.setItem('bowl.hand', 'PQ'))
  await open(page, bench, build, 'pour')
  await expect(page.getByText('By your practice you repeat a pour to ± 0.09 cc; ± 0.16 counts.')).toBeVisible()
  const pours = async () => (await (await fetch(`${bench.server.url}/api/builds/${build}`)).json() as { entries: { kind: string, hand: string, body: { instrument?: { repeatability: number } } }[] }).entries.filter(e => e.kind === 'pour' && e.hand === 'PQ')
  const enter = async (text: string) => {
    await page.locator('.reading input').fill(text)
    await page.locator('.reading input').press('Enter')
  }
  await enter('55.4')
  await expect.poll(async () => (await pours()).map(e => e.body.instrument!.repeatability)).toEqual([0.08])
  await page.getByRole('button', { name: 'Go by your hand' }).click()
  await expect(page.getByText('The hand of PQ counts')).toBeVisible()
  await enter('54.6')
  await expect.poll(async () => (await pours()).map(e => e.body.instrument!.repeatability)).toEqual([0.08, 0.044])
  await page.getByRole('button', { name: 'Go by the glass' }).click()
  await expect(page.getByText('By your practice you repeat')).toBeVisible()
})
