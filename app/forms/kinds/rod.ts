import { kindForm } from '../kindForm'

export const rod = kindForm<'rod'>({ at: () => ({ station: 'mockup', leaf: 'squish' }) })
