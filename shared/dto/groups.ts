export const MOST_CYLINDERS = 16
export const STATES = ['planned', 'done', 'dropped'] as const

/** Whether something is the number of a cylinder. */
export const isCylinder = (value: unknown): value is number => Number.isInteger(value) && (value as number) >= 1 && (value as number) <= MOST_CYLINDERS

/** What is wrong with cylinders in groups, if anything. */
export function groupsFault(value: unknown): string | undefined {
  const right = Array.isArray(value) && value.length > 0 && value.every(group =>
    Array.isArray(group) && group.length > 0 && group.every(c => isCylinder(c)))
  if (!right) return `Each group lists its cylinders, numbered 1 to ${MOST_CYLINDERS}.`
  const all = (value as number[][]).flat()
  return new Set(all).size === all.length ? undefined : 'A cylinder can stand in one group only.'
}
