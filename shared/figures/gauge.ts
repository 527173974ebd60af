/**
 * A reading as a gauge sends it, in the form somebody would type: “55.4 cc”.
 *
 * @param message whatever came over the line
 * @returns undefined for what is no reading
 */
export function readGauge(message: unknown): string | undefined {
  if (typeof message !== 'string' || message.length > 40) return undefined
  const match = /^\s*([-+]?\d{1,6}(?:[.,]\d{0,6})?)\s*([A-Za-z"°]{0,4})\s*$/.exec(message)
  return match ? `${match[1]!.replace(/^\+/, '')}${match[2] ? ` ${match[2]}` : ''}` : undefined
}
