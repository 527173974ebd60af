/** What a builder can turn to come to a target. */
export const LEVERS = ['gasket', 'grind', 'open', 'school', 'crown', 'piston', 'face', 'roll', 'deck', 'spacer', 'seats', 'seatsFirst', 'dome'] as const
export type Lever = (typeof LEVERS)[number]

/** How far a cut may go at the valves: no edge touched, an arc of a top cut lost, a seat too where a seat job follows. */
export const EDGES = ['never', 'topCut', 'seatJob'] as const
export type Edges = (typeof EDGES)[number]

/** How far each lever goes at most: mm off a face or a deck, under a barrel, up at a valve; cc out of a chamber or a crown; degrees a head is rolled. */
export interface RouteMost { faceMost: number, deckMost: number, spacerMost: number, seatsUp: number, groundMost: number, crownMost: number, rollMost: number }

/** Where a search for routes begins on this shop's builds, until a builder says otherwise at Route: levers that are off, and how far the others go. */
export interface RouteStart extends RouteMost { off: Lever[], edges: Edges, setUps: 1 | 2 }

/** The levers that are off once one of them was turned, in their order. */
export const switched = (off: readonly Lever[], lever: Lever, on: boolean): Lever[] => LEVERS.filter(l => l === lever ? !on : off.includes(l))

/** What each of them may be at all. */
export const ROUTE_MOST = {
  faceMost: [0, 5], deckMost: [0, 5], spacerMost: [0, 5], seatsUp: [0, 6], groundMost: [0, 100], crownMost: [0, 60], rollMost: [0, 10]
} as const satisfies Record<keyof RouteMost, readonly [low: number, high: number]>

/** A starting point for a shop that has not set its own. */
export const STARTING_ROUTE: RouteStart = {
  off: ['school', 'piston', 'seatsFirst'], edges: 'topCut', setUps: 2, faceMost: 2, deckMost: 0.5, spacerMost: 1.5, seatsUp: 1, groundMost: 8, crownMost: 3, rollMost: 2
}
