import type { ReadKind, Slip } from '#core'

/** What is practised on, in what it is read, and how. */
export const READ_WORDS: Record<ReadKind, { name: string, unit: string, how: string }> = {
  burette: { name: 'Burette', unit: 'cc', how: 'Bring your eye level with the liquid, and read the lowest line of its curve. The scale counts down from the top. Say so if there is a bubble.' },
  syringe: { name: 'Syringe', unit: 'cc', how: 'Read at the edge of the ring that touches the liquid, to a tenth of a division. Say so if there is a bubble.' },
  dial: { name: 'Dial gauge', unit: 'mm', how: 'Read the small hand first: it counts whole turns, a millimetre each. Then the large hand.' },
  calliper: { name: 'Calliper', unit: 'mm', how: 'Read whole millimetres left of the vernier’s zero, then add the vernier’s line that meets one of the scale.' },
  wheel: { name: 'Degree wheel', unit: '°', how: 'Before top dead centre is minus, after it plus. Read to a quarter of a degree.' }
}

/** Why a reading is off: what was done, and what to do. */
export const SLIP_WORDS: Record<Slip, string> = {
  parallax: 'Your eye was not level with the liquid: bring it level first.', meniscus: 'You read where the liquid climbs up the glass: read the lowest line of the curve.',
  wrongWay: 'You counted against the scale: look which way its numbers run.', edge: 'You read the far edge of the ring: read the one that touches the liquid.',
  turn: 'You are a whole turn off: read the small hand first.', carry: 'You are a whole millimetre off: read the scale left of the vernier’s zero, not beside it.',
  mark: 'You counted from the wrong numbered mark: read the nearest number, then count.', sign: 'The sign is wrong: before top dead centre is minus.', bubble: 'There was a bubble in it: get it out, and read again. A bubble counts as liquid.'
}
export const NO_BUBBLE = 'There was no bubble: it could be read.'

/** What is said of a reading. */
export function sayJudged(off: string, unit: string, { off: by, slip }: { off: number, slip?: Slip }, refused: boolean, close: boolean): string {
  if (refused) return slip === 'bubble' ? NO_BUBBLE : 'Right: with a bubble in it there is nothing to read.'
  if (slip === 'bubble') return SLIP_WORDS.bubble
  const much = unit === '°' ? `${off}°` : `${off} ${unit}`
  if (close) return by === 0 ? 'Just right.' : `Right, to ${much}.`
  return `${much} ${by > 0 ? 'too high' : 'too low'}.${slip ? ` ${SLIP_WORDS[slip]}` : ''}`
}
