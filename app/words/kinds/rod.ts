import { kindWords } from '../kindWords'

export const rod = kindWords<'rod'>({ label: 'Rods', say: ({ material }) => `of ${material}` })
