/** How rows of a body are to be: how many, and what is said of too many or of one that is no row. */
export interface RowsRule<F extends string> { most: number, count: string, shape: string, fields: readonly F[] }

/** What is wrong with rows that come in from anywhere, if anything: each has the known fields alone, and passes its own check. */
export function rowsFault<F extends string>(value: unknown, { most, count, shape, fields }: RowsRule<F>, check: (row: Record<F, unknown>) => string | undefined): string | undefined {
  if (!Array.isArray(value) || value.length < 1 || value.length > most) return count
  for (const row of value as unknown[]) {
    if (typeof row !== 'object' || row === null) return shape
    const strange = Object.keys(row).find(key => !(fields as readonly string[]).includes(key))
    const fault = strange ? `“${strange.slice(0, 40)}” is not known here.` : check(row as Record<F, unknown>)
    if (fault) return fault
  }
  return undefined
}
