/** Writes that have come in and are not answered yet, by the id their sender gave them. */
const now = new Map<string, number>()

/** Notes that a write is being worked on, until the returned function is called. */
export function working(id: string): () => void {
  now.set(id, (now.get(id) ?? 0) + 1)
  return () => {
    const left = now.get(id)! - 1
    if (left > 0) now.set(id, left)
    else now.delete(id)
  }
}

/** Whether a write of this id is being worked on. */
export const isWorkingOn = (id: string): boolean => now.has(id)
