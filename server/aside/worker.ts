import { parentPort } from 'node:worker_threads'
import { ImportRequest, check, readBatch } from '#shared/dto'
import { readDocument } from '#shared/files/buildFile'
import { addEntries } from '../db/entries'
import { importBuild, renamed } from '../db/imports'
import { makeSummary } from '../db/summaries'
import { databaseTrouble, forTheLog } from '../db/trouble'
import type { Answered, Asked, Job, Jobs, Read } from './jobs'
import { ledgerOf, misfitOf } from './ledgers'

type Hands = { [J in Job]: (args: Jobs[J]['args']) => Promise<Jobs[J]['answer']> }

const noJson: Read<never> = { ok: false, noJson: true }

function parsed(body: Uint8Array): { plain: unknown } | undefined {
  try {
    return { plain: JSON.parse(Buffer.from(body.buffer, body.byteOffset, body.byteLength).toString('utf8')) }
  } catch {
    return undefined
  }
}

const hands: Hands = {
  summary: async ({ shop, build, reckoning }) => {
    await makeSummary({ shop }, build, reckoning)
    return undefined
  },
  warm: async ({ shop, build, reckoning }) => {
    await ledgerOf(shop, build, reckoning)
    return undefined
  },
  misfit: async ({ shop, build, reckoning, fresh }) => misfitOf(await ledgerOf(shop, build, reckoning), fresh),
  batch: async ({ shop, build, reckoning, body }) => {
    const read = parsed(body)
    if (!read) return noJson
    const checked = readBatch(read.plain)
    if (!checked.ok) return checked
    const canReckon = async (_: string, fresh: Parameters<typeof misfitOf>[1]) => misfitOf(await ledgerOf(shop, build, reckoning), fresh)
    return { ok: true, outcome: await addEntries({ shop }, build, checked.value.entries, { canReckon }) }
  },
  bringIn: async ({ shop, importId, body }) => {
    const read = parsed(body)
    if (!read) return noJson
    const request = check(ImportRequest, read.plain)
    if (!request.ok) return request
    const { document, copy, hand } = request.value
    const build = readDocument(document)
    if (!build.ok) return build
    return { ok: true, outcome: await importBuild({ shop, hand }, copy ? renamed(build.value, importId) : build.value) }
  }
}

// One job after the other: the thread has one pair of hands, and two jobs that each hold a connection while they want
// another would wait for each other.
let before: Promise<void> = Promise.resolve()
parentPort!.on('message', ({ id, job, args }: Asked) => {
  before = before.then(async () => {
    let answered: Answered
    try {
      answered = { id, answer: await (hands[job] as (args: unknown) => Promise<Jobs[Job]['answer']>)(args) }
    } catch (error) {
      answered = { id, error: forTheLog(error), trouble: databaseTrouble(error) }
    }
    parentPort!.postMessage(answered)
  })
})
