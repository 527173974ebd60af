import { liftTable as tableOf } from '#core'
import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const liftTable = kindWords<'liftTable'>({
  label: 'Lift table',
  say: ({ valve, rows }, lengths) => {
    const { most, open } = tableOf(rows)
    return `${valve}, ${rows.length} places, ${say(most, 'length', lengths)} over ${say(open, 'angle', lengths)}`
  }
})
