import Module from 'manifold-3d'
import type { SolidKit } from '#core'
import { chambersHere, type ChambersHere, type KnownBy } from '../../app/workers/chambersHere'

/** Chambers answered by their solids, at once and in this very thread: what the page asks its worker for. */
export async function solidChambers(by: KnownBy = 'solid'): Promise<ChambersHere> {
  const kit: SolidKit = await Module()
  kit.setup()
  return chambersHere(kit, by)
}
