import { fit, untyped, type EntryOf, type Figure, type Quantity } from '../ledger'
import { quantityOf } from './asked'
import type { Replay } from './replay'

/** What a gasket is: mm, mm, and mm² where its opening is no circle. */
export type GasketFigures = Pick<EntryOf<'offer'>['body'], 'thickness' | 'bore' | 'area'>

const same = (a: number | undefined, b: number | undefined) => a === undefined || b === undefined ? a === b : Math.abs(a - b) < 1e-6

/**
 * Whether two gaskets are the same one: as thick, with the same opening.
 *
 * @example sameGasket(offer.body, change.body) // true, that offer is what is planned
 */
export const sameGasket = (a: GasketFigures, b: GasketFigures): boolean =>
  same(a.thickness.value, b.thickness.value) && same(a.area?.value, b.area?.value) && (a.area !== undefined || same(a.bore.value, b.bore.value))

/** A gasket by its figures alone: an offer's name stays with the offer, and an opening that is no circle goes with the gasket. */
export const gasketFigures = ({ thickness, bore, area }: GasketFigures): GasketFigures => ({ thickness, bore, ...area ? { area } : {} })

/**
 * The gasket of a cylinder, as fitted or with what is planned.
 *
 * @returns undefined where its thickness or bore was not stated
 * @example gasketOf(standing, 1)?.thickness.value // 1.2
 */
export function gasketOf(r: Replay, cylinder: number, column: 'asIs' | 'asPlanned' = 'asIs'): GasketFigures | undefined {
  const figure = (quantity: Quantity, unit: string): Figure | undefined => {
    const value = quantityOf(r, quantity, cylinder, column)?.estimate.value
    return value === undefined ? undefined : untyped(value, unit)
  }
  const [thickness, bore, area] = [figure('gasketThickness', 'mm'), figure('gasketBore', 'mm'), figure('gasketArea', 'mm2')]
  return thickness && bore && gasketFigures({ thickness, bore, area })
}

/**
 * The gaskets that are to be had for a cylinder, thinnest first; one that was entered for two heads is one.
 *
 * @example gasketsOffered(standing, 1).map(o => o.body.thickness.value) // [0.9, 1.2]
 */
export function gasketsOffered({ offers, layout }: Replay, cylinder: number): EntryOf<'offer'>[] {
  const here = offers.filter(o => fit(o.scope, layout, cylinder) > 0)
  return here.filter((offer, i) => here.findIndex(o => sameGasket(o.body, offer.body)) === i).sort((a, b) => a.body.thickness.value - b.body.thickness.value)
}

/** The gasket change that is planned on a cylinder's head, the last of them; undefined where none is. */
export function gasketPlanned(r: Replay, cylinder: number): EntryOf<'gasketChange'> | undefined {
  return r.planned.flatMap(op => op.kind === 'gasketChange' && fit(op.scope, r.layout, cylinder) > 0 ? [op] : []).at(-1)
}
