import { quantityRule, type Bodies, type Entry, type EntryKind, type Figure, type Quantity, type Scope } from '#core'
import { inUse, type KeptInstrument } from '#shared/dto'
import { CORE_UNIT } from '#shared/figures'
import { demoId } from './names'
import type { DemoPhotograph } from './photograph'

/** As a hand types it: a sum keeps no more digits than that. */
const plain = (sum: number, unit: string): Figure => {
  const value = Number(sum.toFixed(6))
  return { value, unit, typed: String(value) }
}
export const mm = (value: number): Figure => plain(value, 'mm')
export const cc = (value: number): Figure => plain(value, 'cc')

export const whole: Scope = { level: 'build' }
export const head: Scope = { level: 'head', head: 1 }
export const cylinder = (n: number): Scope => ({ level: 'cylinder', cylinder: n })

/** A build's ledger in the making: entries a few minutes apart, from a morning on. */
export class Story {
  readonly entries: Entry[] = []
  readonly photographs: DemoPhotograph[] = []
  readonly build: string
  private clock: number

  constructor(readonly name: string, readonly reference: string, morning: string, private readonly hand: string) {
    this.build = demoId(name)
    this.clock = Date.parse(morning)
  }

  /** Lets time pass before the next entry. */
  later(hours: number): this {
    this.clock += hours * 3_600_000
    return this
  }

  add<K extends EntryKind>(kind: K, scope: Scope, body: Bodies[K], more: { note?: string, supersedes?: string, photographs?: DemoPhotograph[] } = {}): string {
    const { photographs = [], ...rest } = more
    this.photographs.push(...photographs)
    const id = demoId(`${this.name}/${this.entries.length}`)
    this.clock += 4 * 60_000
    this.entries.push({
      id, build: this.build, seq: this.entries.length + 1, at: new Date(this.clock).toISOString(), hand: this.hand, kind, v: 1, scope, body, ...rest, ...photographs.length ? { photos: photographs.map(one => one.sha256) } : {}
    } as Entry)
    return id
  }

  state(kind: 'measure' | 'book' | 'assume' | 'wish', quantity: Quantity, value: number, scope: Scope = whole, more: Partial<Bodies['measure']> = {}): void {
    const { dimension } = quantityRule(quantity)
    // Weights are read in grams at the bench, and kept in kilograms.
    const figure = dimension === 'share' ? { value, unit: '%', typed: String(value * 100) } : dimension === 'mass' ? { value, unit: 'g', typed: String(value * 1000) } : plain(value, CORE_UNIT[dimension])
    this.add(kind, scope, { quantity, figure, ...more })
  }

  target(ratio: number, tolerance: number, countsCrevice = true): void {
    this.add('target', whole, { ratio: plain(ratio, ':1'), tolerance: plain(tolerance, ':1'), countsCrevice })
  }

  pour(n: number, end: number, glass: KeptInstrument, more: Partial<Bodies['pour']> = {}): void {
    const fills = end <= glass.capacity
      ? [{ start: 0, end }]
      : [{ start: 0, end: glass.capacity }, { start: 0, end: Math.round((end - glass.capacity) * 10) / 10 }]
    this.add('pour', cylinder(n), { encloses: 'chamber', fills, typed: fills.map(f => f.end.toFixed(1)).join('+'), instrument: inUse(glass), ...more })
  }

  /** Readings at places on a crown: x along the crank, y across. */
  spots(kind: 'deckReadings' | 'solder', n: number, readings: [x: number, y: number, value: number][]): void {
    this.add(kind, cylinder(n), { readings: readings.map(([x, y, value]) => ({ x, y, figure: mm(value) })) })
  }
}
