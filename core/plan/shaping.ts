import { liftProfile, liftTable, proposalOver, reliefOf, scribedLine, sweepLifts, type Below, type LiftRow, type School, type WallAt, type WallLook, type WallNeeds } from '../shroud'
import { DomainError } from '../domain'
import { mirroredReliefs, type ChamberSpec, type ChamberValve, type Relief } from '../chamber'
import { untyped, type EntryOf } from '../ledger'
import { modelOf, quantityOf, reliefLesson, reliefPrediction, type ChamberModel, type Replay } from '../standing'
import { pouredVolume, type Tried } from './asIf'
import type { NotReady } from './chambers'

/** How walls are shaped: the line's margin inside the gasket, whether squish pads are kept, the most off a wall where somebody knows what is behind it (0: nobody does), the pin and its lift, mm, and what a valve's wall has to pass. */
export interface Shaping { margin: number, keepPads: boolean, into: number, pin: number, lift: number, needs: WallNeeds }

/** As it stands until a builder says otherwise. */
export const STARTING_SHAPING: Shaping = { margin: 0.5, keepPads: true, into: 0, pin: 4, lift: 6, needs: 'seat' }

/**
 * A valve's highest lift and the cam's own table where somebody measured it; a quarter of the valve where nobody said anything.
 *
 * @example highestLift(standing, 1, { valve: 'intake', diameter: 44.5 }).most // 10.7
 */
export function highestLift(standing: Replay, cylinder: number, { valve, diameter }: Pick<ChamberValve, 'valve' | 'diameter'>): { most: number, entry?: EntryOf<'liftTable'> } {
  const entry = standing.live.entries.filter((e): e is EntryOf<'liftTable'> => e.kind === 'liftTable' && e.body.valve === valve).at(-1)
  const most = (entry && liftTable(entry.body.rows).most) ?? quantityOf(standing, `${valve}Lift`, cylinder)?.estimate.value ?? Math.round(diameter * 2.4) / 10
  return { most, ...(entry ? { entry } : {}) }
}

/**
 * A cam's lifts at the valve over the crank's angle: its table, else a smooth curve of its lift and duration.
 *
 * @returns undefined where neither a table nor both figures are known
 * @example camCurve(standing, 1, 'intake')?.length // 61
 */
export function camCurve(standing: Replay, cylinder: number, valve: ChamberValve['valve']): LiftRow[] | undefined {
  const { entry } = highestLift(standing, cylinder, { valve, diameter: 0 })
  if (entry) return entry.body.rows
  const [lift, duration] = [quantityOf(standing, `${valve}Lift`, cylinder), quantityOf(standing, `${valve}Duration`, cylinder)]
  return lift && duration ? liftProfile(lift.estimate.value, duration.estimate.value, 61) : undefined
}

/**
 * What a cylinder's walls are judged by: the scribed line, the gasket's ring and the bore beneath it, the pads.
 *
 * @example wallSetting(standing, 1, spec, STARTING_SHAPING).line // 46
 */
export function wallSetting(standing: Replay | undefined, cylinder: number, spec: ChamberSpec | undefined, { margin, keepPads, into, needs }: Shaping): WallLook & { bore: number, gasketBore: number, line: number } {
  const known = (name: 'bore' | 'gasketBore' | 'gasketThickness') => quantityOf(standing, name, cylinder)?.estimate.value
  const bore = known('bore') ?? 90
  const gasketBore = known('gasketBore') ?? bore * 1.02
  const below: Below = { bore, gasketBore, gasketThickness: known('gasketThickness') ?? 1.2 }
  const line = scribedLine(gasketBore, bore, margin)
  return { bore, gasketBore, line, below, needs, limits: { line, pads: keepPads ? spec?.pads ?? [] : [], fromSeat: 5, ...(into > 0 ? { into } : {}) } }
}

/** Who knows the walls of a drawn chamber, and what metal would come out of it. */
export interface Walls {
  walls: (model: ChamberModel, poured: number | undefined, open: number, lifts: readonly number[], look: WallLook) => WallAt[] | NotReady
  /** cc that reliefs on this chamber's own hand take, by the drawing. */
  metal: (model: ChamberModel, poured: number | undefined, reliefs: Relief[]) => number | NotReady
}

const cc = (value: number) => untyped(value, 'cc', 3)

/**
 * The grinding that a school asks for on every chamber that is drawn with valves and may be ground: proposed on a head's first,
 * copied to its others.
 *
 * @param walls answers for the drawn chambers
 * @returns planned grinding by cylinder, none where the school takes nothing
 * @example schoolWork(standing, walls, 'line', STARTING_SHAPING)[0].body.added.value // 1.84
 */
export function schoolWork(standing: Replay, walls: Walls, school: School, shaping: Shaping): (Tried & { kind: 'relief' })[] | NotReady {
  const lesson = reliefLesson(standing.settlements)
  const list: (Tried & { kind: 'relief' })[] = []
  for (const [h] of standing.layout.heads.entries()) {
    const chambers = standing.asIs.filter(s => s.head === h + 1 && !standing.held.has(s.cylinder)).flatMap((state) => {
      const model = modelOf(standing, state.cylinder, 'asIs')
      return model && model.spec.valves.length > 0 ? [{ cylinder: state.cylinder, model, poured: pouredVolume(state) }] : []
    })
    const [master] = chambers
    if (!master) continue
    const proposed = proposedOn(standing, walls, school, shaping, master)
    if (proposed === 'notReady') return proposed
    // What is kept is on the drawing's own hand.
    const reliefs = master.model.mirrored ? mirroredReliefs(proposed) : proposed
    if (!reliefs.some(r => r.radii.some(x => x > 0))) continue
    for (const { cylinder, model, poured } of chambers) {
      const drawn = walls.metal(model, poured, model.mirrored ? mirroredReliefs(reliefs) : reliefs)
      if (drawn === 'notReady') return drawn
      const { added, u } = reliefPrediction(Math.max(0, drawn), lesson)
      list.push({ kind: 'relief', scope: { level: 'cylinder', cylinder }, body: { state: 'planned', added: cc(added), u: cc(u), drawn: cc(drawn), reliefs } })
    }
  }
  return list
}

function proposedOn(standing: Replay, walls: Walls, school: School, shaping: Shaping, { cylinder, model, poured }: { cylinder: number, model: ChamberModel, poured: number | undefined }): Relief[] | NotReady {
  const { valves } = model.spec
  const look = wallSetting(standing, cylinder, model.spec, shaping)
  const reliefs: Relief[] = []
  for (const [open, valve] of valves.entries()) {
    const { most } = highestLift(standing, cylinder, valve)
    try {
      const over = walls.walls(model, poured, open, sweepLifts(most), look)
      if (over === 'notReady') return over
      const proposed = proposalOver(school, valve.diameter / 2, over, { diameter: shaping.pin, lift: Math.min(shaping.lift, most), most })
      if (proposed) reliefs.push(reliefOf(open, valve, proposed, look.line))
    } catch (error) {
      // A valve that has no wall to look at, its seat under the face perhaps, keeps no school from the others.
      if (!(error instanceof DomainError)) throw error
    }
  }
  return reliefs
}
