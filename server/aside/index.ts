import type { BuildSummary } from '#shared/dto'
import { SHOP } from '../http/shop'
import { listSummaries } from '../db/summaries'
import type { CanReckon } from '../db/entries'
import { happened, onHappening } from '../http/live'
import { Aside } from './aside'

/** What a pour waits for is not held up by what takes long. */
export const quick = new Aside()
export const long = new Aside()

/** Names the code that reckons: made when it is built, from core and shared. A summary of other code is made anew. */
export const reckoning = (): string => useRuntimeConfig().reckoning as string

/** A new entry waits this long to be tried on the ledger; after that it is kept, for a replay leaves out what it can't use. */
const TRIED_MS = 2000

/** Tries new entries on their ledger. A thread that does not answer is no reason to refuse a reading. */
export const canReckon: CanReckon = (build, fresh) =>
  quick.ask('misfit', { shop: SHOP, build, reckoning: reckoning(), fresh }, TRIED_MS).catch((error: Error) => {
    console.error(`an entry was not tried on its ledger: ${error.message}`)
    return undefined
  })

/** Reads a build's ledger aside, for the entries that will come. */
export function warm(build: string): void {
  quick.ask('warm', { shop: SHOP, build, reckoning: reckoning() }, 60_000).catch(() => undefined)
}

const due = new Map<string, ReturnType<typeof setTimeout>>()
let making: Promise<void> = Promise.resolve()

/** A list may be this far behind while entries come in one after the other. */
const SOON_MS = 200

function makeSoon(build: string): void {
  if (due.has(build)) return
  due.set(build, setTimeout(() => {
    due.delete(build)
    making = making.then(() => long.ask('summary', { shop: SHOP, build, reckoning: reckoning() }, 600_000)).then(
      () => happened({ kind: 'summary', build, id: build }),
      (error: Error) => console.error(`the summary of ${build} was not made: ${error.message}`)
    )
  }, SOON_MS).unref())
}

/** Keeps the shop's list up from now on: what is behind is made anew, and each build again when its ledger has grown. */
export async function keepSummaries(): Promise<void> {
  onHappening(({ kind, build, id }) => {
    if (kind === 'entry' && build) makeSoon(build)
    if (kind === 'build') makeSoon(id)
    // What the shop lets out decides what comes next on every build.
    if (kind === 'rules') makeAll(() => true).catch(() => console.error('the list was not made anew after the shop’s rules changed'))
  })
  await makeAll(({ stale }) => stale)
}

async function makeAll(which: (build: BuildSummary) => boolean): Promise<void> {
  for (const build of await listSummaries({ shop: SHOP }, reckoning())) if (which(build)) makeSoon(build.id)
}
