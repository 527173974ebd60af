import { fit, ofKind, type Ledger } from '../ledger'
import type { BlockMaterial, RodMaterial } from '../squish'

/** What an engine's rods and its block are made of, as far as somebody said. */
export interface Materials { rod?: RodMaterial, block?: BlockMaterial }

/**
 * What rods and block are made of: of each the statement that fits the cylinder best, the latest among equals.
 *
 * @example materialsOf(ledger, 1) // { rod: 'aluminium' }
 */
export function materialsOf(ledger: Ledger, cylinder: number): Materials {
  const said = ofKind(ledger.live.entries, 'rod').map(entry => ({ body: entry.body, fit: fit(entry.scope, ledger.layout, cylinder) })).filter(s => s.fit > 0)
  const closest = <K extends 'material' | 'block'>(name: K) =>
    said.filter(s => s.body[name]).reduce<(typeof said)[number] | undefined>((best, s) => !best || s.fit >= best.fit ? s : best, undefined)?.body[name]
  const [rod, block] = [closest('material'), closest('block')]
  return { ...(rod ? { rod } : {}), ...(block ? { block } : {}) }
}
