import { say } from '#shared/figures'
import { kindWords } from '../kindWords'

export const flowRun = kindWords<'flowRun'>({
  label: 'Flow run',
  say: ({ name, bench, depression, rows, claimed }, lengths) => {
    const reached = rows.filter(row => row.flow !== undefined)
    const best = reached.reduce((most, row) => row.flow! > most.flow! ? row : most, reached[0]!)
    return [...name ? [name] : [], `${reached.length} ${reached.length === 1 ? 'lift' : 'lifts'}, most ${say(best.flow!, 'flow', lengths)} at ${say(best.lift, 'length', lengths)}`, `${say(depression.value, 'depression', lengths)} on ${bench}`, ...claimed ? [`claimed by ${claimed}`] : []].join(', ')
  }
})
