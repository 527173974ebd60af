import { kindWords } from '../kindWords'

const voided = kindWords<'void'>({ label: 'Struck out', say: ({ reason }) => `“${reason}”` })
export { voided as void }
