import type { Valve } from '../../ledger'
import type { Column } from './columns'

/** No pocket is cut deeper than this by a route, mm: what a crown has under it nobody asked. */
export const MOST_POCKET = 3

/** Pockets are cut in steps of this, mm. */
export const POCKET_STEP = 0.1

/** What pockets of these depths make a crown hold more, cc. */
export const pocketsHold = ({ pocket }: Column, depth: Record<Valve, number>): Record<Valve, number> =>
  ({ intake: (pocket?.intake ?? 0) * depth.intake, exhaust: (pocket?.exhaust ?? 0) * depth.exhaust })

/** Both kinds of valve together. */
export const both = ({ intake, exhaust }: Readonly<Record<Valve, number>>): number => intake + exhaust
