import { kindWords } from '../kindWords'

export const casting = kindWords<'casting'>({ label: 'Casting', say: ({ mark, cast }) => cast ? `${mark}, cast ${cast}` : mark })
