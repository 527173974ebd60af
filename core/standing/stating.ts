import { NOW, fit, headOf, scopeName, type Layout, type Quantity, type Scope, type StatementEntry } from '../ledger'
import { quantityOf } from './asked'
import type { Replay } from './replay'
import { faceDepth, groundAt, mouth } from './walls'

const reach = (layout: Layout, scope: Scope): number[] => layout.cylinders.filter(c => fit(scope, layout, c) > 0)

/**
 * For whom a dimension of a cylinder may be stated, widest first: an engine of one head has no figure of its head.
 *
 * @example statingLevels(layoutOfATwelve, 7) // [{ level: 'build' }, { level: 'head', head: 2 }, { level: 'cylinder', cylinder: 7 }]
 */
export function statingLevels({ heads, cylinders, ...layout }: Layout, cylinder: number): Scope[] {
  return [
    { level: 'build' }, ...heads.length > 1 ? [{ level: 'head' as const, head: headOf({ heads, cylinders, ...layout }, cylinder) }] : [],
    ...cylinders.length > 1 && cylinders.length > heads.length ? [{ level: 'cylinder' as const, cylinder }] : []
  ]
}

/** The statement that counts for a cylinder's figure, whomever it is about. */
export function countingStatement(r: Replay, quantity: Quantity, cylinder: number): StatementEntry | undefined {
  const { entries = [] } = quantityOf(r, quantity, cylinder) ?? {}
  return r.ledger.statements.get(quantity)?.find(({ id }) => entries.includes(id))
}

/** What is known of a cylinder's dimension: its figure, and of a mouth how much was cut and ground off it since, which a new figure leaves behind. */
function known(r: Replay, quantity: Quantity, cylinder: number): (number | undefined)[] {
  const figure = quantityOf(r, quantity, cylinder)?.estimate.value
  const stood = quantity === 'mouthArea' && figure !== undefined ? mouth(r.ledger, cylinder) : undefined
  return stood ? [figure, faceDepth(r.ledger, cylinder, NOW) - stood.at, groundAt(r.ledger, cylinder, NOW) - stood.ground] : [figure]
}
const same = (a: number | undefined, b: number | undefined) => a === undefined || b === undefined ? a === b : Math.abs(a - b) < 1e-9

/**
 * For whom a new figure of a cylinder holds where nobody says it: for whom the last one was said, as far as they still share
 * the figure. What work on one head or cylinder has changed is stated for that part alone: the other head has its old gasket.
 *
 * @param usually for whom it is stated where nothing stands yet
 * @example scopeToState(standing, 'gasketThickness', 2, { level: 'build' }) // { level: 'head', head: 2 }: another gasket was fitted there
 */
export function scopeToState(r: Replay, quantity: Quantity, cylinder: number, usually: Scope): Scope {
  const { layout } = r
  const said = r.ledger.statements.get(quantity) ?? []
  // What was said of single cylinders and nothing wider is said of this one as well.
  const first: Scope = said.length > 0 && said.every(({ scope }) => scope.level === 'cylinder') && layout.cylinders.length > 1 ? { level: 'cylinder', cylinder } : usually
  const from = countingStatement(r, quantity, cylinder)?.scope ?? first
  const now = known(r, quantity, cylinder)
  /** Whose figure one for this scope would write over though it is another: who has a closer one of his own keeps it. */
  const differing = (scope: Scope) => reach(layout, scope).filter((c) => {
    const own = countingStatement(r, quantity, c)
    if (own && fit(own.scope, layout, c) > fit(scope, layout, c)) return false
    return !known(r, quantity, c).every((figure, i) => same(figure, now[i]))
  })
  const within = reach(layout, from)
  const narrower = statingLevels(layout, cylinder).filter(level => reach(layout, level).length < within.length && reach(layout, level).every(c => within.includes(c)))
  return [from, ...narrower].find(scope => differing(scope).length === 0) ?? narrower.at(-1) ?? from
}

/**
 * The statement that a new figure for a scope puts right: the one that counts, where it was said of just this scope and nothing was
 * done since that changes what it says. What is measured after work is another figure: the one before it stays what it was.
 *
 * @example correctable(standing, 'deckClearance', 1, { level: 'cylinder', cylinder: 1 }) // undefined once that deck was cut
 */
export function correctable(r: Replay, quantity: Quantity, cylinder: number, scope: Scope): StatementEntry | undefined {
  const counting = countingStatement(r, quantity, cylinder)
  if (!counting || scopeName(counting.scope) !== scopeName(scope)) return undefined
  const worked = (c: number) => countingStatement(r, quantity, c)?.id === counting.id
    && (quantityOf(r, quantity, c)!.entries.length > 1 || known(r, quantity, c).slice(1).some(since => since !== undefined && Math.abs(since) > 1e-9))
  return reach(r.layout, scope).some(worked) ? undefined : counting
}
