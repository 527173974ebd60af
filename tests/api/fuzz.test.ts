import { readdirSync } from 'node:fs'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { v4 as uuid } from 'uuid'
import { STARTING_RULES, startingSpec } from '#core'
import type { BuildView } from '#shared/dto'
import { TestServer, upToDate } from '../support/server'
import { bore, buildRequest, frame, instrument, instrumentId, layout, newBuild, pour } from '../support/sent'
import { RUNS, chance, report } from '../support/soak'

/** Random requests over every route: sound bodies with something odd put in, and bodies that are no JSON any more. */
const REQUESTS = RUNS(1200, 12_000)
const SEED = 12_000

let server: TestServer
let build: string
beforeAll(async () => {
  server = await TestServer.start({ demo: true })
  build = await newBuild(server.url)
})
afterAll(() => server.stop())

const deep = JSON.parse(`${'['.repeat(900)}1${']'.repeat(900)}`) as unknown
const ODD: unknown[] = [
  null, true, 0, -0, -1, 1e308, -1e308, 1e-320, 2 ** 53, 0.1 + 0.2, '', ' ', '0', 'NaN', '\u0000', '\uD800', '\u202E', '💥', '__proto__', 'constructor', 'toString', 'hasOwnProperty',
  'x'.repeat(5000), '\' or 1=1--', '<script>', '../../etc/passwd', [], [[]], [null], {}, { $gt: '' }, { toString: 1 }, { length: 1e9 }, deep, '2026-02-30T00:00:00Z', '9999-12-31T23:59:59Z', [1, [2, [3]]]
]
type Json = Record<string, unknown>
const figure = (value: number) => ({ value, unit: 'mm', typed: String(value) })
const of = (kind: string, body: unknown, scope: unknown = { level: 'cylinder', cylinder: 1 }) => ({ ...frame, kind, scope, body })

const ENTRIES: Json[] = [
  bore(), pour(), layout, of('target', { ratio: { value: 9.9, unit: ':1', typed: '9.9' }, tolerance: { value: 0.1, unit: ':1', typed: '0.1' }, countsCrevice: true }, { level: 'build' }),
  of('title', { name: 'Another', reference: 'R' }, { level: 'build' }), of('solder', { readings: [{ x: 0, y: 0, figure: figure(1.2) }] }), of('wheel', { pairs: [{ drop: figure(5), before: { value: -9, unit: '°', typed: '' }, after: { value: 10, unit: '°', typed: '' } }] }),
  of('faceCut', { state: 'done', depth: figure(0.5), slopeX: 0.01, removed: [{ cylinder: 1, x: 0, cc: 1, perMm: 4, factor: 1 }] }, { level: 'head', head: 1 }),
  of('chamberModel', { spec: startingSpec('wedge', { bore: 92, intake: 42, exhaust: 35 }), mirrored: [] }, { level: 'head', head: 1 }), of('relief', { state: 'done', added: { value: 1, unit: 'cc', typed: '1' } }),
  of('liftTable', { valve: 'intake', rows: [{ angle: 0, lift: 0 }, { angle: 90, lift: 8 }, { angle: 180, lift: 0 }] }, { level: 'build' }), of('void', { reason: 'slip' }, { level: 'build' })
] as Json[]

interface Asked { method: 'GET' | 'PUT', path: string, body?: unknown }
type Make = (luck: ReturnType<typeof chance>) => Asked
const odd = (luck: ReturnType<typeof chance>) => encodeURIComponent(luck.pick(['x', '0', uuid(), '..', '%00', 'null', '1 or 1=1', '💥', 'a'.repeat(3000)]))
const id = (luck: ReturnType<typeof chance>, usual: string) => luck.below(8) === 0 ? odd(luck) : usual
const get = (path: (luck: ReturnType<typeof chance>) => string): Make => luck => ({ method: 'GET', path: path(luck) })

/** Each route by its file; one that is added fails here until it is listed. */
const ROUTES: Record<string, Make> = {
  'health.get.ts': get(() => '/api/health'), 'shop.get.ts': get(() => '/api/shop'), 'gauges.get.ts': get(() => '/api/gauges'),
  'builds/index.get.ts': get(() => '/api/builds'), 'instruments/index.get.ts': get(() => '/api/instruments'),
  'events.get.ts': get(luck => `/api/events?gauge=${odd(luck)}&build=${odd(luck)}&x=${odd(luck)}`),
  'working/[id].get.ts': get(luck => `/api/working/${id(luck, uuid())}`),
  '[...].ts': get(luck => `/api/${odd(luck)}`),
  'builds/[build]/index.get.ts': get(luck => `/api/builds/${id(luck, build)}?since=${odd(luck)}`),
  'builds/[build]/file.get.ts': get(luck => `/api/builds/${id(luck, build)}/file`),
  'builds/[build]/readings/[kind].get.ts': get(luck => `/api/builds/${id(luck, build)}/readings/${luck.pick(['pours', 'deck', 'solder', odd(luck)])}`),
  'builds/[build]/photographs/[photograph].get.ts': get(luck => `/api/builds/${id(luck, build)}/photographs/${id(luck, 'a'.repeat(64))}?${luck.pick(['small', odd(luck)])}`),
  'builds/[build]/photographs/[photograph].put.ts': luck => ({ method: 'PUT', path: `/api/builds/${id(luck, build)}/photographs/${id(luck, 'a'.repeat(64))}`, body: { picture: 'x' } }),
  'builds/[build]/index.put.ts': luck => ({ method: 'PUT', path: `/api/builds/${id(luck, uuid())}`, body: buildRequest }),
  'builds/[build]/entries/[entry].put.ts': luck => ({ method: 'PUT', path: `/api/builds/${id(luck, build)}/entries/${id(luck, uuid())}${luck.below(9) ? '' : `?seen=${odd(luck)}`}`, body: luck.pick(ENTRIES) }),
  'builds/[build]/batches/[batch].put.ts': luck => ({ method: 'PUT', path: `/api/builds/${id(luck, build)}/batches/${uuid()}`, body: { hand: 'TT', entries: [{ id: uuid(), ...luck.pick(ENTRIES) }, { id: uuid(), ...pour() }] } }),
  'imports/[import].put.ts': luck => ({
    method: 'PUT', path: `/api/imports/${id(luck, uuid())}`,
    body: { copy: luck.below(2) === 0, hand: 'TT', document: { format: 'precise-bowl-build', version: 1, build: { id: 'b3a1c1de-9c1f-4a7e-8f36-5d1b2a7c4e91', name: 'In', reference: 'R' }, entries: [{ id: uuid(), build: 'b3a1c1de-9c1f-4a7e-8f36-5d1b2a7c4e91', seq: 1, ...layout }] } }
  }),
  'instruments/[instrument]/index.put.ts': luck => ({ method: 'PUT', path: `/api/instruments/${id(luck, instrumentId)}`, body: { ...instrument, hand: 'TT' } }),
  'instruments/[instrument]/checks/[check].put.ts': luck => ({ method: 'PUT', path: `/api/instruments/${id(luck, instrumentId)}/checks/${uuid()}`, body: { hand: 'TT', at: frame.at, known: { kind: 'ball', diameter: 40, u: 0.005 }, pours: [[{ start: 0, end: 33.4 }]] } }),
  'rules/[rules].put.ts': luck => ({ method: 'PUT', path: `/api/rules/${id(luck, uuid())}`, body: { ...STARTING_RULES, hand: 'TT' } }),
  'practice/index.get.ts': get(luck => `/api/practice?hand=${luck.pick(['TT', odd(luck)])}`), 'schools/index.get.ts': get(() => '/api/schools'),
  'practice/[reading].put.ts': luck => ({ method: 'PUT', path: `/api/practice/${id(luck, uuid())}`, body: { hand: 'TT', kind: 'dial', truth: 1.413, given: 2.413, slip: 'turn', at: frame.at } }),
  'schools/[choice].put.ts': luck => ({ method: 'PUT', path: `/api/schools/${id(luck, uuid())}`, body: { hand: 'TT', topic: 'seatCuts', school: 'three', why: 'Quicker', builds: [build], at: frame.at } })
}

/** Puts something odd somewhere into a body, or takes something out of it. */
function spoiled(luck: ReturnType<typeof chance>, body: unknown): unknown {
  const copy = JSON.parse(JSON.stringify(body)) as unknown
  let here = copy
  for (;;) {
    if (typeof here !== 'object' || here === null) return luck.pick(ODD)
    const keys = Object.keys(here)
    if (keys.length === 0) return copy
    const key = luck.pick(keys) as keyof typeof here
    const inner: unknown = here[key]
    if (typeof inner === 'object' && inner !== null && luck.below(3) > 0) {
      here = inner
      continue
    }
    const what = luck.below(6)
    if (what === 0) Reflect.deleteProperty(here, key)
    else if (what === 1 && !Array.isArray(here)) (here as Json)[String(luck.pick(['extra', '__proto__x', 'constructor', '\u0000']))] = luck.pick(ODD)
    else (here as Json)[key] = luck.pick(ODD)
    return copy
  }
}

/** The body as text: mostly whole, now and then no JSON any more. */
function asText(luck: ReturnType<typeof chance>, body: unknown): string {
  const text = JSON.stringify(body) ?? 'undefined'
  switch (luck.below(12)) {
    case 0: return text.slice(0, luck.below(text.length))
    case 1: return text.replace(/\d/, () => '1e999')
    case 2: return text.replace(':', `:${luck.pick(['NaN', '"\\ud800"', '[', '\u0001'])}`)
    default: return text
  }
}

it('no request over any route is the server’s fault, and none that is refused stores anything', async () => {
  const found = readdirSync('server/api', { recursive: true, withFileTypes: true }).filter(f => f.isFile()).map(f => `${f.parentPath}/${f.name}`.replace(/^server\/api\/?/, ''))
  expect(Object.keys(ROUTES).sort()).toEqual(found.sort())
  const luck = chance(SEED)
  const makes = Object.entries(ROUTES)
  const rows = async () => (await server.query<{ n: number }>('select (select count(*) from entries) + (select count(*) from builds) + (select count(*) from instrument_checks) + (select count(*) from shop_rules) + (select count(*) from practice_readings) + (select count(*) from school_choices) as n'))[0]!.n
  let before = Number(await rows())
  const by = new Map<string, number>()
  for (let i = 0; i < REQUESTS; i++) {
    // Writes are where the harm would be: most requests are.
    const [route, make] = luck.below(4) === 0 ? luck.pick(makes) : luck.pick(makes.filter(([name]) => name.includes('.put.')))
    const { method, path, body } = make(luck)
    const text = body === undefined ? undefined : asText(luck, luck.below(6) === 0 ? body : spoiled(luck, body))
    const stop = new AbortController()
    const answer = await fetch(server.url + path, { method, body: text, headers: text === undefined ? {} : { 'content-type': luck.below(30) === 0 ? 'text/plain' : 'application/json' }, signal: stop.signal })
    const where = `request ${i} of seed ${SEED}: ${method} ${path.slice(0, 120)} ${text?.slice(0, 300) ?? ''}`
    expect(answer.status, where).toBeLessThan(500)
    if (route === 'events.get.ts' && answer.ok) stop.abort()
    else if (answer.status >= 400) expect(((await answer.json()) as { detail: string }).detail.length, where).toBeGreaterThan(5)
    else await answer.arrayBuffer()
    by.set(String(answer.status), (by.get(String(answer.status)) ?? 0) + 1)
    if (answer.status >= 400 && method === 'PUT' && i % 20 === 0) expect(Number(await rows()), where).toBe(before)
    if (answer.status < 400 || i % 20 === 0) before = Number(await rows())
  }
  // Refused requests in between stored nothing either: every row there is was answered with “added”.
  expect(by.get('201') ?? 0).toBeGreaterThan(REQUESTS / 50)
  expect(by.get('422') ?? 0).toBeGreaterThan(REQUESTS / 10)
  for (const { id } of await upToDate(server)) {
    const opened = await fetch(`${server.url}/api/builds/${id}`)
    expect(opened.status).toBe(200)
    expect(((await opened.json()) as BuildView).unsound).toEqual([])
  }
  report('Fuzzed requests over every route', { requests: REQUESTS, routes: makes.length, serverFaults: 0, ...Object.fromEntries([...by].sort().map(([status, n]) => [`answered ${status}`, n])), seed: SEED })
}, 1_200_000)
