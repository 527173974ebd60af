/** Work that costs hours and money. */
export const WORK = ['gasket', 'grind', 'open', 'crown', 'piston', 'face', 'roll', 'secondCut', 'deck', 'spacer', 'seats', 'dome', 'pour'] as const
export type Work = (typeof WORK)[number]

/** What one of a kind costs; of what currency the shop knows. */
export interface Cost { hours: number, money: number }

/** Per head: gasket, face, roll (more), secondCut; per cc: grind, open; per bank: deck, spacer; per valve: seats; per piston: crown, piston; per round: dome; per chamber: pour. */
export type WorkCosts = Record<Work, Cost>

/** Where a shop has not said its own: assumed, to be edited. */
export const STARTING_COSTS: WorkCosts = {
  gasket: { hours: 0.1, money: 60 }, grind: { hours: 0.5, money: 0 }, open: { hours: 0.4, money: 0 }, crown: { hours: 0.5, money: 25 }, piston: { hours: 0.5, money: 90 }, face: { hours: 0.5, money: 80 }, roll: { hours: 0.5, money: 60 },
  secondCut: { hours: 0.5, money: 60 }, deck: { hours: 1, money: 150 }, spacer: { hours: 0.3, money: 30 }, seats: { hours: 0.4, money: 15 }, dome: { hours: 0.5, money: 25 }, pour: { hours: 0.15, money: 0 }
}
