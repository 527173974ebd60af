import { kindWords } from '../kindWords'

export const target = kindWords<'target'>({
  label: 'Target',
  say: ({ ratio, tolerance, countsCrevice }) => `${ratio.value.toFixed(2)} ± ${tolerance.value.toFixed(2)}, crevice ${countsCrevice ? 'counted' : 'not counted'}`
})
