import { kindForm } from '../kindForm'

const voided = kindForm<'void'>({ at: () => ({ station: 'daybook' }) })
export { voided as void }
