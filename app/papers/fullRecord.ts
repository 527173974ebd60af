import { NOW, isStatement, knownQuantity, PARTS, pourResult, quantityRule, statedU, uncertainty, type Entry, type PartName, type Quantity } from '#core'
import { digits, sayDoubt, sayList, sayRate, shown } from '#shared/figures'
import { sayEntry, sayKind, sayDate, sayScope, typedOf } from '../words/entries'
import { QUANTITY_WORDS } from '#shared/words/quantities'
import { PART_WORDS, partFormula } from '../words/formulas'
import { captioned, headOf, plusMinus, type PaperCase } from './paperCase'
import { paper, photoRows, table } from './pdf'

/** A volume with a decimal more than the glass shows, so that what is added up comes out as printed. */
const cc = (value: number) => digits(value, 3)
const figureOf = (value: number | undefined) => value === undefined ? '–' : digits(value, 3)

/** Lengths that the parts are worked out of, in the order they stand in the formulas. */
const INPUTS: readonly Quantity[] = ['bore', 'stroke', 'gasketBore', 'gasketArea', 'gasketThickness', 'deckClearance', 'crownDiameter', 'topLandHeight']

/** Every entry that counts, the sums of every ratio, what was predicted and measured, and what was taken out: enough to check each figure by hand. */
export function fullRecord(of: PaperCase): ReturnType<typeof paper> {
  const { r, entries, lengths } = of
  const byId = new Map(entries.map(entry => [entry.id, entry]))
  const glasses = [...new Map(r.live.entries.flatMap(e => e.kind === 'pour' ? [[JSON.stringify([e.body.instrument.id, e.body.instrument.correction]), e.body.instrument] as const] : [])).values()]
  const doubt = (e: Entry) => e.kind === 'pour' ? sayDoubt(pourResult(e).u, 'volume') : isStatement(e) && e.kind !== 'wish' ? sayDoubt(statedU(e), quantityRule(e.body.quantity).dimension, lengths) : ''
  const gone = entries.filter(e => r.live.standing.has(e.id) && e.kind !== 'void')
  /** A length, or what is assumed for one that nobody stated. */
  const inputOf = (name: Quantity, cylinder: number) => knownQuantity(r.ledger, name, cylinder, NOW, [])
  const inputs = INPUTS.filter(name => r.layout.cylinders.some(cylinder => inputOf(name, cylinder)))
  /** What else goes in stands there where anything does. */
  const stack = PARTS.filter(name => name !== 'other' || r.asIs.some(({ parts }) => (parts.other?.estimate.value ?? 0) !== 0))
  /** Where a part's figures come from: measured, derived, of the book, assumed. */
  const sources = (name: PartName) => sayList([...new Set(r.asIs.flatMap(state => state.parts[name]?.provenance ?? []))])
  const formulas = (name: PartName) => [...new Set(r.asIs.flatMap(({ parts }) => parts[name] ? [partFormula(name, parts[name], id => byId.get(id))] : []))].join('; or ')
  return paper(headOf('Full record', of), of.size, [
    { text: 'How each ratio is made up, cc', style: 'head' },
    table(
      ['Cylinder', 'swept', ...stack.map(name => PART_WORDS[name].toLowerCase()), 'clearance', 'ratio', '±'],
      r.asIs.map(state => [
        String(state.cylinder), state.swept ? cc(state.swept.estimate.value) : '–', ...stack.map(name => state.parts[name] ? cc(state.parts[name].estimate.value) : '–'),
        state.clearance ? cc(state.clearance.estimate.value) : '–', state.ratio ? { text: digits(state.ratio.estimate.value, 3), bold: true } : '–', state.ratio ? plusMinus(uncertainty(state.ratio.estimate), 3) : '–'
      ]),
      [40, '*', ...stack.map(() => '*' as const), '*', '*', 30]
    ),
    { ul: ['ratio = (swept + clearance) / clearance', 'swept = π/4 × bore² × stroke / 1000', `clearance = ${stack.map(name => PART_WORDS[name].toLowerCase()).join(' + ')}${r.target?.body.countsCrevice === false ? ', without the crevice' : ''}`, ...stack.filter(name => r.asIs.some(state => state.parts[name])).map(name => `${PART_WORDS[name].toLowerCase()}: ${formulas(name)} (${sources(name)})`)], style: 'quiet' },
    { text: 'What goes into them, mm and mm²', style: 'head' },
    table(
      ['Cylinder', ...inputs.map(name => QUANTITY_WORDS[name].label.toLowerCase())],
      r.layout.cylinders.map(cylinder => [String(cylinder), ...inputs.map(name => figureOf(inputOf(name, cylinder)?.estimate.value))]),
      [40, ...inputs.map(() => '*' as const)]
    ),
    { text: inputs.flatMap((name) => {
      const from = [...new Set(r.layout.cylinders.flatMap(cylinder => inputOf(name, cylinder)?.provenance ?? []))]
      return from.length ? [`${QUANTITY_WORDS[name].label.toLowerCase()}: ${from.join(' or ')}`] : []
    }).join('; '), style: 'quiet' },
    ...r.lessons.length
      ? [
          { text: `What the cuts taught: ${sayRate(1, lengths).unit} off the face`, style: 'head' },
          table(['Cylinder', sayRate(1, lengths).unit, '±', `halfway down, ${lengths}`], r.lessons.map(({ cylinder, perMm, at }) => [String(cylinder), sayRate(perMm.value, lengths, 1).number, sayRate(2 * uncertainty(perMm), lengths, 1).number, shown(at, 'length', lengths).number]), [44, 'auto', 'auto', 'auto'])
        ]
      : [],
    ...glasses.length
      ? [
          { text: 'Instruments', style: 'head' },
          table(['Instrument', 'kind', 'holds, cc', 'maker’s limit, cc', 'reads to, cc', 'its check pour'], glasses.map(g => [g.name, g.kind, digits(g.capacity, 0), digits(g.tolerance, 2), digits(g.resolution, 2), g.correction ? `counts × ${digits(g.correction, 4)}` : 'none']), ['*', 'auto', 'auto', 'auto', 'auto', 'auto'], [0, 1, 5])
        ]
      : [],
    ...r.settlements.length
      ? [
          { text: 'Predicted, and then measured', style: 'head' },
          table(['Cylinder', 'work', 'predicted, cc', 'measured, cc', 'difference', '±'], r.settlements.map(s => [
            String(s.cylinder), [...new Set(s.operations.flatMap(id => byId.get(id) ? [sayKind(byId.get(id)!.kind)] : []))].join(', '), digits(s.predicted.value, 1), digits(s.measured.value, 1), digits(s.difference.value, 2), plusMinus(uncertainty(s.difference), 2)
          ]), [44, '*', 'auto', 'auto', 'auto', 'auto'], [0, 1])
        ]
      : [],
    { text: 'Every entry that counts', style: 'head' },
    table(['When', 'hand', 'what', 'about', '', '±'], r.live.entries.map(e => [
      sayDate(e.at), e.hand, sayKind(e.kind), sayScope(e.scope), [sayEntry(e, lengths), typedOf(e) ? `typed “${typedOf(e)}”` : '', e.kind === 'pour' ? e.body.instrument.name : '', e.note ?? ''].filter(Boolean).join('; '), doubt(e)
    ]), [88, 24, 68, 58, '*', 54], [0, 1, 2, 3, 4]),
    ...gone.length
      ? [
          { text: 'Struck out or replaced', style: 'head' },
          table(['When', 'hand', 'what', 'about', '', 'by'], gone.map((e) => {
            const by = byId.get(r.live.supersededBy.get(e.id) ?? '')
            return [sayDate(e.at), e.hand, sayKind(e.kind), sayScope(e.scope), sayEntry(e, lengths), by ? `${by.hand}, ${sayDate(by.at)}${by.kind === 'void' ? `: ${sayEntry(by, lengths)}` : ''}` : '']
          }), [88, 24, 68, 58, '*', 96], [0, 1, 2, 3, 4, 5])
        ]
      : [],
    ...of.photos.length ? [{ text: 'Photographs', style: 'head', pageBreak: 'before' as const }, photoRows(of.photos.map(photo => captioned(of, photo)), of.size, 150)] : []
  ])
}
