import { ROUTE_MOST, type Edges, type Lever, type RouteMost, type RouteStart } from '#core'
import { LIMIT_DIMENSIONS } from '#core/plan/route/ask'
import { UNITS, inLengths, type LengthUnit } from '#shared/figures'

/** Text that is no number goes as it is: the server's sentence says which field, beside the field. */
export const asNumber = (text: string): string | number => text.trim() === '' || Number.isNaN(Number(text.replace(',', '.'))) ? text : Number(text.replace(',', '.'))

/** A length as it stands in a form. */
export const lengthText = (mm: number, lengths: LengthUnit): string => String(Number(inLengths(mm, lengths).toFixed(lengths === 'in' ? 4 : 2)))

/** A length of a form in mm; one that nobody touched goes back as it was, not by its rounded inches. */
export function asLength(text: string, lengths: LengthUnit, was?: number): string | number {
  if (was !== undefined && text === lengthText(was, lengths)) return was
  const value = asNumber(text)
  return typeof value === 'number' ? Number((value * UNITS[lengths].factor).toFixed(4)) : value
}

/** Where routes begin, while it is edited. */
export interface RouteForm { off: Lever[], edges: Edges, setUps: string, most: Record<keyof RouteMost, string> }

export const ROUTE_FIELDS = Object.keys(ROUTE_MOST) as (keyof RouteMost)[]

export const routeForm = ({ off, edges, setUps, ...most }: RouteStart, lengths: LengthUnit): RouteForm => ({
  off: [...off], edges, setUps: String(setUps),
  most: Object.fromEntries(ROUTE_FIELDS.map(name => [name, LIMIT_DIMENSIONS[name] === 'length' ? lengthText(most[name], lengths) : String(most[name])])) as RouteForm['most']
})

/** The form as it is sent. */
export const routeSent = ({ off, edges, setUps, most }: RouteForm, was: RouteStart, lengths: LengthUnit) => ({
  off, edges, setUps: Number(setUps),
  ...Object.fromEntries(ROUTE_FIELDS.map(name => [name, LIMIT_DIMENSIONS[name] === 'length' ? asLength(most[name], lengths, was[name]) : asNumber(most[name])]))
})
