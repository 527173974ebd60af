/** What went wrong below a query: PostgreSQL's own code (SQLSTATE), or the line's. */
export function codeOf(error: unknown): string | undefined {
  for (let cause = error; typeof cause === 'object' && cause !== null; cause = (cause as { cause?: unknown }).cause) {
    const { code } = cause as { code?: unknown }
    if (typeof code === 'string') return code
  }
  return undefined
}

/**
 * What a failed query says of the database, as a sentence; nothing where it was the query's own fault. What was sent may
 * be sent again as it is: it waits on the device until then.
 */
export function databaseTrouble(error: unknown): string | undefined {
  const code = codeOf(error) ?? ''
  if (/^53[12]00$|^25006$|^58030$/.test(code)) return 'The shop’s database can’t write: its disk is full, or it is set to read only. Nothing was stored.'
  if (/^57P0|^08|^ECONN|^EPIPE|^ETIMEDOUT|^53300/.test(code)) return 'The shop’s database does not answer. Nothing was stored.'
  if (/^57014$|^55P03$/.test(code)) return 'The shop’s database took too long. Nothing was stored: try again.'
  if (/timeout exceeded when trying to connect|Connection terminated|Client was closed/.test(deepest(error))) return 'The shop’s database does not answer. Nothing was stored.'
  return undefined
}

/** Two writers met head on: the database let one go, and told the other to come again. */
export const metHeadOn = (error: unknown): boolean => /^40P01$|^40001$/.test(codeOf(error) ?? '')

function deepest(error: unknown): string {
  let message = ''
  for (let cause = error; cause instanceof Error; cause = cause.cause) message = cause.message
  return message
}

/**
 * A failure as it may stand in a log: what broke and where in the code, never a query with what somebody typed into it.
 */
export function forTheLog(error: unknown): string {
  const code = codeOf(error)
  const stack = error instanceof Error ? (error.stack ?? '').split('\n').filter(line => /^\s+at /.test(line)).slice(0, 6).join('\n') : ''
  return `${code ? `database ${code}: ` : ''}${code || isQuery(error) ? 'a query failed' : deepest(error) || String(error)}\n${stack}`
}

const isQuery = (error: unknown): boolean => error instanceof Error && /^Failed query/.test(error.message)
