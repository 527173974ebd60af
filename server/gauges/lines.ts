/** Longest line a gauge sends; what runs on without an end is dropped. */
const LONGEST = 64

/** A flow bench's line: a lift and its flow. */
const BENCH = /^[-+]?[\d.]+ ?(mm|in) [-+]?[\d.]+ ?(L\/s|cfm)$/

/**
 * Readings out of what a serial gauge sends, however the pieces fall.
 *
 * @returns a function that takes the next piece and gives the lines that are whole now, trimmed, without those that
 *   hold no digit or anything but what a reading is made of
 */
export function readLines(): (piece: string) => string[] {
  let rest = ''
  let tooLong = false
  return (piece) => {
    const found: string[] = []
    for (const character of piece) {
      if (character === '\n' || character === '\r') {
        const line = rest.trim()
        if (!tooLong && /\d/.test(line) && (/^[-+]?[\d.,]+ ?[A-Za-z"°]*$/.test(line) || BENCH.test(line))) found.push(line)
        rest = ''
        tooLong = false
      } else if (rest.length >= LONGEST) tooLong = true
      else rest += character
    }
    return found
  }
}
