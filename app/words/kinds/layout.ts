import { sayList } from '#shared/figures'
import { sayEngine } from '../engines'
import { kindWords } from '../kindWords'

export const layout = kindWords<'layout'>({
  label: 'Layout',
  say: ({ heads, engine, fromLeft }) => [...(engine ? [sayEngine(engine)] : []), `${heads.flat().length} ${heads.flat().length === 1 ? 'cylinder' : 'cylinders'}, ${heads.length} ${heads.length === 1 ? 'head' : 'heads'}`, ...(fromLeft ? [`numbered from the left: ${fromLeft.length === 1 ? 'head' : 'heads'} ${sayList(fromLeft)}`] : [])].join(', ')
})
