import { kindForm } from '../kindForm'

const voided = kindForm<'void'>({})
export { voided as void }
