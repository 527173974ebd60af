import { kindForm } from '../kindForm'

export const hold = kindForm<'hold'>({ at: () => ({ station: 'pour', leaf: 'even' }) })
