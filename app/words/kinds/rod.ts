import { kindWords } from '../kindWords'

export const rod = kindWords<'rod'>({
  label: 'Rods and block',
  say: ({ material, block }) => [...material ? [`rods of ${material}`] : [], ...block ? [`block of ${block === 'iron' ? 'cast iron' : block}`] : []].join(', ')
})
