import type { Advice } from '#core'

/** What a build waits for: the bench or the person that its next move needs. */
export const WAITS = ['stop', 'measuring', 'burette', 'grinder', 'mill', 'lathe', 'parts', 'customer', 'writing'] as const
export type Wait = (typeof WAITS)[number]
export const WAIT_WORDS: Record<Wait, { title: string, said: string }> = {
  stop: { title: 'Stopped: settle this first', said: 'a decision' }, measuring: { title: 'To measure', said: 'measuring' }, burette: { title: 'For the burette', said: 'the burette' },
  grinder: { title: 'For the grinder', said: 'the grinder' }, mill: { title: 'For the mill', said: 'the mill' }, lathe: { title: 'For the lathe', said: 'the lathe' },
  parts: { title: 'For parts', said: 'parts' }, customer: { title: 'For the customer', said: 'the customer' }, writing: { title: 'To write up', said: 'writing up' }
}

/** What the next move of a build needs. */
export function waitOf(next: Advice): Wait {
  // A turned head is worked on the lathe, whatever comes off it.
  if (next.at.leaf === 'turned' && (next.kind === 'do' || next.kind === 'plan')) return 'lathe'
  switch (next.kind) {
    case 'takeOut': case 'seatLost': case 'squishTouches': case 'squishTight': case 'passesTarget': case 'tooClose': case 'springRoom': return 'stop'
    case 'gasketInBore': return 'parts'
    case 'tooCoarse': return 'mill'
    case 'solder': case 'wanted': case 'layOut': case 'state': case 'assumed': return 'measuring'
    case 'leak': case 'disagree': case 'pour': case 'pourSecond': case 'pourFine': case 'pourAgain': case 'pourCrown': return 'burette'
    case 'setTarget': case 'targetAgain': case 'decide': return 'customer'
    case 'squish': return 'lathe'
    case 'plan': return ({ cut: 'mill', foot: 'mill', lift: 'parts', open: 'grinder', even: 'grinder', other: 'grinder' } as const)[next.way]
    case 'do': return ({ faceCut: 'mill', deckCut: 'mill', crownWork: 'mill', relief: 'grinder', seatWork: 'grinder', gasketChange: 'parts', spacer: 'parts' } as const)[next.what]
    case 'onTarget': return 'writing'
  }
}

const NUMBERS = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten', 'Eleven', 'Twelve']
const number = (n: number) => NUMBERS[n] ?? String(n)

/** “One build waits for the burette, two for the mill.” */
export function sayWaits(counts: readonly { wait: Wait, builds: number }[]): string {
  const waiting = counts.filter(({ builds }) => builds > 0)
  if (waiting.length === 0) return 'Nothing is on the bench.'
  return `${waiting.map(({ wait, builds }, i) => i === 0
    ? `${number(builds)} ${builds === 1 ? 'build waits' : 'builds wait'} for ${WAIT_WORDS[wait].said}`
    : `${number(builds).toLowerCase()} for ${WAIT_WORDS[wait].said}`).join(', ')}.`
}
