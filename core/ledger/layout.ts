import type { Bodies, Entry } from './entry'
import type { Engine } from './engine'
import { live, ofKind } from './live'
import type { Scope, Valve } from './terms'

/** Where each cylinder sits, and what kind of engine it is. Heads, banks and cylinders count from 1. */
export interface Layout { cylinders: number[], heads: number[][], banks: number[][], engine?: Engine, fromLeft?: number[] }

/** Turns a layout statement into the list of cylinders it names, in order. */
export function layoutOf(entries: readonly Entry[]): Layout | undefined {
  const body: Bodies['layout'] | undefined = ofKind(entries, 'layout').at(-1)?.body
  if (!body) return undefined
  return { cylinders: body.heads.flat().sort((a, b) => a - b), heads: body.heads, banks: body.banks, ...(body.engine ? { engine: body.engine } : {}), ...(body.fromLeft ? { fromLeft: body.fromLeft } : {}) }
}

const at = (groups: number[][], cylinder: number) => groups.findIndex(group => group.includes(cylinder)) + 1
/**
 * Head a cylinder belongs to, from 1.
 *
 * @example headOf({ heads: [[1, 3], [2, 4]], … }, 2) // 2
 */
export const headOf = (layout: Layout, cylinder: number): number => at(layout.heads, cylinder)
/**
 * Bank a cylinder belongs to, from 1.
 *
 * @example bankOf({ banks: [[1, 3], [2, 4]], … }, 3) // 1
 */
export const bankOf = (layout: Layout, cylinder: number): number => at(layout.banks, cylinder)

/**
 * Whether a head's row begins at the left, its face up and the intake side away from whoever looks. The frame of a head and of its
 * chambers is right-handed, x to the right as it is seen so: on one bank of a vee numbering runs the one way along it, on the other
 * the other, and in line it goes by the side that the intakes are on.
 *
 * @param head from 1
 */
export const beginsAtLeft = ({ fromLeft }: Pick<Layout, 'fromLeft'>, head: number): boolean => fromLeft?.includes(head) ?? false

/** An end of a row: the cylinder it is told by, and whether that is the left one as the face is seen. */
export interface RowEnd { cylinder: number, left: boolean }

/**
 * The cylinder at which the row of another one begins, which one end of its head or bank is told by; nothing where it stands alone.
 * A head that has the first one and no other is told by the next, at its other end.
 *
 * @example rowBeginsAt({ heads: [[1, 3], [2, 4]], fromLeft: [2], … }, 4) // { cylinder: 2, left: true }
 */
export function rowBeginsAt(layout: Layout, cylinder: number): RowEnd | undefined {
  const row = [layout.heads[headOf(layout, cylinder) - 1], layout.banks[bankOf(layout, cylinder) - 1]].find(group => group && group.length > 1)
  if (!row) return undefined
  const [left, alone] = [beginsAtLeft(layout, headOf(layout, cylinder)), row[0] === cylinder && layout.heads[headOf(layout, cylinder) - 1]!.length === 1]
  return { cylinder: row[alone ? 1 : 0]!, left: left !== alone }
}

/**
 * Whether the + end of a cylinder's head is the engine's front.
 *
 * @example frontIsPlus({ heads: [[1, 2]], engine: { first: 'flywheel', … }, … }, 1) // false
 */
export const frontIsPlus = (layout: Layout, cylinder: number): boolean =>
  (layout.engine?.first !== 'flywheel') !== beginsAtLeft(layout, headOf(layout, cylinder))

/**
 * How closely a scope fits a cylinder: 0 not at all, 1 the build, 2 its bank, 3 its head, 4 its own, 5 the very valve or
 * port that is asked about.
 * @example fit({ level: 'head', head: 2 }, layout, 1) // 0, cylinder 1 is on head 1
 */
export function fit(scope: Scope, layout: Layout, cylinder: number, of: { valve?: Valve, port?: Valve } = {}): 0 | 1 | 2 | 3 | 4 | 5 {
  switch (scope.level) {
    case 'build': return 1
    case 'bank': return bankOf(layout, cylinder) === scope.bank ? 2 : 0
    case 'head': return headOf(layout, cylinder) === scope.head ? 3 : 0
    case 'cylinder': return cylinder === scope.cylinder ? 4 : 0
    case 'valve': return cylinder === scope.cylinder && scope.valve === of.valve ? 5 : 0
    case 'port': return cylinder === scope.cylinder && scope.port === of.port ? 5 : 0
  }
}

/**
 * Names a scope: two that mean the same have one name, however their fields are ordered.
 *
 * @example scopeName({ level: 'head', head: 2 }) // 'head 2'
 */
export function scopeName(scope: Scope): string {
  switch (scope.level) {
    case 'build': return 'build'
    case 'bank': return `bank ${scope.bank}`
    case 'head': return `head ${scope.head}`
    case 'cylinder': return `cylinder ${scope.cylinder}`
    case 'valve': return `cylinder ${scope.cylinder} ${scope.valve} valve ${scope.n ?? 1}`
    case 'port': return `cylinder ${scope.cylinder} ${scope.port} port ${scope.n ?? 1}`
  }
}

/**
 * What scopes an engine has, or undefined while its layout has not been stated (or was taken out).
 *
 * @example layoutBounds(entries) // { cylinders: [1, 2], heads: 2, banks: 2 }
 */
export function layoutBounds(entries: readonly Entry[]): { cylinders: number[], heads: number, banks: number } | undefined {
  const layout = layoutOf(live(entries).entries)
  return layout && { cylinders: layout.cylinders, heads: layout.heads.length, banks: layout.banks.length }
}
