import { TO_THE_PISTON, correctable, countingStatement, fit, isStatement, quantityOf, quantityRule, scopeName, scopeToState, statingLevels, type Bodies, type Figure, type Quantity, type Scope, type StatementEntry } from '#core'
import { say } from '#shared/figures'
import { useBuild, type ToAdd } from '~/stores/build'
import { useDevice } from '~/stores/device'
import { sentenceOf } from '~/stores/shop'
import type { Sent } from '~/stores/outbox'

export type Basis = 'measure' | 'book' | 'assume' | 'wish'

/** The sentence for a write that did not go in, or nothing when it is kept (here or on the server). */
export function notKept(sent: Sent, now?: string): string | undefined {
  if (sent.kind !== 'refused') return undefined
  const { current } = sent.problem
  if (!current) return sentenceOf(sent.problem)
  return `${current.hand} changed this meanwhile${now ? `: it is ${now} now` : ''}. Yours is still here; Enter puts it in its place.`
}

/**
 * One dimension of the build as a field: what stands there, whom it holds for, and how a new figure is kept.
 *
 * @param quantity which dimension; where it becomes another, what was chosen for the one before is gone with it
 * @param usually what it is stated for where nobody said otherwise
 * @param cylinder whose figure is shown; the one on the bench if not given
 */
export function useStatement(quantity: () => Quantity, usually: () => Scope, cylinder?: () => number) {
  const build = useBuild()
  const device = useDevice()
  const of = () => cylinder?.() ?? build.cylinder
  const part = computed(() => quantityOf(build.replayed, quantity(), of()))
  /** The statement that counts for this cylinder, whomever it is about. */
  const counting = computed(() => {
    const entry = build.replayed && countingStatement(build.replayed, quantity(), of())
    const kept = entry && build.byId.get(entry.id)
    // What dial readings come to is no statement that could be corrected.
    return kept && isStatement(kept) ? kept : undefined
  })
  /** For whom it may be stated, widest first; none where each cylinder has its own in any case. */
  const levels = computed((): Scope[] => build.replayed && usually().level !== 'cylinder' ? statingLevels(build.replayed.layout, of()) : [])
  const asked = ref<Scope>()
  const scope = computed<Scope>(() => asked.value ?? (usually().level === 'cylinder' || !build.replayed ? usually() : scopeToState(build.replayed, quantity(), of(), usually())))
  /** Whether it holds for the whole engine, by whatever name: its one head is all of it. */
  const forAll = computed(() => build.replayed?.layout.cylinders.every(c => fit(scope.value, build.replayed!.layout, c) > 0) ?? true)
  /** The statement a new figure puts right; none where it is another figure: for another scope, or after work. */
  const standing = computed(() => counting.value && build.replayed && correctable(build.replayed, quantity(), of(), scope.value) ? counting.value : undefined)
  /** How a clearance is measured stays as it was said, of this cylinder or else of the last one, until it is said anew. */
  const convention = computed(() => {
    const said = [...build.replayed?.ledger.statements.get(quantity()) ?? [], ...counting.value ? [counting.value] : []].at(-1)?.body
    return said && 'convention' in said ? said.convention : undefined
  })
  const usual = computed((): Basis => {
    const rule = quantityRule(quantity())
    return rule.wanted ? 'wish' : rule.measurable === false || quantity() === 'leastDeckThickness' ? 'book' : 'measure'
  })
  const chosen = ref<Basis>()
  const basis = computed(() => usual.value === 'wish' ? usual.value : chosen.value ?? (standing.value?.kind as Basis | undefined) ?? usual.value)
  watch(of, () => asked.value = undefined)
  watch(quantity, () => asked.value = chosen.value = undefined)

  async function keep(figure: Figure, base: string | undefined, more: Partial<Bodies['measure']> = {}): Promise<string | undefined> {
    const way = convention.value ? { convention: convention.value } : {}
    const sent = await build.add(basis.value, scope.value, { quantity: quantity(), figure, ...way, ...more }, base ? { supersedes: base } : {})
    const value = part.value
    return notKept(sent, value && say(value.estimate.value, quantityRule(quantity()).dimension, device.lengths))
  }

  /** The same figure from another source: measured instead of taken from the book, say. */
  async function changeBasis(to: Basis): Promise<string | undefined> {
    chosen.value = to
    const entry = standing.value
    if (!entry || !('figure' in entry.body) || entry.kind === to) return undefined
    return keep(entry.body.figure, entry.id)
  }
  /** A figure that stands in until somebody measures, with its own doubt. */
  async function standIn(figure: Figure, u: Figure): Promise<string | undefined> {
    const before = standing.value?.id
    chosen.value = undefined
    return notKept(await build.add('assume', scope.value, { quantity: quantity(), figure, u }, before ? { supersedes: before } : {}))
  }
  /** The figure for more of the engine, or for less of it: wider, it takes the place of what was said of its parts. */
  async function holdFor(to: Scope): Promise<string | undefined> {
    const now = counting.value
    const { layout, live } = build.replayed ?? {}
    asked.value = to
    if (!now || !layout || !live || scopeName(now.scope) === scopeName(to)) return undefined
    const same = live.entries.filter((e): e is StatementEntry => isStatement(e) && e.body.quantity === quantity())
    const reach = (scope: Scope) => layout.cylinders.filter(c => fit(scope, layout, c) > 0)
    const wider = reach(to).length > reach(now.scope).length
    const there = same.find(e => scopeName(e.scope) === scopeName(to))
    // A clearance that is one cylinder's own tells of the others by their decks: nothing wider stands beside it.
    const tellsOfOthers = TO_THE_PISTON.some(one => one === quantity())
    const parts = wider ? same.filter(e => e !== there && scopeName(e.scope) !== scopeName(to) && reach(e.scope).every(c => reach(to).includes(c))) : tellsOfOthers ? [now] : []
    const said = notKept(await build.addAll([
      ...parts.map((e): ToAdd => ({ kind: 'void', scope: e.scope, body: { reason: `holds for ${to.level === 'build' ? 'the whole engine' : scopeName(to)} now` }, more: { supersedes: e.id } })),
      { kind: now.kind, scope: to, body: now.body, more: there ? { supersedes: there.id } : {} } as ToAdd
    ]))
    asked.value = undefined
    return said
  }
  return { part, standing, convention, basis, scope, forAll, levels, keep, changeBasis, standIn, holdFor }
}
