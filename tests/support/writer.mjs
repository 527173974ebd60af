// Sends pours one after the other, each until it is acknowledged, never more than it has been allowed: so that the
// power cuts fall among the writes. A line that a cut left hanging is given up after a while, and the write sent again.
import { v4 as uuid } from 'uuid'

const [url, build, count] = process.argv.slice(2)
let allowed = 25
process.on('message', ({ more }) => {
  allowed = more + 25
})
const body = JSON.stringify({
  at: '2026-03-09T08:00:00.000Z', hand: 'TT', v: 1, kind: 'pour', scope: { level: 'cylinder', cylinder: 1 },
  body: {
    encloses: 'chamber', fills: [{ start: 0, end: 55.4 }], typed: '55.4',
    instrument: { id: 'b3a1c1de-9c1f-4a7e-8f36-5d1b2a7c4e90', name: 'Long burette', kind: 'burette', capacity: 100, tolerance: 0.2, resolution: 0.1, scale: 'deliver', film: 0, repeatability: 0 }
  }
})

for (let sent = 0; sent < Number(count); sent++) {
  while (sent >= allowed) await new Promise(r => setTimeout(r, 5))
  const id = uuid()
  for (;;) {
    const status = await fetch(`${url}/api/builds/${build}/entries/${id}`, { method: 'PUT', headers: { 'content-type': 'application/json' }, body, signal: AbortSignal.timeout(3000) })
      .then(r => r.status, () => 0)
    if (status === 200 || status === 201) break
    await new Promise(r => setTimeout(r, 10))
  }
  process.send({ acknowledged: id })
}
process.send({ finished: true })
