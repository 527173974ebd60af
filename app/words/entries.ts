import { liftTable, pourResult, type Entry, type FaceCutBody, type EntryKind, type Figure, type Scope } from '#core'
import { say, type LengthUnit } from '#shared/figures'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { quantityRule } from '#core'
import { CHAMBER_WORDS } from '#shared/words/chamber'
import { ENCLOSED_WORDS } from './pours'

/** What a kind of entry is called in the Daybook. */
export const KIND_WORDS: Record<EntryKind, string> = {
  layout: 'Layout', title: 'Name', target: 'Target', measure: 'Measured', book: 'Book', assume: 'Assumed', offer: 'Gasket to be had',
  pour: 'Pour', faceCut: 'Face cut', deckCut: 'Deck cut', gasketChange: 'Gasket change', relief: 'Chamber opened',
  seatWork: 'Seat work', void: 'Taken out', deckReadings: 'Deck by dial', solder: 'Solder', wheel: 'Top dead centre', rod: 'Rods', liftTable: 'Lift table',
  portPairs: 'Port pairs', hold: 'Chamber kept', chamberModel: 'Chamber drawn'
}

/** What an entry is about. */
export function sayScope(scope: Scope): string {
  switch (scope.level) {
    case 'build': return 'all'
    case 'bank': return `bank ${scope.bank}`
    case 'head': return `head ${scope.head}`
    case 'cylinder': return `cyl. ${scope.cylinder}`
  }
}

/** An entry's content in one line. */
export function sayEntry(entry: Entry, lengths: LengthUnit): string {
  switch (entry.kind) {
    case 'layout': return `${entry.body.heads.flat().length} cylinders, ${entry.body.heads.length} ${entry.body.heads.length === 1 ? 'head' : 'heads'}`
    case 'title': return `“${entry.body.name}”, ${entry.body.reference}`
    case 'target': return `${entry.body.ratio.value.toFixed(2)} ± ${entry.body.tolerance.value.toFixed(2)}, crevice ${entry.body.countsCrevice ? 'counted' : 'not counted'}`
    case 'measure': case 'book': case 'assume': {
      const { quantity, figure } = entry.body
      return `${QUANTITY_WORDS[quantity].label} ${say(figure.value, quantityRule(quantity).dimension, lengths)}`
    }
    case 'offer': return `${say(entry.body.thickness.value, 'length', lengths)} thick, bore ${say(entry.body.bore.value, 'length', lengths)}`
    case 'deckReadings': case 'solder': {
      const list = entry.body.readings.map(r => say(r.figure.value, 'length', lengths))
      return `${list.length} ${list.length === 1 ? 'place' : 'places'}: ${list.join(', ')}`
    }
    case 'wheel': return `${entry.body.pairs.length} ${entry.body.pairs.length === 1 ? 'pair' : 'pairs'}, both sides`
    case 'rod': return `of ${entry.body.material}`
    case 'liftTable': {
      const { most, open } = liftTable(entry.body.rows)
      return `${entry.body.valve}, ${entry.body.rows.length} places, ${say(most, 'length', lengths)} over ${say(open, 'angle', lengths)}`
    }
    case 'portPairs': return `${entry.body.valve} ${entry.body.pairs.map(pair => pair.join(' with ')).join(', ')}`
    case 'chamberModel': return `${CHAMBER_WORDS[entry.body.spec.kind].toLowerCase()}, ${entry.body.spec.valves.length} valves${entry.body.mirrored.length ? `, ${entry.body.mirrored.join(', ')} mirrored` : ''}`
    case 'hold': return entry.body.held ? 'can’t be ground' : 'can be ground again'
    case 'pour': return `${entry.body.vessel ?? ENCLOSED_WORDS[entry.body.encloses].label} ${say(pourResult(entry).value, 'volume', lengths)}`
    case 'faceCut': case 'deckCut': {
      const { state, depth, measured } = entry.body
      const how = entry.kind === 'faceCut' ? sayLay(entry.body, lengths) : ''
      return measured
        ? `${state}, ${say(measured.value, 'length', lengths)} measured (${say(depth.value, 'length', lengths)} planned)${how}`
        : `${state}, ${say(depth.value, 'length', lengths)}${how}`
    }
    case 'gasketChange': return `${entry.body.state}, ${say(entry.body.thickness.value, 'length', lengths)} thick, bore ${say(entry.body.bore.value, 'length', lengths)}`
    case 'relief': case 'seatWork': return `${entry.body.state}, + ${say(entry.body.added.value, 'volume', lengths)}`
    case 'void': return `“${entry.body.reason}”`
  }
}

/** How a cut is laid over, in words; nothing for a flat one. */
export function sayLay({ slopeX = 0, slopeY = 0, flat }: FaceCutBody, lengths: LengthUnit): string {
  const slope = slopeX || slopeY
  if (!slope) return ''
  const angle = Math.atan(Math.abs(slope)) * 180 / Math.PI
  return ` at the bore line, laid over ${say(angle, 'angle', lengths, 1)} ${slopeX ? 'across' : 'about'} the crank${flat && flat.value > 0 ? `, then ${say(flat.value, 'length', lengths)} flat` : ''}`
}

/** A time as it is written on a job card. */
export function sayTime(at: string): string {
  return new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })
}

/** The day alone. */
export function sayDay(at: string): string {
  return new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })
}

/** What was typed, where an entry keeps one typed figure; nothing for one that was only pressed for. */
export function typedOf(entry: Entry): string | undefined {
  const said = ({ typed, unit }: Figure) => typed && `${typed} ${unit}`
  switch (entry.kind) {
    case 'measure': case 'book': case 'assume': return said(entry.body.figure)
    case 'pour': return entry.body.typed
    case 'faceCut': case 'deckCut': return said(entry.body.measured ?? entry.body.depth)
    default: return undefined
  }
}
