import type { Outline } from '../../port'
import { kind } from '../kind'
import type { Valve } from '../terms'

/** What a flange joint has, in the direction of an intake's flow; an exhaust's flows the other way, and its `pipe` is the last. */
export const FLANGE_PARTS = ['pipe', 'gasket', 'port'] as const
export type FlangePart = (typeof FLANGE_PARTS)[number]
/** `port`: of which kind of port; the scope says of which cylinder, or of all. `inner`: where the port bends aside, the side that its inner wall is on. */
export interface FlangeBody { port: Valve, part: FlangePart, outline: Outline, inner?: 'left' | 'right' }

/** Most points of a traced opening. */
export const OUTLINE_POINTS = 2000

/** An opening in a flange, where bolts or dowels put it. */
export const flange = kind<FlangeBody>()({
  example: () => ({ port: 'intake', part: 'gasket', outline: { form: 'rectangle', x: 0, y: 0, width: 34, height: 40, radius: 8 } }),
  at: () => ({ station: 'ports', leaf: 'flange' }),
  role: 'reading', scopes: ['build', 'head', 'cylinder'], changes: [], bounds: {}
})
