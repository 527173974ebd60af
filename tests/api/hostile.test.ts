import { request } from 'node:http'
import { readdirSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { v4 as uuid } from 'uuid'
import { TestServer, put } from '../support/server'
import { KINDS, STARTING_RULES, startingSpec } from '#core'
import { bore, buildRequest, frame, instrument, instrumentId, layout, newBuild, pour } from '../support/sent'

let server: TestServer
let build: string
beforeAll(async () => {
  server = await TestServer.start()
  build = await newBuild(server.url)
})
afterAll(() => server.stop())

const HASH = 'a'.repeat(64)
type Hostile = [what: string, path: () => string, body: unknown, field: string]
const entry = () => `/api/builds/${build}/entries/${uuid()}`
const huge = () => ({ ...bore(), note: 'x'.repeat(10 * 1024 * 1024) })
const figure = (value: unknown, unit = 'mm') => ({ value, unit, typed: 'x' })
const target = (ratio: unknown) => ({ ...frame, kind: 'target', scope: { level: 'build' }, body: { ratio: figure(ratio, ':1'), tolerance: figure(0.1, ':1'), countsCrevice: true } })
const fills = (...list: unknown[]) => ({ ...pour(), body: { ...pour().body, fills: list } })

const check = () => `/api/instruments/${instrumentId}/checks/${uuid()}`
const checkRequest = (known: object = { kind: 'ball', diameter: 40, u: 0.005 }) => ({ hand: 'TT', at: frame.at, known, pours: [[{ start: 0, end: 33.4 }]] })
const rules = () => `/api/rules/${uuid()}`
const practice = () => `/api/practice/${uuid()}`
const practised = { hand: 'TT', kind: 'burette', truth: 31.42, given: 31.4, at: frame.at }
const choice = () => `/api/schools/${uuid()}`
const chosen = { hand: 'TT', topic: 'unshroud', school: 'pin', why: 'A pin is quick.', builds: [], at: frame.at }
const batch = () => `/api/builds/${build}/batches/${uuid()}`
const of = (kind: string, body: unknown, scope: unknown = { level: 'cylinder', cylinder: 1 }) => ({ ...frame, kind, scope, body })
const head = { level: 'head', head: 1 }
const all = { level: 'build' }
const run = { bench: 'Bench one', depression: { value: 6974, unit: 'Pa', typed: '6974' }, pipe: 'none', entry: 'clay', rows: [{ lift: 4, flow: 40 }] }
const port = { level: 'port', cylinder: 1, port: 'intake' }
const valve = { level: 'valve', cylinder: 1, valve: 'exhaust' }
const [mould, flange, seat, spring] = [KINDS.mould.example(), KINDS.flange.example(), KINDS.seat.example(), KINDS.spring.example()]
const metal = { valve: 0, radii: Array.from({ length: 120 }, () => 24), below: 0.3, line: 46 }
const chamber = startingSpec('wedge', { bore: 92, intake: 42, exhaust: 35 })
const spot = (value: unknown, x: unknown = 0) => ({ x, y: 0, figure: figure(value) })
const extra = (more: object) => ({ ...pour(), body: { ...pour().body, ...more } })

/** Every route there is, and what is thrown at it. A route that is added fails here until it is listed. */
const ROUTES: Record<string, Hostile[]> = {
  'health.get.ts': [], 'shop.get.ts': [], 'events.get.ts': [], 'builds/index.get.ts': [], 'instruments/index.get.ts': [],
  '[...].ts': [['an unknown address', () => '/api/nowhere', {}, '']],
  'working/[id].get.ts': [], 'schools/index.get.ts': [], 'practice/index.get.ts': [],
  'builds/[build]/index.get.ts': [], 'builds/[build]/file.get.ts': [], 'builds/[build]/readings/[kind].get.ts': [], 'gauges.get.ts': [],
  'builds/[build]/photographs/[photograph].get.ts': [],
  // What is wrong with pictures is in photographs.test.ts.
  'builds/[build]/photographs/[photograph].put.ts': [
    ['JSON for a picture', () => `/api/builds/${build}/photographs/${HASH}`, {}, ''],
    ['a picture of no proper name', () => `/api/builds/${build}/photographs/img.jpg`, {}, 'photograph']
  ],
  'builds/[build]/index.put.ts': [
    ['an empty name', () => `/api/builds/${uuid()}`, { ...buildRequest, name: ' ' }, 'name'],
    ['SQL in a name', () => `/api/builds/${uuid()}`, { ...buildRequest, name: 'x\'); DROP TABLE entries;--' }, 'name'],
    ['a script in a name', () => `/api/builds/${uuid()}`, { ...buildRequest, reference: '<script>alert(1)</script>' }, 'reference'],
    ['a number for a name', () => `/api/builds/${uuid()}`, { ...buildRequest, name: 7 }, 'name'],
    ['an unknown field', () => `/api/builds/${uuid()}`, { ...buildRequest, shop: 'other' }, 'shop'],
    ['a bad id', () => '/api/builds/1%20or%201=1', buildRequest, 'build'],
    ['a large body', () => `/api/builds/${uuid()}`, { ...buildRequest, name: 'x'.repeat(10 * 1024 * 1024) }, '']
  ],
  'builds/[build]/entries/[entry].put.ts': [
    ['a negative bore', entry, bore(-92), 'body.figure'],
    ['an absurd bore', entry, bore(9.2e9), 'body.figure'],
    ['text for a number', entry, { ...bore(), body: { quantity: 'bore', figure: figure('92') } }, 'body.figure'],
    ['NaN, as JSON has it', entry, { ...bore(), body: { quantity: 'bore', figure: figure(NaN) } }, 'body.figure'],
    ['an unknown quantity', entry, { ...bore(), body: { quantity: 'constructor', figure: figure(1) } }, 'body.quantity'],
    ['a ratio of 1', entry, target(1), 'body.ratio'],
    ['a ratio below 1', entry, target(0.4), 'body.ratio'],
    ['a negative ratio', entry, target(-9), 'body.ratio'],
    ['a reading beyond the scale', entry, fills({ start: 0, end: 140 }), 'body.fills[0].end'],
    ['a reading below the scale', entry, fills({ start: -4, end: 40 }), 'body.fills[0].start'],
    ['the scale the wrong way round', entry, fills({ start: 55.4, end: 0 }), 'body.fills[0].end'],
    ['a chamber of no points', entry, of('chamberModel', { spec: { ...chamber, outline: [] }, mirrored: [] }, head), 'body.spec'],
    ['a chamber with a strange field', entry, of('chamberModel', { spec: { ...chamber, script: 'x' }, mirrored: [] }, head), 'body.spec'],
    ['a chamber of 400 points', entry, of('chamberModel', { spec: { ...chamber, outline: Array.from({ length: 400 }, (_, i) => [Math.cos(i), Math.sin(i)]) }, mirrored: [] }, head), 'body.spec'],
    ['a roof of no kind', entry, of('chamberModel', { spec: { ...chamber, roof: { shape: '__proto__' } }, mirrored: [] }, head), 'body.spec'],
    ['a roof of no height', entry, of('chamberModel', { spec: { ...chamber, roof: { ...chamber.roof, height: 0 } }, mirrored: [] }, head), 'body.spec'],
    ['a valve through the wall', entry, of('chamberModel', { spec: { ...chamber, valves: chamber.valves.map(v => ({ ...v, x: 90 })) }, mirrored: [] }, head), 'body.spec'],
    ['NaN in an outline', entry, of('chamberModel', { spec: { ...chamber, outline: [[NaN, 0], [1, 1], [2, 0]] }, mirrored: [] }, head), 'body.spec'],
    ['mirrored cylinders that are words', entry, of('chamberModel', { spec: chamber, mirrored: ['all'] }, head), 'body.mirrored'],
    ['metal off that is no list', entry, of('relief', { state: 'planned', added: figure(2, 'cc'), reliefs: 'all' }), 'body.reliefs'],
    ['metal off round no valve', entry, of('relief', { state: 'planned', added: figure(2, 'cc'), reliefs: [{ ...metal, valve: 77 }] }), 'body.reliefs'],
    ['metal off without end', entry, of('relief', { state: 'planned', added: figure(2, 'cc'), reliefs: [{ ...metal, radii: Array.from({ length: 900 }, () => 20) }] }), 'body.reliefs'],
    ['metal off beyond any engine', entry, of('relief', { state: 'planned', added: figure(2, 'cc'), reliefs: [{ ...metal, line: 9000 }] }), 'body.reliefs'],
    ['a cutter with a corner of a metre', entry, of('relief', { state: 'planned', added: figure(2, 'cc'), reliefs: [{ ...metal, corner: 1000 }] }), 'body.reliefs'],
    ['a lift table of words', entry, of('liftTable', { valve: 'intake', rows: 'all' }, all), 'body.rows'],
    ['a lift table that runs back', entry, of('liftTable', { valve: 'intake', rows: [{ angle: 0, lift: 0 }, { angle: 9, lift: 1 }, { angle: 3, lift: 2 }] }, all), 'body.rows'],
    ['a lift table with a strange column', entry, of('liftTable', { valve: 'intake', rows: [{ angle: 0, lift: 0, x: 1 }, { angle: 9, lift: 1 }, { angle: 30, lift: 2 }] }, all), 'body.rows'],
    ['a lift table of a thousand places', entry, of('liftTable', { valve: 'intake', rows: Array.from({ length: 1000 }, (_, i) => ({ angle: i / 10, lift: 1 })) }, all), 'body.rows'],
    ['a lift table of no valve', entry, of('liftTable', { valve: 'both', rows: [{ angle: 0, lift: 0 }, { angle: 9, lift: 1 }, { angle: 30, lift: 2 }] }, all), 'body.valve'],
    ['a cut on its side', entry, of('faceCut', { state: 'planned', depth: figure(1), slopeY: 40 }, head), 'body.slopeY'],
    ['a cut of nothing', entry, of('faceCut', { state: 'planned', depth: figure(0) }, head), 'body.depth'],
    ['a cut laid over, far above the face', entry, of('faceCut', { state: 'planned', depth: figure(-6), slopeY: 0.01 }, head), 'body.depth'],
    ['a flat cut below nothing', entry, of('faceCut', { state: 'planned', depth: figure(1), flat: figure(-3) }, head), 'body.flat'],
    ['a bite that can’t be', entry, of('faceCut', { state: 'planned', depth: figure(1), removed: [{ cylinder: 1, x: 0, cc: 1e9, perMm: 4, factor: 1 }] }, head), 'body.removed'],
    ['a thousand fills', entry, fills(...Array.from({ length: 1000 }, () => ({ start: 0, end: 1 }))), 'body.fills'],
    ['fills that are a text', entry, { ...pour(), body: { ...pour().body, fills: 'all' } }, 'body.fills'],
    ['an instrument of no capacity', entry, { ...pour(), body: { ...pour().body, instrument: { ...instrument, id: instrumentId, capacity: 0 } } }, 'body.instrument.capacity'],
    ['an instrument that is a text', entry, { ...pour(), body: { ...pour().body, instrument: 'burette' } }, 'body.instrument'],
    ['a port of no known kind', entry, extra({ encloses: 'bucket' }), 'body.encloses'],
    ['a chamber that is one of several', entry, extra({ n: 2 }), 'body.n'],
    ['the seventh intake port', entry, extra({ encloses: 'intakePort', n: 7 }), 'body.n'],
    ['a column larger than the pour', entry, extra({ plugColumn: { value: 20, unit: 'cc', typed: '20' }, fills: [{ start: 0, end: 10 }] }), 'body.fills'],
    ['glass at 900 °C', entry, extra({ scaleTemperature: figure(900, '°C') }), 'body.scaleTemperature'],
    ['a liquid that explodes', entry, extra({ liquidExpansion: 9 }), 'body.liquidExpansion'],
    ['a watch of no time', entry, extra({ watch: { seconds: 0, reading: 55 } }), 'body.watch.seconds'],
    ['a watch that is a text', entry, extra({ watch: 'long' }), 'body.watch'],
    ['a name for a chamber', entry, extra({ vessel: 'jug' }), 'body.vessel'],
    ['a chamber of no cylinder', entry, { ...pour(), scope: { level: 'build' } }, 'scope'],
    ['a strand that was never touched', entry, of('solder', { readings: [spot(1.98)], strand: { value: 2, unit: 'mm', typed: '2' } }), 'body.readings'],
    ['a drawing of a face of no day', entry, of('chamberModel', { spec: chamber, mirrored: [], face: 'yesterday' }, head), 'body.face'],
    ['solder a metre thick', entry, of('solder', { readings: [spot(1000)] }), 'body.readings'],
    ['solder nowhere', entry, of('solder', { readings: [spot(1, 'left')] }), 'body.readings'],
    ['no solder at all', entry, of('solder', { readings: [] }), 'body.readings'],
    ['a hundred deck readings', entry, of('deckReadings', { readings: Array.from({ length: 100 }, () => spot(0.3)) }), 'body.readings'],
    ['a deck reading off the crown', entry, of('deckReadings', { readings: [spot(0.3, 4000)] }), 'body.readings'],
    ['an unknown field in a reading', entry, of('deckReadings', { readings: [{ ...spot(0.3), z: 1 }] }), 'body.readings'],
    ['a wheel turned back', entry, of('wheel', { pairs: [{ drop: figure(5), before: figure(20, '°'), after: figure(-20, '°') }] }), 'body.pairs'],
    ['rods and a block of nothing', entry, of('rod', {}, { level: 'build' }), 'body.material'],
    ['rods of cheese', entry, of('rod', { material: 'cheese' }, { level: 'build' }), 'body.material'],
    ['a port paired with itself', entry, of('portPairs', { valve: 'intake', pairs: [[1, 1]], poor: [] }, { level: 'build' }), 'body.pairs'],
    ['a poor port of no pair', entry, of('portPairs', { valve: 'intake', pairs: [[1, 2]], poor: [7] }, { level: 'build' }), 'body.poor'],
    ['a throat of a cylinder', entry, of('throat', { across: figure(38) }), 'scope'],
    ['a throat a metre wide', entry, of('throat', { across: figure(1000) }, port), 'body.across'],
    ['a port that is the fifth of its kind', entry, of('throat', { across: figure(38) }, { ...port, n: 5 }), 'scope'],
    ['a place no port has', entry, of('portPlace', { place: 'moon', way: 'take', done: false }, port), 'body.place'],
    ['metal off a place that is left', entry, of('portPlace', { place: 'vane', way: 'leave', amount: figure(1), done: false }, port), 'body.amount'],
    ['metal off a wall that is thin', entry, of('portPlace', { place: 'roof', way: 'thin', amount: figure(1), done: false }, port), 'body.amount'],
    ['cc gained where nothing is taken', entry, of('portPlace', { place: 'vane', way: 'leave', adds: figure(1, 'cc'), done: false }, port), 'body.adds'],
    ['a script for a tool', entry, of('portPlace', { place: 'bowl', way: 'take', tool: '<script>', done: false }, port), 'body.tool'],
    ['one section', entry, of('portSections', { rows: [{ at: 0, area: 900 }] }, port), 'body.rows'],
    ['sections that run back', entry, of('portSections', { rows: [{ at: 20, area: 900 }, { at: 0, area: 900 }] }, port), 'body.rows'],
    ['a section of two kinds', entry, of('portSections', { rows: [{ at: 0, area: 900 }, { at: 20, area: 900, width: 30 }] }, port), 'body.rows'],
    ['a section by its outline and its area', entry, of('portSections', { rows: [{ at: 0, area: 900 }, { at: 20, area: 900, points: [[0, 0], [9, 0], [9, 9]] }] }, port), 'body.rows'],
    ['a section whose outline crosses itself', entry, of('portSections', { rows: [{ at: 0, area: 900 }, { at: 20, points: [[0, 0], [20, 20], [20, 0], [0, 20]] }] }, port), 'body.rows'],
    ['a section of points that are words', entry, of('portSections', { rows: [{ at: 0, area: 900 }, { at: 20, points: [['a', 0], {}, null] }] }, port), 'body.rows'],
    ['a section that is a text', entry, of('portSections', { rows: [{ at: 0, area: 900 }, 'wide'] }, port), 'body.rows'],
    ['ten thousand sections', entry, of('portSections', { rows: Array.from({ length: 10_000 }, (_, at) => ({ at, area: 900 })) }, port), ''],
    ['a run of no lift', entry, of('flowRun', { ...run, rows: [] }, port), 'body.rows'],
    ['a run whose lifts fall', entry, of('flowRun', { ...run, rows: [{ lift: 4, flow: 40 }, { lift: 2, flow: 20 }] }, port), 'body.rows'],
    ['a run with a lift twice', entry, of('flowRun', { ...run, rows: [{ lift: 4, flow: 40 }, { lift: 4, flow: 41 }] }, port), 'body.rows'],
    ['a run with a lift below nought', entry, of('flowRun', { ...run, rows: [{ lift: -4, flow: 40 }] }, port), 'body.rows'],
    ['a flow that was both read and not reached', entry, of('flowRun', { ...run, rows: [{ lift: 4, flow: 40, missed: 'bench' }] }, port), 'body.rows'],
    ['a lift that was missed for no reason', entry, of('flowRun', { ...run, rows: [{ lift: 4, missed: 'moon' }] }, port), 'body.rows'],
    ['ten thousand lifts', entry, of('flowRun', { ...run, rows: Array.from({ length: 10_000 }, (_, i) => ({ lift: i, flow: i })) }, port), ''],
    ['a depression that chokes the port', entry, of('flowRun', { ...run, depression: figure(60_000, 'Pa') }, port), 'body.depression'],
    ['a run on no bench', entry, of('flowRun', { ...run, bench: '' }, port), 'body.bench'],
    ['a run of a cylinder', entry, of('flowRun', run), 'scope'],
    ['a finding of no kind', entry, of('finding', { what: 'moon' }, head), 'body.what'],
    ['something missing that nobody names', entry, of('finding', { what: 'missing', words: ' ' }, head), 'body.what'],
    ['a finding beside the head', entry, of('finding', { what: 'crack', place: { x: 9000, y: 0 } }, head), 'body.place'],
    ['a finding at no number', entry, of('finding', { what: 'crack', place: { x: 'left', y: 0 } }, head), 'body.place'],
    ['a script in a finding', entry, of('finding', { what: 'crack', told: '<script>' }, head), 'body.told'],
    ['a photograph of no entry', entry, { ...of('photograph', { of: 'that' }, all), photos: [HASH] }, 'body.of'],
    ['thirteen photographs', entry, { ...of('finding', { what: 'crack' }, head), photos: Array.from({ length: 13 }, (_, i) => i.toString(16).repeat(64).slice(0, 64)) }, 'photos'],
    ['a job card without steps', entry, of('jobCard', { lines: [], bought: [] }, all), 'body.lines'],
    ['a step that stands on the card twice', entry, of('jobCard', { lines: [{ step: 'face', hours: 1 }, { step: 'Face ', hours: 1 }], bought: [] }, all), 'body.lines'],
    ['a step of a thousand days', entry, of('jobCard', { lines: [{ step: 'face', hours: 24_000 }], bought: [] }, all), 'body.lines'],
    ['a gasket that costs less than nothing', entry, of('jobCard', { lines: [{ step: 'face', hours: 1 }], bought: [{ words: 'Gasket', money: -5 }] }, all), 'body.bought'],
    ['a step by a name in five letters', entry, of('jobCard', { lines: [{ step: 'face', hours: 1, who: 'ABCDE' }], bought: [] }, all), 'body.lines'],
    ['a step that is done and waits', entry, of('jobStep', { step: 'face', done: true, waits: 'customer' }, all), 'body.waits'],
    ['a check that nobody makes', entry, of('jobStep', { step: 'face', done: true, check: 'blessed' }, all), 'body.check'],
    ['a clock that takes off hours as it begins', entry, of('clock', { step: 'face', on: true, less: 1 }, all), 'body.less'],
    ['a clock of a cylinder', entry, of('clock', { step: 'face', on: true }), 'scope'],
    ['hours below none', entry, of('worked', { step: 'face', hours: -1 }, all), 'body.hours'],
    ['a power run without power', entry, of('afterwards', { what: 'power' }, all), 'body.what'],
    ['knock of 90 kW', entry, of('afterwards', { what: 'knock', power: 90 }, all), 'body.power'],
    ['something else that nobody says', entry, of('afterwards', { what: 'other', words: ' ' }, all), 'body.what'],
    ['a paper that does not exist', entry, of('printed', { paper: 'invoice', form: 'A4' }, all), 'body.paper'],
    ['a mould that cures for ever', entry, of('mould', { ...mould, hours: 1e9 }, port), 'body.hours'],
    ['a mould in three steps', entry, of('mould', { ...mould, steps: 3 }, port), 'body.steps'],
    ['a step read off a mould that is in its port', entry, of('mould', { ...mould, step: figure(0.4) }, port), 'body.step'],
    ['a compound of no name', entry, of('mould', { ...mould, compound: ' ' }, port), 'body.compound'],
    ['an opening of no form', entry, of('flange', { ...flange, outline: { form: '__proto__' } }, all), 'body.outline'],
    ['an opening with a strange field', entry, of('flange', { ...flange, outline: { form: 'circle', x: 0, y: 0, diameter: 40, z: 1 } }, all), 'body.outline'],
    ['an opening whose corners are larger than itself', entry, of('flange', { ...flange, outline: { form: 'rectangle', x: 0, y: 0, width: 30, height: 40, radius: 16 } }, all), 'body.outline'],
    ['an opening that crosses itself', entry, of('flange', { ...flange, outline: { form: 'points', points: [[0, 0], [20, 20], [20, 0], [0, 20]] } }, all), 'body.outline'],
    ['an opening of two points', entry, of('flange', { ...flange, outline: { form: 'points', points: [[0, 0], [20, 20]] } }, all), 'body.outline'],
    ['a gasket that bends', entry, of('flange', { ...flange, part: 'gasket', inner: 'left' }, all), 'body.inner'],
    ['an inner wall at the roof', entry, of('flange', { ...flange, part: 'port', inner: 'roof' }, all), 'body.inner'],
    ['an opening of ten thousand points', entry, of('flange', { ...flange, outline: { form: 'points', points: Array.from({ length: 10_000 }, (_, i) => [Math.cos(i / 1600) * 20, Math.sin(i / 1600) * 20]) } }, all), ''],
    ['an opening of three thousand points', entry, of('flange', { ...flange, outline: { form: 'points', points: Array.from({ length: 3000 }, (_, i) => [i % 9, i % 7]) } }, all), 'body.outline'],
    ['a seat of no cut', entry, of('seat', { ...seat, cuts: [] }, valve), 'body.cuts'],
    ['a seat whose cuts go inwards', entry, of('seat', { ...seat, cuts: [{ angle: 30, width: 1 }, { angle: 45, width: 1 }] }, valve), 'body.cuts'],
    ['a seat wider than it is across', entry, of('seat', { ...seat, outer: figure(10), cuts: [{ angle: 5, width: 14 }] }, valve), 'body.cuts'],
    ['a seat that is none of its cuts', entry, of('seat', { ...seat, seat: 4 }, valve), 'body.cuts'],
    ['a seat that is to be cut, and leaks', entry, of('seat', { ...seat, up: figure(0.3), leak: 'leaks' }, valve), 'body.up'],
    ['a seat that goes up by a hand’s breadth', entry, of('seat', { ...seat, up: figure(90) }, valve), 'body.up'],
    ['a seat that goes up by more than it is wide', entry, of('seat', { cuts: [{ angle: 10, width: 1 }], seat: 0, outer: figure(20), up: figure(5) }, valve), 'body.up'],
    ['a run-out of a hand’s breadth', entry, of('seat', { ...seat, runOut: figure(90) }, valve), 'body.runOut'],
    ['a leak of no kind', entry, of('seat', { ...seat, leak: 'maybe' }, valve), 'body.leak'],
    ['a spring longer solid than free', entry, of('spring', { ...spring, coils: [{ ...spring.coils[0], solid: figure(60) }] }, all), 'body.coils[0].solid'],
    ['a spring with one load', entry, of('spring', { ...spring, coils: [{ ...spring.coils[0], loads: [{ height: figure(40), load: figure(300, 'N') }] }] }, all), 'body.coils[0].loads'],
    ['a spring that carries less the more it is pressed', entry, of('spring', { ...spring, coils: [{ ...spring.coils[0], loads: [{ height: figure(40), load: figure(600, 'N') }, { height: figure(30), load: figure(300, 'N') }] }] }, all), 'body.coils[0].loads'],
    ['a spring whose loads are another spring’s', entry, of('spring', { ...spring, coils: [{ ...spring.coils[0], loads: [{ height: figure(40), load: figure(1, 'N') }, { height: figure(30), load: figure(2, 'N') }] }] }, all), 'body.coils[0].loads'],
    ['four springs on one valve', entry, of('spring', { ...spring, coils: Array.from({ length: 4 }, () => spring.coils[0]) }, all), 'body.coils'],
    ['a spring of no rate', entry, of('spring', { ...spring, coils: [{ ...spring.coils[0], rate: figure(0, 'N/mm') }] }, all), 'body.coils[0].rate'],
    ['an installed height below nothing', entry, of('installed', { height: figure(-3) }, valve), 'body.height'],
    ['a hold that is a text', entry, of('hold', { held: 'yes' }), 'body.held'],
    ['an unknown field', entry, { ...bore(), admin: true }, 'admin'],
    ['an unknown field in a body', entry, { ...bore(), body: { ...bore().body, provenance: 'measured' } }, 'body.provenance'],
    ['a script in a note', entry, { ...bore(), note: '<img src=x onerror=alert(1)>' }, 'note'],
    ['a cylinder that is not there', entry, pour(55, 9), 'scope.cylinder'],
    ['a head that is not there', entry, { ...frame, kind: 'faceCut', scope: { level: 'head', head: 4 }, body: { state: 'planned', depth: figure(1) } }, 'scope.head'],
    ['a cut of half a metre', entry, { ...frame, kind: 'faceCut', scope: { level: 'head', head: 1 }, body: { state: 'done', depth: figure(500) } }, 'body.depth'],
    ['superseding what is not there', entry, { ...bore(), supersedes: uuid() }, 'supersedes'],
    ['an unknown build', () => `/api/builds/${uuid()}/entries/${uuid()}`, bore(), ''],
    ['a bad id', () => `/api/builds/${build}/entries/x`, bore(), 'entry'],
    ['a version to come', entry, { ...bore(), v: 2 }, 'v'],
    ['a text for a body', entry, { ...bore(), body: 'bore' }, 'body'],
    ['a list', entry, [bore()], ''],
    ['no JSON at all', entry, '{"kind":', ''],
    ['10 MB', entry, huge(), ''],
    ['a deep nest', entry, { ...bore(), body: JSON.parse('{"a":'.repeat(500) + '1' + '}'.repeat(500)) }, '']
  ],
  'instruments/[instrument]/index.put.ts': [
    ['no capacity', () => `/api/instruments/${uuid()}`, { ...instrument, hand: 'TT', capacity: 0 }, 'capacity'],
    ['text for a number', () => `/api/instruments/${uuid()}`, { ...instrument, hand: 'TT', tolerance: 'small' }, 'tolerance'],
    ['a negative tolerance', () => `/api/instruments/${uuid()}`, { ...instrument, hand: 'TT', tolerance: -1 }, 'tolerance'],
    ['a resolution wider than its scale', () => `/api/instruments/${uuid()}`, { ...instrument, hand: 'TT', capacity: 1, resolution: 40 }, 'resolution'],
    ['an unknown kind', () => `/api/instruments/${uuid()}`, { ...instrument, hand: 'TT', kind: 'bucket' }, 'kind'],
    ['an unknown field', () => `/api/instruments/${uuid()}`, { ...instrument, hand: 'TT', sql: 1 }, 'sql'],
    ['SQL in a name', () => `/api/instruments/${uuid()}`, { ...instrument, hand: 'TT', name: 'a"; delete from entries' }, 'name'],
    ['10 MB', () => `/api/instruments/${uuid()}`, { ...instrument, hand: 'TT', name: 'x'.repeat(10 * 1024 * 1024) }, '']
  ],
  'instruments/[instrument]/checks/[check].put.ts': [
    ['an unknown instrument', check, checkRequest(), ''],
    ['a ball of no size', check, checkRequest({ kind: 'ball', diameter: 0, u: 0 }), 'known'],
    ['a text for a size', check, checkRequest({ kind: 'ball', diameter: '40', u: 0 }), 'known'],
    ['a bucket', check, checkRequest({ kind: 'bucket', u: 0 }), 'known'],
    ['boiling water', check, checkRequest({ kind: 'water', mass: 50, temperature: 99, u: 0 }), 'known'],
    ['an unknown field in the known volume', check, checkRequest({ kind: 'ball', diameter: 40, u: 0, sql: 1 }), 'known'],
    ['no pours', check, { ...checkRequest(), pours: [] }, 'pours'],
    ['pours that are a text', check, { ...checkRequest(), pours: 'all' }, 'pours'],
    ['a fill with more in it', check, { ...checkRequest(), pours: [[{ start: 0, end: 1, x: 1 }]] }, 'pours'],
    ['an unknown field', check, { ...checkRequest(), correction: 2 }, 'correction'],
    ['no hand', check, { ...checkRequest(), hand: '' }, 'hand'],
    ['10 MB', check, { ...checkRequest(), at: 'x'.repeat(10 * 1024 * 1024) }, '']
  ],
  'rules/[rules].put.ts': [
    ['a window upside down', rules, { ...STARTING_RULES, squish: [{ ...STARTING_RULES.squish[0], least: 2, most: 1 }], hand: 'TT' }, 'squish[0].most'],
    ['a text for a number', rules, { ...STARTING_RULES, clearances: { ...STARTING_RULES.clearances, intake: '2' }, hand: 'TT' }, 'clearances.intake'],
    ['rods of cheese', rules, { ...STARTING_RULES, squish: [{ ...STARTING_RULES.squish[0], rod: 'cheese' }], hand: 'TT' }, 'squish[0].rod'],
    ['no table', rules, { clearances: STARTING_RULES.clearances, hand: 'TT' }, 'squish'],
    ['no clearances', rules, { squish: [], hand: 'TT' }, 'clearances'],
    ['no limits of seats', rules, { ...STARTING_RULES, seats: undefined, hand: 'TT' }, 'seats'],
    ['a seat narrower than its minimum', rules, { ...STARTING_RULES, seats: { ...STARTING_RULES.seats, intake: { widthLeast: 2, widthMost: 1, marginLeast: 1 } }, hand: 'TT' }, 'seats.intake.widthMost'],
    ['springs that may be solid by a metre', rules, { ...STARTING_RULES, springs: { travelLeast: -1000, sealLeast: 1 }, hand: 'TT' }, 'springs.travelLeast'],
    ['a route that rolls over', rules, { ...STARTING_RULES, route: { ...STARTING_RULES.route, rollMost: 90 }, hand: 'TT' }, 'route.rollMost'],
    ['a lever of no kind', rules, { ...STARTING_RULES, route: { ...STARTING_RULES.route, off: ['crowbar'] }, hand: 'TT' }, 'route.off'],
    ['an hour that is paid for', rules, { ...STARTING_RULES, rate: -1, hand: 'TT' }, 'rate'],
    ['no cost of a gasket', rules, { ...STARTING_RULES, work: { ...STARTING_RULES.work, gasket: undefined }, hand: 'TT' }, 'work.gasket'],
    ['hours below none', rules, { ...STARTING_RULES, work: { ...STARTING_RULES.work, face: { hours: -1, money: 0 } }, hand: 'TT' }, 'work.face.hours'],
    ['a hundred rows', rules, { ...STARTING_RULES, squish: Array.from({ length: 100 }, () => STARTING_RULES.squish[0]), hand: 'TT' }, 'squish'],
    ['an unknown field', rules, { ...STARTING_RULES, hand: 'TT', law: true }, 'law'],
    ['10 MB', rules, { ...STARTING_RULES, hand: 'x'.repeat(10 * 1024 * 1024) }, '']
  ],
  'builds/[build]/batches/[batch].put.ts': [
    ['no entries', batch, { hand: 'TT', entries: [] }, 'entries'],
    ['entries that are a text', batch, { hand: 'TT', entries: 'all' }, 'entries'],
    ['one bad among good ones', batch, { hand: 'TT', entries: [{ id: uuid(), ...bore() }, { id: uuid(), ...bore(-1) }] }, 'entries[1].body.figure'],
    ['a cylinder that is not there among good ones', batch, { hand: 'TT', entries: [{ id: uuid(), ...bore() }, { id: uuid(), ...pour(55, 9) }] }, 'entries[1].scope.cylinder'],
    ['an entry without a name', batch, { hand: 'TT', entries: [bore()] }, 'entries[0].id'],
    ['thirty thousand entries', batch, { hand: 'TT', entries: Array.from({ length: 30_000 }, () => 0) }, 'entries'],
    ['an unknown field', batch, { hand: 'TT', entries: [{ id: uuid(), ...bore() }], force: 1 }, 'force'],
    ['no hand', batch, { entries: [{ id: uuid(), ...bore() }] }, 'hand'],
    ['an unknown build', () => `/api/builds/${uuid()}/batches/${uuid()}`, { hand: 'TT', entries: [{ id: uuid(), ...bore() }] }, ''],
    ['40 MB', batch, { hand: 'x'.repeat(40 * 1024 * 1024), entries: [] }, '']
  ],
  'practice/[reading].put.ts': [
    ['an instrument that does not exist', practice, { ...practised, kind: 'ruler' }, 'kind'],
    ['a truth from the moon', practice, { ...practised, truth: 1e9 }, 'truth'],
    ['a reading that is a text', practice, { ...practised, given: '12' }, 'given'],
    ['a slip that nobody makes', practice, { ...practised, slip: 'sneezed' }, 'slip'],
    ['no hand', practice, { ...practised, hand: '' }, 'hand'],
    ['no time', practice, { ...practised, at: 'yesterday' }, 'at'],
    ['an unknown field', practice, { ...practised, score: 1 }, 'score'],
    ['10 MB', practice, { ...practised, hand: 'x'.repeat(10 * 1024 * 1024) }, '']
  ],
  'schools/[choice].put.ts': [
    ['a topic that nobody argues about', choice, { ...chosen, topic: 'constructor' }, 'topic'],
    ['a school of another topic', choice, { ...chosen, school: 'polished' }, 'school'],
    ['a script for a reason', choice, { ...chosen, why: '<script>alert(1)</script>' }, 'why'],
    ['builds that are none', choice, { ...chosen, builds: ['all'] }, 'builds'],
    ['an entry of an entry', choice, { ...chosen, builds: [`${instrumentId}/${instrumentId}/${instrumentId}`] }, 'builds'],
    ['an entry that is none', choice, { ...chosen, builds: [`${instrumentId}/7`] }, 'builds'],
    ['one build twice', choice, { ...chosen, builds: [instrumentId, instrumentId] }, 'builds'],
    ['an unknown field', choice, { ...chosen, law: true }, 'law'],
    ['10 MB', choice, { ...chosen, why: 'x'.repeat(10 * 1024 * 1024) }, '']
  ],
  'imports/[import].put.ts': [
    ['no document', () => `/api/imports/${uuid()}`, { copy: false, hand: 'TT' }, 'document'],
    ['a document of something else', () => `/api/imports/${uuid()}`, { document: { format: 'other' }, copy: false, hand: 'TT' }, 'document.format'],
    ['an unknown field', () => `/api/imports/${uuid()}`, { document: {}, copy: false, hand: 'TT', force: true }, 'force'],
    ['10 MB of nothing', () => `/api/imports/${uuid()}`, { document: { x: 'x'.repeat(10 * 1024 * 1024) }, copy: false, hand: 'TT' }, '']
  ]
}

async function stored(): Promise<unknown> {
  return server.query('select (select count(*) from entries) as entries, (select count(*) from builds) as builds, (select count(*) from instruments) as instruments, (select count(*) from instrument_checks) as checks, (select count(*) from shop_rules) as rules, (select count(*) from practice_readings) as practice, (select count(*) from school_choices) as choices')
}

describe('hostile input', () => {
  it('is listed for every route there is', () => {
    const found = readdirSync('server/api', { recursive: true, withFileTypes: true }).filter(f => f.isFile())
      .map(f => `${f.parentPath}/${f.name}`.replace(/^server\/api\/?/, ''))
    expect(Object.keys(ROUTES).sort()).toEqual(found.sort())
  })
  const cases = Object.entries(ROUTES).flatMap(([route, list]) => list.map(([what, path, body, field]) => ({ route, what, path, body, field })))
  it.each(cases)('$route refuses $what', async ({ path, body, field }) => {
    const before = await stored()
    const answer = await put(server.url + path(), body)
    expect(answer.status).toBeGreaterThanOrEqual(400)
    expect(answer.status).toBeLessThan(500)
    expect(answer.type).toContain('application/problem+json')
    const problem = answer.json as { detail: string, fields?: { path: string, sentence: string }[] }
    expect(problem.detail).toMatch(/[A-Za-z]{3}.*\.$/)
    expect(JSON.stringify(problem)).not.toMatch(/at .*\.m?js|node_modules|select |insert /i)
    if (field) expect(problem.fields?.map(f => f.path)).toContain(field)
    expect(await stored()).toEqual(before)
  })
  it.each(Object.keys(ROUTES).filter(r => r.includes('[build]') && r.endsWith('.get.ts')))('%s knows no unknown build', async (route) => {
    const path = (id: string) => `${server.url}/api/${route.replace('[build]', id).replace('[kind]', 'pours').replace('[photograph]', HASH).replace('/index.get.ts', '').replace('.get.ts', '')}`
    expect((await fetch(path(uuid()))).status).toBe(404)
    expect((await fetch(path('no-id'))).status).toBe(400)
  })
  it.each(Object.keys(ROUTES))('%s answers no foreign Host and no foreign Origin', async (route) => {
    const path = `/api/${route.replace(/\[(build|id|entry|instrument|import|check|rules|batch)\]/g, uuid()).replace('[kind]', 'pours').replace('[photograph]', HASH).replace('[...]', 'x').replace(/(\/index)?(\.(get|put))?\.ts$/, '')}`
    const method = route.includes('.put.') ? 'PUT' : 'GET'
    const ask = (headers: Record<string, string>) => new Promise<number>((done, fail) => {
      const sent = request({ host: '127.0.0.1', port: server.port, path, method, headers }, (response) => {
        done(response.statusCode!)
        response.destroy()
      })
      sent.on('error', fail)
      sent.end()
    })
    expect(await ask({ host: 'evil.example' })).toBe(403)
    expect(await ask({ host: `127.0.0.1:${server.port}`, origin: 'http://evil.example' })).toBe(403)
  })
  it('superseding twice is told, and stores nothing', async () => {
    const first = uuid()
    await put(`${server.url}/api/builds/${build}/entries/${first}`, bore())
    await put(server.url + entry(), { ...bore(93), supersedes: first })
    const before = await stored()
    const again = await put(server.url + entry(), { ...bore(94), supersedes: first })
    expect(again.status).toBe(409)
    expect((again.json as { current: { body: { figure: { value: number } } } }).current.body.figure.value).toBe(93)
    expect(await stored()).toEqual(before)
  })
  it('a shop’s names may hold what names hold', async () => {
    expect((await put(`${server.url}/api/builds/${uuid()}`, { name: 'Brackwater 34 (no. 7) – O’Neil’s', reference: 'Launch #7', hand: 'ÄB' })).status).toBe(422)
    expect((await put(`${server.url}/api/builds/${uuid()}`, { name: 'Brackwater 34 (no. 7), Skerry’s', reference: 'Launch #7', hand: 'ÄB' })).status).toBe(201)
    expect((await put(`${server.url}/api/builds/${uuid()}`, { name: 'For myself', reference: ' ', hand: 'ÄB' })).status).toBe(201)
  })
  it('a second layout is for the builder to make, not for a cylinder that is gone', async () => {
    expect((await put(server.url + entry(), { ...layout, body: { heads: [[1, 1]], banks: [[1]] } })).status).toBe(422)
  })
  it('serves pages with a policy that runs nothing from elsewhere', async () => {
    const page = await fetch(server.url)
    const policy = page.headers.get('content-security-policy') ?? ''
    expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'wasm-unsafe-eval'/)
    expect(policy).toContain('worker-src \'self\'')
    expect(policy).not.toMatch(/script-src[^;]*unsafe-inline/)
    expect(page.headers.get('x-content-type-options')).toBe('nosniff')
  })
})
