import { kindWords } from '../kindWords'
import { FORM_WORDS, PART_WORDS } from '../ports'

export const flange = kindWords<'flange'>({ label: 'Flange opening', say: ({ port, part, outline, inner }) => `${port} ${PART_WORDS[part]}, ${FORM_WORDS[outline.form]}${inner ? `, inner wall at the ${inner}` : ''}` })
