import { sayEngine } from '../engines'
import { kindWords } from '../kindWords'

export const layout = kindWords<'layout'>({
  label: 'Layout',
  say: ({ heads, engine }) => [...(engine ? [sayEngine(engine)] : []), `${heads.flat().length} ${heads.flat().length === 1 ? 'cylinder' : 'cylinders'}, ${heads.length} ${heads.length === 1 ? 'head' : 'heads'}`].join(', ')
})
