import { kindForm } from '../kindForm'

export const headHeights = kindForm<'headHeights'>({ at: () => ({ station: 'sheet', leaf: 'face' }) })
