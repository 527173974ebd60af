const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/
/** What is wrong with a name that the client gave, if anything. */
export const uuidFault = (value: unknown): string | undefined =>
  typeof value === 'string' && UUID.test(value) ? undefined : 'That is not an identity (a lower-case UUID).'

const HASH = /^[0-9a-f]{64}$/
/** What is wrong with a photograph's name, if anything. */
export const hashFault = (value: unknown): string | undefined =>
  typeof value === 'string' && HASH.test(value) ? undefined : 'A photograph is named by its SHA-256, in lower-case hexadecimal.'
