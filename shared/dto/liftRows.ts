import { DomainError, LIFT_TABLE, liftTable, type LiftRow } from '#core'

/** What is wrong with the rows of a lift table, counted from 1; `rows` as they come in from anywhere. */
export function liftRowsFault(rows: unknown): string | undefined {
  const shaped = Array.isArray(rows) && rows.every(row => typeof row === 'object' && row !== null && Object.keys(row).sort().join() === 'angle,lift')
  if (!shaped) return 'A lift table is a list of places, each with its angle and its lift.'
  try {
    liftTable(rows as LiftRow[])
    return undefined
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    const place = /^rows\[(\d+)\]\.(angle|lift)$/.exec(error.argument)
    if (!place) return error.argument === 'most' ? 'In this table the valve never opens.' : `A lift table has ${LIFT_TABLE.least} to ${LIFT_TABLE.most} places.`
    const [, row, what] = place
    return what === 'lift'
      ? `The lift of place ${Number(row) + 1} can’t be right: 0 to ${LIFT_TABLE.lift} mm.`
      : `The angle of place ${Number(row) + 1} can’t be right: angles rise, over ${LIFT_TABLE.span}° at most.`
  }
}
