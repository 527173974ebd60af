import type { GasketFigures } from '#core'
import { say, type LengthUnit } from '#shared/figures'

/** A gasket by its thickness; with its opening too where another one is as thick. */
export function sayGasket({ thickness, bore, area }: GasketFigures, among: readonly GasketFigures[], lengths: LengthUnit): string {
  const alike = among.filter(g => Math.abs(g.thickness.value - thickness.value) < 1e-6).length > 1
  return `${say(thickness.value, 'length', lengths)}${!alike ? '' : area ? `, opening ${say(area.value, 'area', lengths)}` : `, bore ${say(bore.value, 'length', lengths)}`}`
}
