import { throat as rule } from './core'

export const throat = {
  fields: [{ name: 'across', label: 'Throat', as: 'figure' as const, rule: rule.bounds.across }]
}
