import { plainToInstance } from 'class-transformer'
import { validateSync } from 'class-validator'
import type { EntryKind } from '#core'
import * as CLASSES from './kinds'

/** What a class says against one of its fields, the others as they are; nothing where it may stand. */
export function fieldFault(Body: new () => object, plain: Record<string, unknown>, field: string): string | undefined {
  const found = validateSync(plainToInstance(Body, plain), { stopAtFirstError: true, validationError: { target: false, value: false } }).find(e => e.property === field)
  return found && Object.values(found.constraints ?? {})[0]
}

/** The same by the kind of entry whose body it is. */
export const kindFault = (kind: EntryKind, plain: Record<string, unknown>, field: string): string | undefined => fieldFault(CLASSES[kind] as new () => object, plain, field)
