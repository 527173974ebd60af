import { v4 as uuid } from 'uuid'
import { put } from './server'
import type { Bench } from './page'

/** As many letters as a name may have, in words that a shop might use. */
export const LONGEST = 'Brackwater 34, second engine, starboard side, winter rebuild for the harbour launch no. 7 and her tender'
interface Sent { id: string, build: string, seq: number, kind: string, scope: { level: string, cylinder?: number, head?: number }, body: Record<string, unknown>, supersedes?: string }

/** Entries of an engine of one head as those of one of two, its second bank as the first: a six as a twelve. */
export function asVee(entries: readonly Sent[], bank: number): Sent[] {
  const most = Math.max(...entries.map(e => e.seq))
  const ids = new Map(entries.map(e => [e.id, uuid()]))
  const over = entries.flatMap((entry): Sent[] => {
    const scope = entry.scope.cylinder ? { ...entry.scope, cylinder: entry.scope.cylinder + bank } : entry.scope.head ? { ...entry.scope, head: entry.scope.head + 1 } : undefined
    return scope ? [{ ...entry, id: ids.get(entry.id)!, seq: entry.seq + most, scope, ...(entry.supersedes ? { supersedes: ids.get(entry.supersedes)! } : {}) }] : []
  })
  const row = (from: number) => Array.from({ length: bank }, (_, i) => from + i)
  const laid = entries.map(entry => entry.kind === 'layout' ? { ...entry, body: { heads: [row(1), row(bank + 1)], banks: [row(1), row(bank + 1)] } } : entry)
  return [...laid.filter(e => e.kind !== 'portPairs'), ...over]
}

/** A build as such a vee, under the longest names there may be. */
export async function veeOf(bench: Pick<Bench, 'server'>, build: string, bank: number): Promise<string> {
  const document = await (await fetch(`${bench.server.url}/api/builds/${build}/file`)).json() as { build: { name: string, reference: string }, entries: Sent[] }
  const name = `${LONGEST.slice(0, 60)} ${uuid().slice(0, 4)}`
  const whole = { ...document, build: { ...document.build, name, reference: LONGEST.slice(0, 60) }, entries: asVee(document.entries, bank) }
  const { json, status } = await put(`${bench.server.url}/api/imports/${uuid()}`, { document: whole, copy: true, hand: 'TTTT' })
  if (status >= 300) throw new Error(JSON.stringify(json))
  return (json as { id: string }).id
}
/** The launch six as a twelve. */
export const twelve = (bench: Pick<Bench, 'server' | 'launch'>): Promise<string> => veeOf(bench, bench.launch, 6)

/** How a page is dressed: by day in millimetres on the demo, or by night in inches on a twelve with the longest names. */
export const DRESSES = {
  'day, mm': { store: {}, build: undefined },
  'night, inches, twelve': { store: { 'bowl.night': 'true', 'bowl.lengths': 'in', 'bowl.hand': 'WWWW' }, build: twelve }
} as const
export type Dress = keyof typeof DRESSES
