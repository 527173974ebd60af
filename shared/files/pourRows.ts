import { live, ofKind, pourResult, type Entry } from '#core'

/** One line of the pours as CSV: one pour, its fills written `start>end` and parted by `;`. */
export interface PourRow {
  at: string
  cylinder: number
  encloses: string
  volume_cc: number
  u_cc: number
  fills: string
  instrument: string
  capacity_cc: number
  tolerance_cc: number
  hand: string
  standing: string
  id: string
}

/** Every pour of a ledger, in order, with its standing: those taken out stay readable. */
export function pourRows(entries: Entry[]): PourRow[] {
  const { standing } = live(entries)
  return ofKind(entries, 'pour').map((pour) => {
    const { value, u } = pourResult(pour)
    const { fills, instrument, encloses } = pour.body
    return {
      at: pour.at, cylinder: pour.scope.level === 'cylinder' ? pour.scope.cylinder : 0, encloses,
      volume_cc: Number(value.toFixed(4)), u_cc: Number(u.toFixed(4)),
      fills: fills.map(fill => `${fill.start}>${fill.end}`).join(';'),
      instrument: instrument.name, capacity_cc: instrument.capacity, tolerance_cc: instrument.tolerance,
      hand: pour.hand, standing: standing.get(pour.id) ?? 'counts', id: pour.id
    }
  })
}
