import { v5 as uuidv5 } from 'uuid'
import { kindRule, type Entry } from '#core'
import { addEntries } from './entries'
import { inTransaction } from './connection'
import { beginBuild, findBuild, type BuildRow } from './builds'
import type { By, Outcome } from './outcome'
import type { BuildDocument, SentEntry } from '#shared/dto'

class Undone extends Error {
  constructor(readonly outcome: Outcome<BuildRow>) {
    super('import undone')
  }
}

/** New names for a copy, made from the import's own: sending the same import again makes no second copy. */
export function renamed(document: BuildDocument, importId: string): BuildDocument {
  const rename = (id: string) => uuidv5(id, importId)
  return {
    ...document,
    build: { ...document.build, id: rename(document.build.id) },
    entries: document.entries.map(entry => ({
      ...entry, id: rename(entry.id), build: rename(document.build.id), body: withNames(entry, rename),
      ...(entry.supersedes ? { supersedes: rename(entry.supersedes) } : {}),
      ...(entry.plan ? { plan: rename(entry.plan) } : {}),
      ...(entry.undoes ? { undoes: rename(entry.undoes) } : {})
    }) as Entry)
  }
}

/** A body with the entries it names renamed: its kind says which fields name any. */
function withNames({ kind, body }: Entry, rename: (id: string) => string): object {
  const fields = body as unknown as Record<string, unknown>
  const named = (kindRule(kind).names ?? []).filter(field => typeof fields[field] === 'string')
  return { ...fields, ...Object.fromEntries(named.map(field => [field, rename(fields[field] as string)])) }
}

function asSent(entry: Entry): SentEntry {
  const { id: _id, build: _build, seq: _seq, ...rest } = entry
  return rest
}

/**
 * Brings in a build with its whole ledger, all or nothing.
 *
 * @returns `otherContent` with the build that is here when its id is taken: offer to open it, or to copy
 */
export async function importBuild(by: By, document: BuildDocument): Promise<Outcome<BuildRow>> {
  const here = await findBuild(by, document.build.id)
  if (here) return { kind: 'otherContent', current: here }
  try {
    return await inTransaction(async (db) => {
      const begun = await beginBuild(by, document.build, db)
      if (begun.kind !== 'added') throw new Undone({ kind: 'unknown', what: 'build' })
      if (document.entries.length === 0) return begun
      const outcome = await addEntries(by, document.build.id, document.entries.map(entry => ({ id: entry.id, entry: asSent(entry) })), { db })
      if (outcome.kind === 'added') return begun
      throw new Undone(outcome.kind === 'refused'
        ? { kind: 'refused', fields: outcome.fields.map(f => ({ ...f, path: `document.${f.path}` })) }
        : { kind: 'unknown', what: 'build' })
    })
  } catch (error) {
    if (error instanceof Undone) return error.outcome
    throw error
  }
}
