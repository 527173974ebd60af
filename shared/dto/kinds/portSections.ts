import { DomainError, SECTION_ROWS, portSectionOf, sectionsVolume, type SectionRow } from '#core'
import { Sound } from '../decorators'
import { rowsFault } from '../rows'
import { tracedFault } from './flange'

const { most, length, side, area } = SECTION_ROWS
const RULE = { most, count: `A port has ${SECTION_ROWS.least} sections or more, ${most} at most.`, shape: 'A section has its place, and its area or its width and height.', fields: ['at', 'area', 'points', 'width', 'height', 'radius'] } as const
const isNumber = (value: unknown, least: number, limit: number) => typeof value === 'number' && Number.isFinite(value) && value >= least && value <= limit

function rowFault(row: Record<(typeof RULE.fields)[number], unknown>): string | undefined {
  if (!isNumber(row.at, 0, length)) return `A section lies between 0 and ${length} mm from the seat.`
  const sized = row.width !== undefined || row.height !== undefined || row.radius !== undefined
  if (row.points !== undefined) return sized || row.area !== undefined ? 'A section has its outline, or its area, or its width and height.' : tracedFault(row.points, 'section', SECTION_ROWS.points)
  if (row.area !== undefined) return sized ? 'A section has its area, or its width and height, not both.' : isNumber(row.area, 10, area) ? undefined : `An area lies between 10 and ${area} mm².`
  if (!isNumber(row.width, 3, side) || !isNumber(row.height, 3, side)) return `A section has its area, or a width and a height between 3 and ${side} mm.`
  return row.radius === undefined || isNumber(row.radius, 0, Math.min(row.width as number, row.height as number) / 2) ? undefined : 'A corner’s radius is half of the shorter side at most.'
}

/** What is wrong with a port's sections, if anything. */
export function sectionsFault(value: unknown): string | undefined {
  const fault = rowsFault(value, RULE, rowFault)
  if (fault) return fault
  const rows = value as SectionRow[]
  if (rows.length < SECTION_ROWS.least) return RULE.count
  try {
    sectionsVolume(rows.map(portSectionOf))
    return undefined
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return 'Sections go outwards from the seat: each lies further than the one before it.'
  }
}

export class PortSectionsBody {
  @Sound(sectionsFault) rows!: SectionRow[]
}
