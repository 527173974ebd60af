import { kindForm } from '../kindForm'

export const target = kindForm<'target'>({ at: () => ({ station: 'sheet', leaf: 'section' }) })
