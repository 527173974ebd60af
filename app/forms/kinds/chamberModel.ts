import { kindForm } from '../kindForm'

export const chamberModel = kindForm<'chamberModel'>({ at: () => ({ station: 'sheet', leaf: 'chamber' }) })
