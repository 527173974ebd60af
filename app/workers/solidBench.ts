import {
  DomainError, SpecError, aboveCut, calibrated, calibratedLive, ceilingField, cutsTogether, draftAt, lifted, metalIn, mouthOn, openingArea, planOf,
  sectionOf, solidOn, solveCut, suspects, volumeAboveCut, wallsOver, type CeilingField, type Relief, type WallAt, type WallLook,
  type ChamberSpec, type Cut, type Point, type Free, type HeadSetup, type Mesh, type Plan, type SolidKit, type SpecFault, type Suspect
} from '#core'

/** A chamber whose body is to be made: its drawing, what it poured, what has been cut off its face. `quick`: from its rings alone, until then. */
export interface SolidAsk { key: string, spec: ChamberSpec, measured?: number, done: Cut, assumed: { intake: boolean, exhaust: boolean }, quick?: boolean }
export interface SolidFacts {
  key: string
  asDrawn: number
  factor: number
  stretch: number
  volume: number
  reached: boolean
  triangles: number
  /** Open area at the face as it is now, mm². */
  opening: number
  /** Dimensions to check, worst first. */
  suspects: Suspect[]
}

/** A plane through a chamber to be looked at: what is left over a cut, its opening, and the section at a place along the crank. */
export interface LookAsk { key: string, cut: Cut, x: number }
export interface Look { volume: number, opening: number, edge: number[][], side: number[][] }

/** Questions of the plan: what is left above a plane over a chamber's face as it stands, or the free figure that leaves it a volume. */
export type PlanAsk = { id: string, key: string, cut: Cut } | { id: string, key: string, setup: HeadSetup, free: Free, volume: number, x: number }
export type PlanTold = { id: string } & ({ volume: number, opening: number } | { value: number } | { argument: string, given: unknown, bound: string })

/** A valve or a figure moved: the chamber as well as its rings can follow, until its solid is made again. */
export interface DragAsk { key: string, spec: ChamberSpec, cut: Cut }

/** Walls round one open valve at one lift, or all of them over many. */
export interface WallsAsk extends WallLook { key: string, valves: { open: number, lifts: number[] }[] }
export type ValveWalls = { open: number, walls: WallAt[] } | { open: number, refused: string }

/** Metal to be taken off a chamber whose body was made. */
/** `share`: how much of what is drawn comes out when it is ground, 1 by the drawing alone. */
export interface DevelopAsk { key: string, name: string, reliefs: Relief[], share?: number }
/** What a chamber is made of: by its drawing, or from another with metal off. */
export type Recipe = SolidAsk | DevelopAsk
export interface Developed { /** cc by the drawing. */ drawn: number, added: number, volume: number, opening: number }

export interface Asks {
  solid: { args: SolidAsk, answer: SolidFacts }
  look: { args: LookAsk, answer: Look }
  plan: { args: PlanAsk[], answer: PlanTold[] }
  drag: { args: DragAsk, answer: { volume: number } }
  walls: { args: WallsAsk, answer: ValveWalls[] }
  develop: { args: DevelopAsk, answer: Developed }
  metal: { args: Omit<DevelopAsk, 'name'>, answer: { drawn: number, added: number, volume: number } }
  surface: { args: { key: string }, answer: { positions: Float32Array, triangles: Uint32Array } }
  stl: { args: { key: string }, answer: ArrayBuffer }
}
export type AskName = keyof Asks
export interface Call<K extends AskName = AskName> { name: K, job: string, seq: number, args: Asks[K]['args'] }
export type Answer<K extends AskName = AskName>
  = | { kind: 'done', value: Asks[K]['answer'], /** What it took in the worker. */ ms: number }
    | { kind: 'stale' }
    /** The worker itself was lost, twice. */
    | { kind: 'broke' }
    | { kind: 'faults', faults: SpecFault[] }
    | { kind: 'refused', argument: string, given: unknown, bound: string }

interface Kept { spec: ChamberSpec, plan: Plan, mesh: Mesh, stretch: number, done: Cut, mouth?: Point[], field?: CeilingField }

/** Chambers kept ready, those used last: a head of sixteen before and after three changes. */
const MOST_KEPT = 64

/** Between the places of a ceiling's field, mm. */
const FIELD_STEP = 0.5

/** Lets the messages that have come in meanwhile be read, so that an older question sees that it is stale. */
function breathe(): Promise<void> {
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel()
    port1.onmessage = () => {
      port1.close()
      resolve()
    }
    port2.postMessage(0)
  })
}

/** Where chambers become bodies and are cut: holds their meshes by name, and answers only the newest question of each job. */
export class SolidBench {
  private readonly kept = new Map<string, Kept>()
  /** How each chamber was asked for: one that was put away to make room is made again when it is wanted. */
  private readonly recipes = new Map<string, () => void>()
  private readonly plans = new Map<string, Plan>()
  private readonly newest = new Map<string, number>()

  constructor(private readonly kit: SolidKit, private readonly writeStl: (mesh: Mesh) => Promise<ArrayBuffer>, private readonly room = MOST_KEPT) {}

  async call<K extends AskName>(call: Call<K>): Promise<Answer<K>> {
    const { job, seq } = call
    this.newest.set(job, Math.max(seq, this.newest.get(job) ?? 0))
    await breathe()
    if (this.newest.get(job)! > seq) return { kind: 'stale' }
    try {
      const begun = performance.now()
      const value = await this.run(call)
      return { kind: 'done', value, ms: performance.now() - begun }
    } catch (error) {
      if (error instanceof SpecError) return { kind: 'faults', faults: error.faults }
      if (error instanceof DomainError) return { kind: 'refused', argument: error.argument, given: String(error.given), bound: error.bound }
      throw error
    }
  }

  /** What chambers were made of on a bench that is gone: each is made again here when it is wanted. */
  know(made: Recipe[]): void {
    for (const one of made) this.recipes.set('name' in one ? one.name : one.key, () => void ('name' in one ? this.develop(one) : this.solid(one)))
  }

  private run<K extends AskName>({ name, args }: Call<K>): Asks[K]['answer'] | Promise<Asks[K]['answer']> {
    const does: { [N in AskName]: (a: Asks[N]['args']) => Asks[N]['answer'] | Promise<Asks[N]['answer']> } = {
      solid: a => this.solid(a), look: a => this.look(this.chamber(a.key).mesh, a.cut, a.x), plan: a => a.map(one => this.plan(one)),
      drag: a => this.drag(a), walls: a => this.walls(a), develop: a => this.develop(a), metal: a => this.metal(a), surface: a => this.surface(a.key), stl: a => this.writeStl(this.chamber(a.key).mesh)
    }
    return does[name](args)
  }

  private chamber(key: string): Kept {
    if (!this.kept.has(key)) this.recipes.get(key)?.()
    const kept = this.kept.get(key)
    if (!kept) throw new DomainError('key', key, 'a chamber whose body was made')
    this.keep(key, kept)
    return kept
  }

  private planFor(spec: ChamberSpec): Plan {
    const { outline, pads, roof, draft, floorRadius } = spec
    const name = JSON.stringify([outline, pads, roof, draft, floorRadius])
    const known = this.plans.get(name)
    if (known) return known
    const plan = planOf(this.kit, spec)
    this.plans.set(name, plan)
    if (this.plans.size > this.room) this.plans.delete(this.plans.keys().next().value!)
    return plan
  }

  private solid(asked: SolidAsk): SolidFacts {
    const { key, spec, measured, done, assumed, quick } = asked
    const plan = this.planFor(spec)
    const { mesh, ...facts } = quick ? calibratedLive(plan, spec, measured, done) : calibrated(this.kit, plan, spec, measured, done)
    this.keep(key, { spec, plan, mesh, stretch: facts.stretch, done })
    this.know([asked])
    return {
      key, ...facts, triangles: mesh.triangles.length / 3, suspects: quick ? [] : suspects(plan, spec, assumed),
      opening: openingArea(mesh, { ...done, depth: done.depth + 1e-6 })
    }
  }

  private look(mesh: Mesh, cut: Cut, x: number): Look {
    return {
      volume: volumeAboveCut(mesh, cut), opening: openingArea(mesh, { ...cut, depth: cut.depth + 1e-6 }),
      edge: sectionOf(mesh, { normal: [-cut.slopeX, -cut.slopeY, 1], offset: cut.depth + 1e-6 }),
      side: sectionOf(mesh, { normal: [1, 0, 0], offset: x + 1e-6 })
    }
  }

  private plan(asked: PlanAsk): PlanTold {
    const { id } = asked
    try {
      const { mesh, done } = this.chamber(asked.key)
      if ('cut' in asked) return { id, ...aboveCut(mesh, cutsTogether([done, asked.cut])) }
      const { setup, free, volume, x } = asked
      return { id, value: solveCut(mesh, { x, y: 0 }, setup, free, volume, done) }
    } catch (error) {
      if (!(error instanceof DomainError)) throw error
      return { id, argument: error.argument, given: String(error.given), bound: error.bound }
    }
  }

  private drag({ key, spec, cut }: DragAsk): { volume: number } {
    const { plan, stretch } = this.chamber(key)
    return { volume: volumeAboveCut(lifted(plan.rings, spec, stretch, draftAt(spec, stretch), true), cut) }
  }

  private walls({ key, below, needs, valves, limits }: WallsAsk): ValveWalls[] {
    const chamber = this.chamber(key)
    const { mesh, spec, done } = chamber
    const mouth = chamber.mouth ??= mouthOn(mesh, done)
    return valves.map(({ open, lifts }) => {
      try {
        return { open, walls: wallsOver({ mesh, valves: spec.valves, done, mouth }, open, lifts, { below, needs, limits }) }
      } catch (error) {
        if (!(error instanceof DomainError)) throw error
        return { open, refused: error.argument }
      }
    })
  }

  /** The same chamber with metal off, kept under its own name; its ceiling stays stretched as the pour had it. */
  private develop(asked: DevelopAsk): Developed {
    const { key, name, reliefs, share = 1 } = asked
    const { spec, plan, mesh, stretch, done } = this.chamber(key)
    const shaped = { ...spec, reliefs: [...spec.reliefs ?? [], ...reliefs] }
    const opened = reliefs.length > 0 ? solidOn(this.kit, plan, shaped, stretch) : mesh
    this.keep(name, { spec: shaped, plan, mesh: opened, stretch, done })
    this.know([asked])
    const volume = volumeAboveCut(opened, done)
    const drawn = volume - volumeAboveCut(mesh, done)
    return { drawn, added: drawn * share, volume: volume - drawn * (1 - share), opening: openingArea(opened, { ...done, depth: done.depth + 1e-6 }) }
  }

  /** The same by the ceiling's field: at once, while a hand draws, and some hundredths of a cc off. */
  private metal({ key, reliefs, share = 1 }: Asks['metal']['args']) {
    const chamber = this.chamber(key)
    const field = chamber.field ??= ceilingField(chamber.mesh, FIELD_STEP)
    const drawn = metalIn(field, chamber.spec.valves, reliefs, chamber.done)
    return { drawn, added: drawn * share, volume: volumeAboveCut(chamber.mesh, chamber.done) + drawn * share }
  }

  private keep(key: string, kept: Kept): void {
    this.kept.delete(key)
    this.kept.set(key, kept)
    if (this.kept.size > this.room) this.kept.delete(this.kept.keys().next().value!)
  }

  private surface(key: string) {
    const { mesh } = this.chamber(key)
    return { positions: Float32Array.from(mesh.positions), triangles: Uint32Array.from(mesh.triangles) }
  }
}
