import { defineEventHandler, getRequestHeader, setResponseHeader, setResponseStatus } from 'h3'
import { ready } from '../http/ready'

const ours = new Set(['127.0.0.1', 'localhost', '[::1]', ...(process.env.BOWL_HOSTS ?? '').split(',').filter(Boolean)])

function hostname(host: string | undefined): string {
  try {
    return new URL(`http://${host}`).hostname
  } catch {
    return ''
  }
}

/** A page of another site must not reach a shop's ledger through the builder's own browser. */
export default defineEventHandler(async (event) => {
  const host = getRequestHeader(event, 'host')
  const origin = getRequestHeader(event, 'origin')
  const foreignHost = !ours.has(hostname(host))
  // A browser says where a request comes from even where it leaves the Origin out.
  const from = getRequestHeader(event, 'sec-fetch-site')
  const crossed = from !== undefined && from !== 'same-origin' && !(from === 'none' || (event.method === 'GET' && getRequestHeader(event, 'sec-fetch-mode') === 'navigate'))
  const foreignOrigin = crossed || (origin !== undefined && origin !== `http://${host}` && origin !== `https://${host}`)
  if (!foreignHost && !foreignOrigin) return void await ready
  setResponseStatus(event, 403)
  setResponseHeader(event, 'content-type', 'application/problem+json')
  return {
    type: 'about:blank', status: 403, title: 'From elsewhere',
    detail: foreignHost ? 'This address is not one the shop answers to.' : 'This request comes from another site.',
    fields: [{ path: foreignHost ? 'host' : 'origin', sentence: 'Open the shop at its own address.' }]
  }
})
