import { FORM_WORDS, PAPER_WORDS } from '../findings'
import { kindWords } from '../kindWords'

export const printed = kindWords<'printed'>({ label: 'Printed', say: ({ paper, form }) => `${PAPER_WORDS[paper].name.toLowerCase()}, ${FORM_WORDS[form]}` })
