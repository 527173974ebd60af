import { kind } from '../kind'

/** `state` is `dropped` once it was given up: what is planned of it is then planned no longer; what was done stays done. `route`: it is a whole way to the target. */
export interface PlanBody { name: string, reasons: string[], state: 'open' | 'dropped', route?: true }

/** Operations that belong together, and why: its entries name it in their frame. */
export const plan = kind<PlanBody>()({
  example: () => ({ name: 'Turned head', reasons: ['the squish is too wide'], state: 'open' }),
  at: () => ({ station: 'daybook' }),
  role: 'remark', scopes: ['build', 'head', 'cylinder'], changes: [], bounds: {}
})
