import { DomainError } from '#core'
import type { By, Outcome } from '../db/outcome'
import type { Read } from '../aside/jobs'
import type { Checked, FieldProblem, Problem } from '#shared/dto'
import { PICTURE_TYPES, hashFault, uuidFault } from '#shared/dto'
import { sayRefusal } from '#shared/words/domain'
import type { EventHandlerRequest, H3Event } from 'h3'
import { databaseTrouble, forTheLog } from '../db/trouble'
import { ApiProblem } from './problem'
import { SHOP } from './shop'
import { working } from './working'
import { defineEventHandler, getRequestHeader, getRouterParam, setResponseHeader, setResponseStatus } from 'h3'

/** Bad fields, as 422. */
export function refuse(fields: FieldProblem[]): never {
  throw new ApiProblem(422, 'This can’t be accepted', fields[0]?.sentence ?? 'Something in it is wrong.', { fields })
}

/** The checked value, or a 422 with every bad field. */
export function accepted<T>(checked: Checked<T>): T {
  return checked.ok ? checked.value : refuse(checked.fields)
}

function problem(event: H3Event, error: unknown): Problem {
  const known = error instanceof ApiProblem
    ? error
    : error instanceof DomainError
      ? new ApiProblem(422, 'This can’t be used', sayRefusal(error),
          { fields: [{ path: error.argument.replace(/^instrument\./, ''), sentence: sayRefusal(error) }] })
      : databaseTrouble(error) ? new ApiProblem(503, 'No database', databaseTrouble(error)!) : undefined
  // The address without what was asked for, and no query: nothing that somebody typed stands in a log.
  if (!known) console.error(`${event.method} ${event.path.split('?')[0]}: ${forTheLog(error)}`)
  const { status, title, message, more } = known ?? new ApiProblem(500, 'Something broke here', 'The fault is ours, and nothing was stored. Try again.')
  setResponseStatus(event, status)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  return { type: 'about:blank', title, status, detail: message, ...more }
}

/** Longest a request may take, in seconds, where its route gives it no more. */
const SECONDS = 40

/**
 * A route whose every failure is problem+json, never a stack trace, and which answers in time or says that it did not.
 *
 * @param seconds what the slowest of its work may take
 */
export function api<T>(handler: (event: H3Event<EventHandlerRequest>) => Promise<T> | T, seconds = SECONDS) {
  return defineEventHandler(async (event) => {
    setResponseHeader(event, 'cache-control', 'no-store')
    // A write goes by the last id in its address: the outbox asks after it by that.
    const done = event.method === 'PUT' ? working(event.path.split('?')[0]!.split('/').at(-1)!) : () => undefined
    let late: ReturnType<typeof setTimeout> | undefined
    const tooLate = new Promise<never>((_, reject) => {
      late = setTimeout(() => reject(new ApiProblem(503, 'Took too long', `This took more than ${seconds} seconds. Ask again: what was kept meanwhile is not kept twice.`)), seconds * 1000)
    })
    try {
      return await Promise.race([handler(event), tooLate])
    } catch (error) {
      return problem(event, error)
    } finally {
      clearTimeout(late)
      done()
    }
  })
}

/** Who asks. The hand comes with each body; reading needs none. */
export function by(hand = ''): By {
  return { shop: SHOP, hand }
}

/** An id from the address, refused when it is none. */
export function idFrom(event: H3Event, name: string): string {
  const id = getRouterParam(event, name) ?? ''
  if (uuidFault(id)) throw new ApiProblem(400, 'Not an identity', `The address holds no proper identity for ${name}.`, { fields: [{ path: name, sentence: uuidFault(id)! }] })
  return id
}

/** The SHA-256 of a photograph from the address, refused when it is none. */
export function hashFrom(event: H3Event, name: string): string {
  const hash = getRouterParam(event, name) ?? ''
  if (hashFault(hash)) throw new ApiProblem(400, 'Not a photograph’s name', hashFault(hash)!, { fields: [{ path: name, sentence: hashFault(hash)! }] })
  return hash
}

/**
 * Reads a JSON body, at most `limit` bytes of it.
 *
 * @throws ApiProblem 413 past the limit, 415 for another type, 400 for what is no JSON
 */
export async function readJson(event: H3Event, limit = 64 * 1024): Promise<unknown> {
  const body = await readBody(event, limit)
  try {
    return JSON.parse(body.toString('utf8'))
  } catch {
    return notJson()
  }
}

function notJson(): never {
  throw new ApiProblem(400, 'Not JSON', 'The body is not readable JSON.')
}

const SENT_AS = {
  json: { types: ['application/json'], title: 'Not JSON', sentence: 'Send JSON, as application/json.' },
  image: { types: PICTURE_TYPES, title: 'Not a picture', sentence: 'Send a picture, as image/jpeg, image/png or image/webp.' }
}

/**
 * Reads a body as it was sent, at most `limit` bytes of it.
 *
 * @throws ApiProblem 413 past the limit, 415 for another type
 */
export async function readBody(event: H3Event, limit: number, as: keyof typeof SENT_AS = 'json'): Promise<Buffer> {
  const tooLarge = () => new ApiProblem(413, 'Too large', `This is larger than the ${limit < 1024 * 1024 ? `${Math.round(limit / 1024)} kB` : `${Math.round(limit / 1024 / 1024)} MB`} that fit here.`)
  const { types, title, sentence } = SENT_AS[as]
  if (!types.includes((getRequestHeader(event, 'content-type') ?? '').split(';')[0]!.trim().toLowerCase())) throw new ApiProblem(415, title, sentence)
  const parts: Buffer[] = []
  let size = 0
  for await (const part of event.node.req) {
    size += part.length
    // The rest is drained, not kept, so that the answer can be read by whoever is still sending.
    if (size <= limit) parts.push(part)
  }
  if (size > limit) throw tooLarge()
  return Buffer.concat(parts)
}

/** What a body came to that was read aside. */
export function readAside<T>(event: H3Event, read: Read<T>): T {
  if (read.ok) return answer(event, read.outcome)
  return 'noJson' in read ? notJson() : refuse(read.fields)
}

/** Turns a write's outcome into its answer: 201 when added, 200 when it was kept already, else a problem. */
export function answer<T>(event: H3Event, outcome: Outcome<T>): T {
  switch (outcome.kind) {
    case 'added': setResponseStatus(event, 201)
      return outcome.value
    case 'already': return outcome.value
    case 'unknown': throw new ApiProblem(404, 'Not here', `There is no such ${outcome.what} in this shop.`)
    case 'refused': return refuse(outcome.fields)
    case 'supersededAlready': throw new ApiProblem(409, 'Changed meanwhile',
      `${outcome.current.hand} has changed this entry meanwhile. What you sent was not stored.`, { current: outcome.current })
    case 'otherContent': throw new ApiProblem(409, 'Taken', 'This identity is taken by something else here.', outcome.current ? { current: outcome.current as never } : {})
  }
}
