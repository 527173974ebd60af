import { kindWords } from '../kindWords'

export const layout = kindWords<'layout'>({
  label: 'Layout',
  say: ({ heads }) => `${heads.flat().length} cylinders, ${heads.length} ${heads.length === 1 ? 'head' : 'heads'}`
})
