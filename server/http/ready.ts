let settle: () => void = () => undefined

/** Resolves once the database is on this code's schema; every request waits for it. */
export const ready = new Promise<void>((resolve) => {
  settle = resolve
})

/** Lets the waiting requests through. */
export const isReady = (): void => settle()
