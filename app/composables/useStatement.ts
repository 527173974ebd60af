import { isStatement, quantityRule, scopeName, quantityOf, type Bodies, type Figure, type Quantity, type Scope } from '#core'
import { say } from '#shared/figures'
import { useBuild } from '~/stores/build'
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
 * One dimension of the build as a field: what stands there, and how a new figure is kept.
 *
 * @param quantity which dimension
 * @param scope what it is stated for
 */
export function useStatement(quantity: Quantity, scope: () => Scope, cylinder?: () => number) {
  const build = useBuild()
  const device = useDevice()
  const of = () => cylinder?.() ?? build.cylinder
  const part = computed(() => quantityOf(build.replayed, quantity, of()))
  /** The statement a new figure would correct: the one that counts, if it is for just this scope. */
  const standing = computed(() => {
    const wanted = scopeName(scope())
    return part.value?.entries.map(id => build.byId.get(id)).find(entry =>
      entry && isStatement(entry)
      && entry.body.quantity === quantity && scopeName(entry.scope) === wanted)
  })
  const rule = quantityRule(quantity)
  const usual: Basis = rule.wanted ? 'wish' : rule.measurable === false || quantity === 'leastDeckThickness' ? 'book' : 'measure'
  const chosen = ref<Basis>()
  const basis = computed(() => usual === 'wish' ? usual : chosen.value ?? (standing.value?.kind as Basis | undefined) ?? usual)

  async function keep(figure: Figure, base: string | undefined, more: Partial<Bodies['measure']> = {}): Promise<string | undefined> {
    // How a clearance is measured stays as it was said, until it is said anew.
    const before = standing.value?.body
    const convention = before && 'convention' in before && before.convention ? { convention: before.convention } : {}
    const sent = await build.add(basis.value, scope(), { quantity, figure, ...convention, ...more }, base ? { supersedes: base } : {})
    const value = part.value
    return notKept(sent, value && say(value.estimate.value, quantityRule(quantity).dimension, device.lengths))
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
    return notKept(await build.add('assume', scope(), { quantity, figure, u }, before ? { supersedes: before } : {}))
  }
  return { part, standing, basis, keep, changeBasis, standIn }
}
