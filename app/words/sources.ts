import { isStatement, type Entry, type Quantity } from '#core'
import type { LengthUnit } from '#shared/figures'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { sayEntry, sayKind, sayScope } from './entries'

/**
 * A source of doubt in words: an instrument's scale, one reading, one statement, or a stand-in.
 *
 * @param source as the core names it: `scale:…`, `entry:…`, `standIn:…`
 * @param byId the ledger's entries
 */
export function saySource(source: string, byId: ReadonlyMap<string, Entry>, lengths: LengthUnit): string {
  const [kind, id = '', part] = source.split(':')
  if (kind === 'standIn') return `${QUANTITY_WORDS[id as Quantity].label}: nobody has stated it`
  if (kind === 'scale') {
    const pour = [...byId.values()].find(e => e.kind === 'pour' && (e.body.instrument.id === id || e.id === part))
    return pour?.kind === 'pour' ? `The scale of ${pour.body.instrument.name}` : 'An instrument’s scale'
  }
  const entry = byId.get(id)
  if (kind === 'model') return id === 'geometry' ? 'The chamber’s drawn walls, 2 % of the cut and more the deeper it goes' : id.startsWith('walls') ? 'How fast the chamber narrows as the face goes up' : id.startsWith('ground') ? 'How much the grinding widened the mouth' : 'How far the pour stretched the drawing'
  if (kind === 'takenOff') return 'What was filled beside and taken off'
  if (kind === 'apart') return 'Two instruments that contradict each other'
  if (!entry) return 'A reading'
  const scope = entry.scope.level === 'build' ? '' : `, ${sayScope(entry.scope)}`
  if (entry.kind === 'pour' && part === 'depth') return `How far the piston stood down${scope}`
  if (entry.kind === 'pour') return `This one pour’s reading${scope}`
  if (part === 'sunk') return `How far the valve went up${scope}`
  if (part) return `${QUANTITY_WORDS[part as Quantity].label} of the new gasket (catalogue)`
  if (isStatement(entry)) return `${sayEntry(entry, lengths)} (${sayKind(entry.kind).toLowerCase()})${scope}`
  return `${sayKind(entry.kind)}, ${sayEntry(entry, lengths)}${scope}`
}

/** What would make the largest source surer. */
export function sayImprovement(source: string, byId: ReadonlyMap<string, Entry>): string {
  const [kind, id = ''] = source.split(':')
  if (kind === 'standIn') return 'Measure it, and this shrinks at once.'
  if (kind === 'scale') return 'A finer burette, or a check pour of this one, would help most.'
  const entry = byId.get(id)
  if (kind === 'model' && id.startsWith('ground')) return 'Measure the mouth’s area again, now that it is ground.'
  if (id.startsWith('walls')) return 'A pour before and after a measured cut tells it.'
  if (kind === 'model') return 'Tracing the outline again, and one more pour, would help most.'
  if (kind === 'takenOff') return 'Measuring the plate’s hole or the plug’s column would help most.'
  if (kind === 'apart') return 'Find the pour that is wrong: pour again, and strike it out.'
  if (entry?.kind === 'solder' || entry?.kind === 'deckReadings') return 'Another place or two on the crown would help most.'
  if (entry?.kind === 'pour') return 'One more pour of this chamber would help most.'
  if (entry?.kind === 'book' || entry?.kind === 'gasketChange') return 'It is a claim: measuring it would help most.'
  if (entry?.kind === 'assume') return 'It is assumed: measuring it would help most.'
  return 'Measuring it again, or finer, would help most.'
}
