import { kindWords } from '../kindWords'

const voided = kindWords<'void'>({ label: 'Taken out', say: ({ reason }) => `“${reason}”` })
export { voided as void }
