import { kindForm } from '../kindForm'

export const gasketChange = kindForm<'gasketChange'>({ at: () => ({ station: 'cut', leaf: 'face' }) })
