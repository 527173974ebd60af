import { JOB_CARD, type JobBought, type JobLine } from '#core'
import { Sound, initialsFault, nameFault } from '../decorators'
import { rowsFault } from '../rows'

const { lines, bought, hours, money, words } = JOB_CARD
const isNumber = (value: unknown, most: number) => typeof value === 'number' && Number.isFinite(value) && value >= 0 && value <= most

function linesFault(value: unknown): string | undefined {
  const rule = { most: lines, count: `A job card has one step or more, ${lines} at most.`, shape: 'A step has its name and its hours.', fields: ['step', 'hours', 'who'] } as const
  const fault = rowsFault(value, rule, ({ step, hours: planned, who }) =>
    nameFault(step, 'The step’s name', words) ?? (isNumber(planned, hours) ? undefined : `A step takes between 0 and ${hours} hours.`) ?? (who === undefined ? undefined : initialsFault(who)))
  if (fault) return fault
  const names = (value as JobLine[]).map(({ step }) => step.trim().toLowerCase())
  return new Set(names).size < names.length ? 'A step stands on the card once.' : undefined
}

function boughtFault(value: unknown): string | undefined {
  if (Array.isArray(value) && value.length === 0) return undefined
  const rule = { most: bought, count: `${bought} things bought at most.`, shape: 'What was bought has words and its money.', fields: ['words', 'money'] } as const
  return rowsFault(value, rule, ({ words: what, money: paid }) => nameFault(what, 'What was bought', words) ?? (isNumber(paid, money) ? undefined : `What was bought costs between 0 and ${money}.`))
}

export class JobCardBody {
  @Sound(linesFault) lines!: JobLine[]
  @Sound(boughtFault) bought!: JobBought[]
}
