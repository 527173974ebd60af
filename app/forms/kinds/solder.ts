import { kindForm } from '../kindForm'

export const solder = kindForm<'solder'>({ at: () => ({ station: 'mockup', leaf: 'squish' }) })
