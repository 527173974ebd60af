import type { Apart, FlowEntry, FlowMiss, FlowPipe, FlowThing, FlowVerdict, NoVerdict } from '#core'
import { capital, sayList } from '#shared/figures'
import { PLACE_WORDS } from './ports'

export const PIPE_WORDS: Record<FlowPipe, string> = { none: 'no pipe', short: 'a short pipe', long: 'a long pipe' }
export const ENTRY_WORDS: Record<FlowEntry, string> = { none: 'bare flange', clay: 'clay radius', radius: 'radius plate' }
export const MISS_WORDS: Record<FlowMiss, string> = { retainer: 'retainer on the seal', coilBind: 'coil bind', bench: 'the bench’s limit', other: 'not reached' }
export const VERDICT_WORDS: Record<FlowVerdict, string> = { more: 'more', less: 'less', none: 'no change' }
export const WHOLE_WORDS: Record<FlowVerdict, string> = { more: 'It flows more', less: 'It flows less', none: 'No change' }

const WHAT: Record<Exclude<FlowThing['what'], 'place'>, string> = {
  pipe: 'pipe', entry: 'entry', manifold: 'manifold', valve: 'valve', chamber: 'chamber', seat: 'seat', face: 'face', throat: 'throat', flange: 'flange', port: 'port', work: 'work that was put in'
}
const thing = (one: FlowThing) => `the ${one.what === 'place' ? PLACE_WORDS[one.place] : WHAT[one.what]}`

/** Why nothing is said of the work, and what to do. */
const WHY: Record<NoVerdict, string> = {
  specimen: 'They are not of one port: another head or port says nothing of the work on this one.',
  bench: 'They were made on two benches: only runs on one bench can be compared.',
  depression: 'They were made at two depressions: run both at the same one.',
  fixture: 'The fixture’s bore was not the same: use one fixture for both.',
  pipe: 'One had another pipe than the other: run both with the same.',
  claimed: 'One of them is claimed, and nobody here has measured it.',
  lifts: 'They have fewer than two lifts in common: run both at the same lifts.'
}
export const sayNoVerdict = (why: readonly NoVerdict[]): string => why.map(one => WHY[one]).join(' ')

/** What changed between two runs, and what may be said of it. */
export function sayChanged(changed: readonly FlowThing[], verdict: FlowVerdict | undefined): string {
  if (changed.length === 0) return 'Nothing that was entered changed between them, so they count as one head run again: what differs is the bench’s own scatter. If metal was taken, enter the work, or its hours with the run.'
  if (changed.length > 1) return `${capital(sayList(changed.map(thing)))} changed between them: the difference can’t be pinned on any one of them.`
  return verdict === undefined ? `Only ${thing(changed[0]!)} changed between them.` : verdict === 'none' ? `Only ${thing(changed[0]!)} changed, and this bench can’t tell the two apart.` : `Only ${thing(changed[0]!)} changed: the difference is due to it.`
}

/** The runs that would tell several changes apart. */
export function sayApart({ putBack, metal }: Apart): string[] {
  return [
    ...putBack.length ? [`To tell them apart: one more run ${putBack.length > 1 ? 'each ' : ''}with ${sayList(putBack.map(one => `${thing(one)} as it was`))}.`] : [],
    ...metal.length ? [`${capital(sayList(metal.map(thing)))} can’t be put back: on the next port, run it after each.`] : []
  ]
}
