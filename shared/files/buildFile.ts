import type { Entry } from '#core'
import { BuildRequest, DOCUMENT_FORMAT, DOCUMENT_VERSION, check, checkEntry, isFields, uuidFault, type BuildDocument, type Checked, type FieldProblem } from '#shared/dto'

/** Checks a build kept as JSON (docs/build-file.md), entry by entry. */
export function readDocument(plain: object): Checked<BuildDocument> {
  const fail = (path: string, sentence: string): Checked<BuildDocument> => ({ ok: false, fields: [{ path: `document${path}`, sentence }] })
  const { format, version, build, entries, ...rest } = plain as Record<string, unknown>
  if (format !== DOCUMENT_FORMAT) return fail('.format', 'This is not a build kept by Precise Bowl.')
  if (version !== DOCUMENT_VERSION) return fail('.version', `Version ${String(version).slice(0, 20)} of the file is not known here.`)
  const strange = Object.keys(rest)[0]
  if (strange) return fail(`.${strange.slice(0, 40)}`, `“${strange.slice(0, 40)}” is not known here.`)
  if (!isFields(build)) return fail('.build', 'The build’s name is missing.')
  const { id, ...name } = build
  const idFault = uuidFault(id)
  if (idFault) return fail('.build.id', idFault)
  const named = check(BuildRequest, { ...name, hand: 'x' }, 'document.build')
  if (!named.ok) return named
  if (!Array.isArray(entries)) return fail('.entries', 'The entries are missing.')
  const fields: FieldProblem[] = []
  const ids = new Set<string>()
  entries.forEach((entry: unknown, i) => {
    const problem = entryProblem(entry, id as string, ids)
    if (fields.length > 50) return
    fields.push(...problem.map(p => ({ ...p, path: `document.entries[${i}]${p.path ? `.${p.path}` : ''}` })))
  })
  if (fields.length > 0) return { ok: false, fields: fields.slice(0, 50) }
  return {
    ok: true,
    value: {
      format: DOCUMENT_FORMAT, version: DOCUMENT_VERSION,
      build: { id: id as string, name: named.value.name, reference: named.value.reference },
      entries: [...entries as Entry[]].sort((a, b) => (a.seq ?? 0) - (b.seq ?? 0))
    }
  }
}

function entryProblem(entry: unknown, build: string, ids: Set<string>): FieldProblem[] {
  if (!isFields(entry)) return [{ path: '', sentence: 'This is not an entry.' }]
  const { id, build: of, seq, ...sent } = entry
  const idFault = uuidFault(id)
  if (idFault) return [{ path: 'id', sentence: idFault }]
  if (ids.has(id as string)) return [{ path: 'id', sentence: 'This identity stands in the file twice.' }]
  ids.add(id as string)
  if (of !== build) return [{ path: 'build', sentence: 'This entry belongs to another build.' }]
  if (!Number.isSafeInteger(seq) || (seq as number) < 0) return [{ path: 'seq', sentence: 'The order it was received in is missing.' }]
  const checked = checkEntry(sent)
  return checked.ok ? [] : checked.fields
}
