import { kind } from '../kind'
import { FIGURE_BOUNDS } from '../quantities'
import type { Figure } from '../terms'

/** Where in a port something is to be done, from the valve outwards. */
export const PORT_PLACES = ['throat', 'bowl', 'guideBoss', 'shortTurn', 'roof', 'floor', 'walls', 'vane', 'flange'] as const
export type PortPlaceName = (typeof PORT_PLACES)[number]
/** `leave`: a hollow, a vane or a ledge that is meant to be there; `thin`: there is too little metal to take any. */
export const PORT_WAYS = ['take', 'round', 'leave', 'thin'] as const
/** Whether metal is to go there. */
export const takesMetal = ({ way }: { way: PortWay }): boolean => way === 'take' || way === 'round'
export type PortWay = (typeof PORT_WAYS)[number]

export interface PortPlaceBody { place: PortPlaceName, way: PortWay, amount?: Figure, adds?: Figure, tool?: string, grit?: string, finish?: string, done: boolean }

/** A place in a port: what is to be done there, or left alone; ticked once it is done. `adds`: how much more the port is reckoned to hold then. */
export const portPlace = kind<PortPlaceBody>()({
  example: () => ({ place: 'shortTurn', way: 'round', amount: { value: 0.5, unit: 'mm', typed: '0.5' }, adds: { value: 0.4, unit: 'cc', typed: '0.4' }, tool: 'ball, 12 mm', grit: '80', finish: 'as the grit leaves it', done: false }),
  at: () => ({ station: 'ports', leaf: 'places' }),
  role: 'remark', scopes: ['port'], changes: [], bounds: { amount: FIGURE_BOUNDS.portAmount, adds: FIGURE_BOUNDS.portAdds }
})
