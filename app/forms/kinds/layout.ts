import { kindForm } from '../kindForm'

export const layout = kindForm<'layout'>({ at: () => ({ station: 'sheet', leaf: 'section' }) })
