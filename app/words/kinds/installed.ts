import { say } from '#shared/figures'
import { kindWords } from '../kindWords'
import { typedFigure } from '../statement'

export const installed = kindWords<'installed'>({
  label: 'Installed height', say: ({ height, seal }, lengths) => `${say(height.value, 'length', lengths)}${seal ? `, ${say(seal.value, 'length', lengths)} to the seal` : ''}`, typed: ({ height }) => typedFigure(height)
})
