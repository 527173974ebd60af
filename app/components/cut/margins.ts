import type { ChamberValve, ValveMargins } from '#core'

/** A valve of a chamber, what the cut leaves of its edges, and how far it comes down to the piston. */
export interface ValveMargin extends ValveMargins { valve: ChamberValve, drop: number, tilt: number }
