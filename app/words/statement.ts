import { placeOf, quantityOf, quantityRule, type Figure, type Place, type Quantity, type Replay, type Statement } from '#core'
import { say, sayList, UNITS, type LengthUnit, type UnitName } from '#shared/figures'
import { QUANTITY_WORDS } from '#shared/words/quantities'

/** A stated dimension in one line. */
export function sayStatement({ quantity, figure }: Statement, lengths: LengthUnit): string {
  const { dimension } = quantityRule(quantity)
  // A share is a ratio below one, and told to a thousandth.
  return `${QUANTITY_WORDS[quantity].label} ${say(figure.value, dimension, lengths, dimension === 'ratio' && figure.value < 1 ? 1 : 0)}`
}

/**
 * What was typed for a figure, with the unit that its field had where the hand typed none; empty for one that was only pressed for.
 *
 * @example typedFigure({ value: 1.016, unit: 'thou', typed: '40 thou' }) // '40 thou'
 */
export const typedFigure = ({ typed, unit }: Figure): string =>
  /[^\d\s.,+\-−/]/.test(typed) || unit === ':1' ? typed : typed && `${typed} ${UNITS[unit as UnitName]?.label ?? unit}`

/** Stations where dimensions are stated. */
const WHERE: Partial<Record<Place['station'], string>> = { sheet: 'on the Sheet', mockup: 'at Mock-up', ports: 'at Ports', cut: 'at Cut' }

/**
 * What of some dimensions nobody has stated yet, as an order to do so; nothing where all of them are.
 *
 * @param here the station it is read at: what is stated there needs no place
 */
export function sayToState(r: Replay | undefined, cylinder: number, names: readonly Quantity[], here: Place['station']): string | undefined {
  const wanted = names.filter(name => !quantityOf(r, name, cylinder))
  const stations = [...new Set(wanted.map(name => placeOf(name).station))]
  return wanted.length === 0 ? undefined : `State ${stations.map(at => `${sayList(wanted.filter(name => placeOf(name).station === at).map(name => QUANTITY_WORDS[name].noun))}${at === here ? '' : ` ${WHERE[at] ?? ''}`}`).join(', and ')}`
}
