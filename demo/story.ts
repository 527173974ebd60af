import { v5 as uuidv5 } from 'uuid'
import type { Bodies, Entry, EntryKind, Figure, Quantity, Scope } from '#core'
import type { KeptInstrument } from '#shared/dto'

const DEMO_NAMESPACE = '2b0e4c1a-9c1f-5a7e-8f36-5d1b2a7c4e90'

/** An identity made from a name: the same on every machine. */
export const demoId = (name: string): string => uuidv5(name, DEMO_NAMESPACE)

export const mm = (value: number): Figure => ({ value, unit: 'mm', typed: String(value) })
export const cc = (value: number): Figure => ({ value, unit: 'cc', typed: String(value) })
const plain = (value: number, unit: string): Figure => ({ value, unit, typed: String(value) })

export const whole: Scope = { level: 'build' }
export const head: Scope = { level: 'head', head: 1 }
export const cylinder = (n: number): Scope => ({ level: 'cylinder', cylinder: n })

/** A build's ledger in the making: entries a few minutes apart, from a morning on. */
export class Story {
  readonly entries: Entry[] = []
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

  add<K extends EntryKind>(kind: K, scope: Scope, body: Bodies[K], more: { note?: string, supersedes?: string } = {}): string {
    const id = demoId(`${this.name}/${this.entries.length}`)
    this.clock += 4 * 60_000
    this.entries.push({
      id, build: this.build, seq: this.entries.length + 1, at: new Date(this.clock).toISOString(), hand: this.hand, kind, v: 1, scope, body, ...more
    } as Entry)
    return id
  }

  state(kind: 'measure' | 'book' | 'assume', quantity: Quantity, value: number, scope: Scope = whole, more: Partial<Bodies['measure']> = {}): void {
    const unit = quantity === 'mouthArea' ? 'mm2' : quantity.endsWith('Tilt') ? '°' : quantity.endsWith('Volume') ? 'cc' : 'mm'
    this.add(kind, scope, { quantity, figure: plain(value, unit), ...more })
  }

  target(ratio: number, tolerance: number): void {
    this.add('target', whole, { ratio: plain(ratio, ':1'), tolerance: plain(tolerance, ':1'), countsCrevice: true })
  }

  pour(n: number, end: number, instrument: KeptInstrument): void {
    this.add('pour', cylinder(n), { encloses: 'chamber', fills: [{ start: 0, end }], typed: end.toFixed(1), instrument })
  }
}
