import { KINDS } from '#core'
import { kindForm } from '../kindForm'

const { bounds } = KINDS.ridge

export const ridge = kindForm<'ridge'>({
  fields: [
    { name: 'height', label: 'Height', as: 'figure', rule: bounds.height, usual: [0.1, 3] },
    { name: 'width', label: 'Width of its foot', as: 'figure', rule: bounds.width, usual: [0.2, 5] },
    { name: 'across', label: 'Across, where it stands', as: 'figure', rule: bounds.across, usual: [20, 70] },
    { name: 'arc', label: 'Over', as: 'figure', rule: bounds.arc }
  ]
})
