import type { Entry } from '#core'
import type { CheckRequest, KeptInstrument, SentEntry } from '#shared/dto'
import { checkEntry } from '#shared/dto'
import { beginBuild, demoIsIn } from './builds'
import { addEntries } from './entries'
import { keepCheck, keepInstrument } from './instruments'
import { keepPhotograph } from './photographs'
import { remade } from '../photographs'
import type { By } from './outcome'

export interface DemoShop {
  name: string
  hand: string
  instruments: KeptInstrument[]
  checks: { id: string, instrument: string, check: CheckRequest }[]
  builds: { id: string, name: string, reference: string, entries: Entry[], photographs: { sha256: string, bytes: Buffer }[] }[]
}

/** Puts the demo shop in, through the same checks as anything that is typed. Its ids are fixed: half a seeding is finished by the next. */
export async function seed(by: By, demo: DemoShop): Promise<void> {
  for (const { id, ...figures } of demo.instruments) await keepInstrument(by, id, figures)
  for (const { id, instrument, check } of demo.checks) await keepCheck({ ...by, hand: check.hand }, instrument, id, check)
  for (const build of demo.builds) {
    await beginBuild(by, build)
    for (const { sha256, bytes } of build.photographs) await keepPhotograph(by, sha256, await remade(bytes))
    const entries = build.entries.map(({ id, build: _build, seq: _seq, ...sent }) => {
      const checked = checkEntry(sent)
      if (!checked.ok) throw new Error(`demo entry ${id}: ${checked.fields[0]?.path} ${checked.fields[0]?.sentence}`)
      return { id, entry: sent as SentEntry }
    })
    const outcome = await addEntries(by, build.id, entries)
    if (outcome.kind !== 'added' && outcome.kind !== 'already') throw new Error(`demo build ${build.name}: ${JSON.stringify(outcome)}`)
  }
  await demoIsIn(by.shop)
}
