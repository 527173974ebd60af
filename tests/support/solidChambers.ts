import Module from 'manifold-3d'
import { FINE, type Fineness, type SolidKit } from '#core'
import { chambersHere, type ChambersHere, type KnownBy } from '../../app/workers/chambersHere'

/** Coarser rings than a page's, which a pour brings to size all the same: what they are off is a hundredth of what is asked. */
export const PLAIN: Fineness = { along: 2.4, wall: 0.9, roof: 1.6, around: 72 }

/** Chambers answered by their solids, at once and in this very thread: what the page asks its worker for. */
export async function solidChambers(by: KnownBy = 'solid', fine: Fineness = FINE): Promise<ChambersHere> {
  const kit: SolidKit = await Module()
  kit.setup()
  return chambersHere(kit, by, fine)
}
