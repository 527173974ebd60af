import { spawn } from 'node:child_process'
import { buffer } from 'node:stream/consumers'
import { fileURLToPath } from 'node:url'
import { NoPicture, type Head, type Remade } from './picture'

export { NoPicture }

/** Longest a picture may take. */
const WITHIN_MS = 40_000

let turn: Promise<unknown> = Promise.resolve()

/**
 * Makes a picture anew (see `remake.ts`) in a process of its own: what it took is given back when that ends, and a picture that
 * brings it down brings down nothing else. One at a time, so that many large ones take no more than one.
 *
 * @throws NoPicture where it can't be kept
 */
export function remade(sent: Buffer): Promise<Remade> {
  const mine = turn.then(() => apart(sent))
  turn = mine.catch(() => undefined)
  return mine
}

async function apart(sent: Buffer): Promise<Remade> {
  const child = spawn(process.execPath, [fileURLToPath(new URL('./aside/picture.mjs', import.meta.url))], { stdio: ['pipe', 'pipe', 'ignore'], timeout: WITHIN_MS, killSignal: 'SIGKILL' })
  child.on('error', () => undefined)
  // One that ended before it had read all of it is told by what it wrote, or did not.
  child.stdin.on('error', () => undefined)
  child.stdin.end(sent)
  const out = await buffer(child.stdout)
  const line = out.indexOf('\n')
  if (line < 0) throw new NoPicture('This picture can’t be opened here. Save it as JPEG, and try again.')
  const head = JSON.parse(out.subarray(0, line).toString()) as Head
  if ('sentence' in head) throw new NoPicture(head.sentence)
  const { width, height, bytes, small } = head
  const at = line + 1
  return { width, height, bytes: out.subarray(at, at + bytes), small: out.subarray(at + bytes, at + bytes + small) }
}
