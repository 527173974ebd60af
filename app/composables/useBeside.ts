import { takenOff, type Enclosed, type Figure, type PourEntry } from '#core'
import { useBuild } from '~/stores/build'
import { useDrafts } from '~/stores/drafts'

/** Figures that belong to a pour beside its readings. They stay set until they are cleared: a plate keeps its hole. */
export type BesideName = 'depth' | 'plugColumn' | 'plateHole' | 'knownRelief' | 'scaleTemperature' | 'warmer'
export interface Beside extends Partial<Record<BesideName, Figure>> { sealed?: 'ring' | 'crown', liquid?: 'alcohol' | 'water', vessel?: string }

/** Which of those figures count for what is filled. */
export const BESIDE: Record<Enclosed, BesideName[]> = {
  chamber: ['plateHole', 'knownRelief'], assembled: ['plugColumn', 'knownRelief'], crown: ['depth', 'plateHole', 'knownRelief'],
  intakePort: ['plateHole', 'knownRelief'], exhaustPort: ['plateHole', 'knownRelief'], container: ['knownRelief']
}

/** What belongs to a pour of each thing beside its readings: as set in hand, else the column and the seal of the pour before. */
export function useBeside() {
  const build = useBuild()
  const drafts = useDrafts()
  const key = (what: Enclosed) => `${build.view?.id}/pour/beside/${what}`
  const set = (what: Enclosed): Beside => JSON.parse(drafts.get(key(what)) ?? '{}') as Beside
  /** The last pour of a thing here, or at any cylinder: they share their plug and their grease. */
  function before(what: Enclosed): PourEntry | undefined {
    const all = (build.replayed?.live.entries ?? []).filter((e): e is PourEntry => e.kind === 'pour' && e.body.encloses === what)
    return all.filter(e => e.scope.level === 'cylinder' && e.scope.cylinder === build.cylinder).at(-1) ?? all.at(-1)
  }
  function besideOf(what: Enclosed): Beside {
    const { plugColumn, sealed } = before(what)?.body ?? {}
    return { ...(plugColumn ? { plugColumn } : {}), ...(sealed ? { sealed } : {}), ...set(what) }
  }
  function setBeside(what: Enclosed, change: Partial<Beside>) {
    const next = Object.fromEntries(Object.entries({ ...set(what), ...change }).filter(([, v]) => v !== undefined && v !== ''))
    drafts.set(key(what), Object.keys(next).length > 0 ? JSON.stringify(next) : '')
  }
  /** Whether a figure is that of the pour before, which nobody has said again. */
  const carried = (what: Enclosed, name: BesideName) => set(what)[name] === undefined && besideOf(what)[name] !== undefined
  /** What goes into the glass beside the volume that is measured, cc. */
  const alsoFilled = (what: Enclosed): number => {
    const beside = besideOf(what)
    const body = Object.fromEntries(BESIDE[what].flatMap(name => beside[name] ? [[name, beside[name]]] : []))
    return takenOff({ body } as unknown as PourEntry)
  }
  return { besideOf, setBeside, carried, alsoFilled }
}
