import { kindForm } from '../kindForm'

export const flowRun = kindForm<'flowRun'>({})
