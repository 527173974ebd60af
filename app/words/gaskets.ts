import { gasketOf, sameGasket, type GasketFigures, type Replay } from '#core'
import { say, type LengthUnit } from '#shared/figures'

/** A gasket by its thickness; with its opening too where another one is as thick. */
export function sayGasket({ thickness, bore, area }: GasketFigures, among: readonly GasketFigures[], lengths: LengthUnit): string {
  const alike = among.filter(g => Math.abs(g.thickness.value - thickness.value) < 1e-6).length > 1
  return `${say(thickness.value, 'length', lengths)}${!alike ? '' : area ? `, opening ${say(area.value, 'area', lengths)}` : `, bore ${say(bore.value, 'length', lengths)}`}`
}

/** An offered gasket by its name, told apart from the other offers and from every one that is fitted. */
export function sayOffer(r: Replay, id: string | undefined, lengths: LengthUnit): string | undefined {
  const offer = r.offers.find(o => o.id === id)?.body
  const all = [...r.offers.map(o => o.body), ...r.layout.cylinders.flatMap(c => gasketOf(r, c) ?? [])]
  return offer && sayGasket(offer, all.filter((gasket, i) => all.findIndex(other => sameGasket(other, gasket)) === i), lengths)
}
