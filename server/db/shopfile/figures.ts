import { advice, replay, uncertainty, clearancesOf, squishOf, type Entry, type Part } from '#core'

/** A figure of a build by its name: what a shop that was brought back must come to again, to the last digit. */
export type Figures = Record<string, number | string>

/**
 * Every figure a build's ledger comes to: each cylinder's parts, clearance, ratio and gap with their doubt, as it is and as
 * planned, its squish and clearances, what was settled and taught, and the next move.
 *
 * @param entries the whole ledger
 */
export function figuresOf(entries: Entry[]): Figures {
  const replayed = replay(entries)
  const found: Figures = { entries: entries.length, next: JSON.stringify(advice(replayed)) }
  if (!replayed) return found
  const put = (name: string, part: Part | undefined) => {
    if (!part) return
    found[name] = part.estimate.value
    found[`${name} ±`] = uncertainty(part.estimate)
    found[`${name} from`] = part.provenance
  }
  for (const [column, states] of [['as it is', replayed.asIs], ['as planned', replayed.asPlanned]] as const) {
    for (const state of states) {
      const of = (what: string) => `cylinder ${state.cylinder}, ${column}: ${what}`
      for (const [name, part] of Object.entries(state.parts)) put(of(name), part)
      put(of('swept'), state.swept)
      put(of('clearance'), state.clearance)
      put(of('ratio'), state.ratio)
      put(of('gap'), state.gap)
      put(of('target chamber'), state.targetChamber)
    }
  }
  for (const cylinder of replayed.layout.cylinders) {
    put(`cylinder ${cylinder}: squish`, squishOf(replayed, cylinder).gap)
    put(`cylinder ${cylinder}: running squish`, squishOf(replayed, cylinder).running?.gap)
    for (const { name, now } of clearancesOf(replayed, cylinder)) found[`cylinder ${cylinder}: ${name}`] = now.value
  }
  replayed.settlements.forEach((s, i) => found[`settlement ${i + 1}`] = s.difference.value)
  replayed.lessons.forEach((l, i) => found[`lesson ${i + 1}`] = l.perMm.value)
  return found
}

/** The first figure in which two builds differ, in words; nothing where they are the same. */
export function difference(before: Figures, after: Figures): string | undefined {
  const name = [...new Set([...Object.keys(before), ...Object.keys(after)])].find(key => before[key] !== after[key])
  return name && `${name}: ${before[name] ?? 'nothing'} before, ${after[name] ?? 'nothing'} after`
}
