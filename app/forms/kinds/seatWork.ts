import { kindForm } from '../kindForm'

export const seatWork = kindForm<'seatWork'>({ at: () => ({ station: 'cut', leaf: 'seats' }) })
