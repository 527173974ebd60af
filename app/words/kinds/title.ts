import { kindWords } from '../kindWords'

export const title = kindWords<'title'>({ label: 'Name', say: ({ name, reference }) => `“${name}”${reference ? `, ${reference}` : ''}` })
