import { throat as rule } from './core'

export const throat = {
  at: () => ({ station: 'pour' as const }),
  fields: [{ name: 'across', label: 'Throat', as: 'figure' as const, rule: rule.bounds.across }]
}
