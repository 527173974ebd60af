import { advice, type Advice, type Bodies, type Entry, type EntryKind, type Figure, type Fill, type Instrument, type Quantity, type Scope } from '#core'

/** What comes first of everything that is open. */
export const nextMove = (...asked: Parameters<typeof advice>): Advice => advice(...asked)[0]!

/** A little ledger for tests: entries a minute apart, with ids that can be read. */
export class Bench {
  readonly entries: Entry[] = []
  private minute = 0

  add<K extends EntryKind>(kind: K, scope: Scope, body: Bodies[K], more: { supersedes?: string, at?: string } = {}): string {
    const id = `${kind}-${this.entries.length}`
    this.minute += 1
    this.entries.push({
      id, build: 'b', seq: this.entries.length + 1, at: new Date(Date.UTC(2026, 0, 1, 8, this.minute)).toISOString(), hand: 'TT', kind, v: 1, scope, body, ...more
    } as Entry)
    return id
  }

  state(quantity: Quantity, value: number, kind: 'measure' | 'book' | 'assume' = 'measure', scope: Scope = all, u?: number): string {
    return this.add(kind, scope, { quantity, figure: mm(value), ...(u === undefined ? {} : { u: mm(u) }) })
  }

  pour(cylinder: number, end: number, instrument: Instrument & { name: string } = burette, fills: Fill[] = [{ start: 0, end }]): string {
    return this.add('pour', { level: 'cylinder', cylinder }, { encloses: 'chamber', fills, typed: String(end), instrument })
  }

  cut(depth: number, measured?: number): string {
    return this.add('faceCut', head, { state: 'done', depth: mm(depth), ...(measured === undefined ? {} : { measured: mm(measured) }) })
  }
}

export const all: Scope = { level: 'build' }
export const head: Scope = { level: 'head', head: 1 }
export const mm = (value: number): Figure => ({ value, unit: 'mm', typed: String(value) })
/** One that scatters no more than it is read, so that doubts can be added up by hand. */
export const burette: Instrument & { name: string } = { id: 'long', name: 'long', kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1, repeatability: 0 }
/** 0.2/√3, and √(2·0.01/12). */
export const SCALE_U = 0.1154701
export const READING_U = 0.0408248
/** Two readings that agree: √(8·0.0408248²/9/2). */
export const PAIR_U = 0.0272166

/** One cylinder of the launch engine, every dimension without doubt but the ones a test adds. */
export function oneCylinder(cylinders = 1): Bench {
  const bench = new Bench()
  bench.add('layout', all, { heads: [Array.from({ length: cylinders }, (_, i) => i + 1)], banks: [Array.from({ length: cylinders }, (_, i) => i + 1)] })
  const sure = (quantity: Quantity, value: number) => bench.state(quantity, value, 'measure', all, 0)
  sure('bore', 92)
  sure('stroke', 85)
  sure('gasketBore', 94)
  sure('gasketThickness', 1.2)
  sure('deckClearance', 0.36)
  sure('crownVolume', 3)
  sure('crownDiameter', 91.35)
  sure('topLandHeight', 7)
  bench.state('mouthArea', 4650, 'measure', all, 46.5)
  bench.add('target', all, { ratio: mm(9.9), tolerance: mm(0.1), countsCrevice: true })
  return bench
}
