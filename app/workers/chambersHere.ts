import {
  FINE, aboveCut, calibrated, calibratedLive, ceilingField, cutsTogether, metalIn, mouthOn, openingArea, planOf, solveCut, wallsOver, DomainError,
  type Calibration, type CeilingField, type ChamberModel, type Chambers, type ChamberShape, type Fineness, type Mesh, type Plan, type SolidKit, type Walls
} from '#core'

/** Between the places of a ceiling's field, mm. */
const FIELD_STEP = 0.5

/** How a chamber is known: by its drawing's lifted rings, which is quick, or by its solid. */
export type KnownBy = 'rings' | 'solid'

type Made = ChamberShape & { mesh: Mesh, field: () => CeilingField }

/** Chambers made and answered at once in the very thread that asks. */
export interface ChambersHere extends Chambers, Walls {
  made: () => number
}

/**
 * The one view of drawn chambers for whoever works through many of them without waiting: a search in a worker, a test.
 *
 * @param kit the solids package, loaded
 * @param fine how finely they are meshed
 */
export function chambersHere(kit: SolidKit, by: KnownBy, fine: Fineness = FINE): ChambersHere {
  const known = new Map<string, Made>()
  const plans = new Map<string, Plan>()
  function planFor(spec: ChamberModel['spec']): Plan {
    const { outline, pads, roof, draft, floorRadius } = spec
    const name = JSON.stringify([outline, pads, roof, draft, floorRadius])
    const plan = plans.get(name) ?? planOf(kit, spec, fine)
    plans.set(name, plan)
    return plan
  }
  function made({ spec, done }: ChamberModel, poured: number | undefined): Made {
    const plan = planFor(spec)
    const { mesh, factor, volume }: Calibration = by === 'rings' ? calibratedLive(plan, spec, poured, done) : calibrated(kit, plan, spec, poured, done, fine)
    let field: CeilingField | undefined
    return {
      source: by, mesh, field: () => field ??= ceilingField(mesh, FIELD_STEP), volume, factor, opening: openingArea(mesh, { ...done, depth: done.depth + 1e-6 }),
      above: cut => aboveCut(mesh, cutsTogether([done, cut])),
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
  function shape(model: ChamberModel, poured: number | undefined) {
    const key = JSON.stringify([model.spec, model.done, poured])
    const before = known.get(key)
    if (before) return before
    const fresh = made(model, poured)
    known.set(key, fresh)
    return fresh
  }
  return {
    made: () => known.size,
    shape,
    walls: (model, poured, open, lifts, look) => {
      const { mesh } = shape(model, poured)
      return wallsOver({ mesh, valves: model.spec.valves, done: model.done, mouth: mouthOn(mesh, model.done) }, open, lifts, look)
    },
    metal: (model, poured, reliefs) => metalIn(shape(model, poured).field(), model.spec.valves, reliefs, model.done)
  }
}
