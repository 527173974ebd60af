import type { Reason } from '#core'

/** What a target may have been chosen for, as labels. */
export const REASON_WORDS: Record<Reason, string> = { fuel: 'Fuel', boost: 'Boost', use: 'Use', ignition: 'Ignition', classRule: 'Class rule' }
