import 'reflect-metadata'
import { plainToInstance } from 'class-transformer'
import { validateSync, type ValidationError } from 'class-validator'
import { kindRule, type Bodies, type Entry, type EntryKind } from '#core'
import { lies } from './decorators'
import { uuidFault } from './identity'
import * as CLASSES from './kinds'
import { isFields, plainFault } from './plain'
import type { Checked, FieldProblem } from './problem'
import { EntryRequest } from './requests'

/** The class that checks each kind's body; a kind without one does not compile. */
const BODIES: { [K in EntryKind]: new () => Bodies[K] } = CLASSES
/** What a class may say beside its fields' rules: what only the whole entry shows. */
interface WholeCheck { fault?: (entry: Entry) => FieldProblem | undefined }

function problems(errors: ValidationError[], prefix: string): FieldProblem[] {
  return errors.flatMap((error) => {
    const path = /^\d+$/.test(error.property) ? `${prefix}[${error.property}]` : prefix ? `${prefix}.${error.property}` : error.property
    const own = Object.entries(error.constraints ?? {}).slice(0, 1).map(([rule, message]) => ({
      path, sentence: rule === 'whitelistValidation' ? `“${error.property.slice(0, 40)}” is not known here.` : message
    }))
    return [...own, ...problems(error.children ?? [], path)]
  })
}

/**
 * Checks what came in against a class. Unknown fields are refused.
 *
 * @param Shape the class with its decorators
 * @param plain anything
 * @param path where it stands, for the paths of its fields
 */
export function check<T extends object>(Shape: new () => T, plain: unknown, path = ''): Checked<T> {
  if (!isFields(plain)) return { ok: false, fields: [{ path, sentence: 'An object with fields is needed here.' }] }
  const fault = plainFault(plain, path)
  return fault ? { ok: false, fields: [fault] } : checkFields(Shape, plain, path)
}

function checkFields<T extends object>(Shape: new () => T, plain: object, path: string): Checked<T> {
  const value = plainToInstance(Shape, plain)
  const errors = validateSync(value, {
    whitelist: true, forbidNonWhitelisted: true, forbidUnknownValues: true, validationError: { target: false, value: false }
  })
  const fields = problems(errors, path)
  return fields.length > 0 ? { ok: false, fields } : { ok: true, value }
}

/** An entry as a client sends it: its id and build stand in the address. */
export type SentEntry = Omit<Entry, 'id' | 'build' | 'seq'>

/**
 * Checks a whole entry: its frame, then its body by kind, then what only the core can judge.
 *
 * @param plain anything
 * @param from `stored` for one that was kept before: a clock that was set back since makes it no less sound
 */
export function checkEntry(plain: unknown, from: 'sent' | 'stored' = 'sent'): Checked<SentEntry> {
  const frame = check(EntryRequest, plain)
  if (!frame.ok) return frame
  const { kind, at } = frame.value
  if (from === 'sent' && lies(at) === 'ahead') return { ok: false, fields: [{ path: 'at', sentence: 'That lies in the future.' }] }
  const Body = BODIES[kind] as (new () => object) & WholeCheck
  const body = checkFields(Body, (plain as { body: object }).body, 'body')
  if (!body.ok) return body
  if (kindRule(kind).takesPlace && !frame.value.supersedes) {
    return { ok: false, fields: [{ path: 'supersedes', sentence: 'Say which entry is struck out.' }] }
  }
  const fault = Body.fault?.({ ...frame.value, body: body.value } as unknown as Entry)
  return fault ? { ok: false, fields: [fault] } : { ok: true, value: plain as SentEntry }
}

/** Most readings that come in together. */
export const BATCH_LIMIT = 20_000

/** Checks entries that came in together, one by one; the first faults of each are told with its place in the list. */
export function readBatch(plain: unknown): Checked<{ hand: string, entries: { id: string, entry: SentEntry }[] }> {
  const fail = (path: string, sentence: string) => ({ ok: false as const, fields: [{ path, sentence }] })
  if (!isFields(plain)) return fail('', 'An object with fields is needed here.')
  const { hand, entries, ...rest } = plain
  const strange = Object.keys(rest)[0]
  if (strange) return fail(strange.slice(0, 40), `“${strange.slice(0, 40)}” is not known here.`)
  if (typeof hand !== 'string' || !/^\p{L}{1,4}$/u.test(hand)) return fail('hand', 'Initials are needed: one to four letters.')
  if (!Array.isArray(entries) || entries.length === 0) return fail('entries', 'There is no reading in it.')
  if (entries.length > BATCH_LIMIT) return fail('entries', `More than ${BATCH_LIMIT} readings do not fit at once.`)
  const list: { id: string, entry: SentEntry }[] = []
  const fields: FieldProblem[] = []
  for (const [i, item] of (entries as unknown[]).entries()) {
    const { id, ...sent } = isFields(item) ? item : {}
    const fault = uuidFault(id)
    const checked = fault ? fail('id', fault) : checkEntry(sent)
    if (checked.ok) list.push({ id: id as string, entry: checked.value })
    else fields.push(...checked.fields.slice(0, 3).map(f => ({ ...f, path: `entries[${i}]${f.path ? `.${f.path}` : ''}` })))
    if (fields.length > 50) break
  }
  return fields.length > 0 ? { ok: false, fields } : { ok: true, value: { hand, entries: list } }
}
