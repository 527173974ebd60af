import { kindForm } from '../kindForm'

export const offer = kindForm<'offer'>({ at: () => ({ station: 'sheet', leaf: 'gaskets' }) })
