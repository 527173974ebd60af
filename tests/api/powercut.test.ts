import { fork } from 'node:child_process'
import { resolve } from 'node:path'
import { afterAll, beforeAll, expect, it } from 'vitest'
import type { Entry } from '#core'
import { TestServer } from '../support/server'
import { newBuild } from '../support/sent'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.start()
})
afterAll(() => server.stop())

it('keeps every acknowledged entry exactly once through 20 power cuts', async () => {
  const build = await newBuild(server.url)
  const writer = fork(resolve('tests/support/writer.mjs'), [server.url, build, '500'], { stdio: ['ignore', 'ignore', 'inherit', 'ipc'] })
  const acknowledged: string[] = []
  let finished = false
  writer.on('message', (message: { acknowledged?: string, finished?: boolean }) => {
    if (message.acknowledged) acknowledged.push(message.acknowledged)
    if (message.finished) finished = true
  })
  let cuts = 0
  while (cuts < 20) {
    // A random moment within the next few writes; the writer goes on sending until all is acknowledged.
    await new Promise(r => setTimeout(r, 20 + Math.random() * 120))
    await server.kill('SIGKILL')
    await server.run()
    cuts += 1
    writer.send({ more: Math.ceil(500 * cuts / 20) })
  }
  while (!finished) await new Promise(r => setTimeout(r, 50))
  writer.kill()

  const { entries } = await (await fetch(`${server.url}/api/builds/${build}`)).json() as { entries: Entry[] }
  const kept = entries.filter(e => e.kind === 'pour').map(e => e.id)
  expect(cuts).toBe(20)
  expect(acknowledged).toHaveLength(500)
  expect(kept.sort()).toEqual([...acknowledged].sort())
  expect(new Set(kept).size).toBe(500)
})
