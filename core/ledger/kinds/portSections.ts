import type { XY } from '../../port'
import { kind } from '../kind'

/** One section: mm from the seat; its area, mm², its outline as traced, mm, or its width and height with the radius of its corners, mm. */
export interface SectionRow { at: number, area?: number, points?: XY[], width?: number, height?: number, radius?: number }
export interface PortSectionsBody { rows: SectionRow[] }

/** What rows of sections may be: how many, of how many points, and how far a port goes. */
export const SECTION_ROWS = { least: 2, most: 60, points: 200, length: 400, side: 200, area: 20_000 } as const

/** Areas across a port along its middle line. */
export const portSections = kind<PortSectionsBody>()({
  example: () => ({ rows: [{ at: 0, area: 1150 }, { at: 25, area: 1020 }, { at: 80, width: 32, height: 38, radius: 8 }] }),
  at: () => ({ station: 'ports', leaf: 'sections' }),
  role: 'reading', scopes: ['port'], changes: [], bounds: {}
})
