import { kindWords } from '../kindWords'

export const photograph = kindWords<'photograph'>({
  label: 'Photograph',
  say: ({ words }, _, { photos }) => [photos && photos.length > 1 ? `${photos.length} photographs` : 'photograph', ...words ? [words] : []].join(': ')
})
