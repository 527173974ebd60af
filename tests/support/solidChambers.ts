import Module from 'manifold-3d'
import {
  calibrated, cutsTogether, openingArea, planOf, solveCut, volumeAboveCut, DomainError, type ChamberModel, type Chambers, type ChamberShape, type SolidKit
} from '#core'

/** Chambers answered by their solids, at once and in this very thread: what the page asks its worker for. */
export async function solidChambers(): Promise<Chambers & { made: () => number }> {
  const kit: SolidKit = await Module()
  kit.setup()
  const known = new Map<string, ChamberShape>()
  function made({ spec, done }: ChamberModel, poured: number | undefined): ChamberShape {
    const { mesh, factor, volume } = calibrated(kit, planOf(kit, spec), spec, poured, done)
    return {
      source: 'solid', volume, factor, opening: openingArea(mesh, { ...done, depth: done.depth + 1e-6 }),
      above: (cut) => {
        const plane = cutsTogether([done, cut])
        return { volume: volumeAboveCut(mesh, plane), opening: openingArea(mesh, plane) }
      },
      solve: (setup, free, left, x) => {
        try {
          return solveCut(mesh, { x, y: 0 }, setup, free, left, done)
        } catch (error) {
          if (error instanceof DomainError) return { argument: error.argument, given: error.given, bound: error.bound }
          throw error
        }
      }
    }
  }
  return {
    made: () => known.size,
    shape: (model, poured) => {
      const key = JSON.stringify([model.spec, model.done, poured])
      const before = known.get(key)
      if (before) return before
      const shape = made(model, poured)
      known.set(key, shape)
      return shape
    }
  }
}
