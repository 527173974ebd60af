import { kindForm } from '../kindForm'

export const wheel = kindForm<'wheel'>({ at: () => ({ station: 'mockup', leaf: 'tdc' }) })
