import { v4 as uuid } from 'uuid'
import { put } from './server'
import type { Bench } from './page'

/** As many letters as a name may have, in words that a shop might use. */
const LONGEST = 'Brackwater 34, second engine, starboard side, winter rebuild for the harbour launch no. 7 and her tender'
/** A twelve has banks and heads of this many. */
const BANK = 6

interface Sent { id: string, build: string, seq: number, kind: string, scope: { level: string, cylinder?: number, head?: number }, body: Record<string, unknown>, supersedes?: string }

/** The launch six as a twelve of two heads, its cylinders 7 to 12 poured as 1 to 6, under the longest names there may be. */
export async function twelve(bench: Pick<Bench, 'server' | 'launch'>): Promise<string> {
  const document = await (await fetch(`${bench.server.url}/api/builds/${bench.launch}/file`)).json() as { build: { name: string, reference: string }, entries: Sent[] }
  const most = Math.max(...document.entries.map(e => e.seq))
  const ids = new Map(document.entries.map(e => [e.id, uuid()]))
  const over = document.entries.flatMap((entry): Sent[] => {
    const scope = entry.scope.cylinder ? { ...entry.scope, cylinder: entry.scope.cylinder + BANK } : entry.scope.head ? { ...entry.scope, head: entry.scope.head + 1 } : undefined
    return scope ? [{ ...entry, id: ids.get(entry.id)!, seq: entry.seq + most, scope, ...(entry.supersedes ? { supersedes: ids.get(entry.supersedes)! } : {}) }] : []
  })
  const row = (from: number) => Array.from({ length: BANK }, (_, i) => from + i)
  for (const entry of document.entries) if (entry.kind === 'layout') entry.body = { heads: [row(1), row(7)], banks: [row(1), row(7)] }
  const name = `${LONGEST.slice(0, 60)} ${uuid().slice(0, 4)}`
  const whole = { ...document, build: { ...document.build, name, reference: LONGEST.slice(0, 60) }, entries: [...document.entries.filter(e => e.kind !== 'portPairs'), ...over] }
  const { json, status } = await put(`${bench.server.url}/api/imports/${uuid()}`, { document: whole, copy: true, hand: 'TTTT' })
  if (status >= 300) throw new Error(JSON.stringify(json))
  return (json as { id: string }).id
}

/** How a page is dressed: by day in millimetres on the demo, or by night in inches on a twelve with the longest names. */
export const DRESSES = {
  'day, mm': { store: {}, build: undefined },
  'night, inches, twelve': { store: { 'bowl.night': 'true', 'bowl.lengths': 'in', 'bowl.hand': 'WWWW' }, build: twelve }
} as const
export type Dress = keyof typeof DRESSES
