import { KINDS } from '#core'
import { kindForm } from '../kindForm'

const { bounds } = KINDS.finish

export const finish = kindForm<'finish'>({
  fields: [
    { name: 'roughness', label: 'Finish, Ra', as: 'figure', rule: bounds.roughness, usual: [0.2, 6] },
    { name: 'most', label: 'The gasket allows', as: 'figure', rule: bounds.most, usual: [0.4, 3.5] }
  ]
})
