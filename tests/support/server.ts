import { spawn, type ChildProcess } from 'node:child_process'
import { createServer } from 'node:net'
import { resolve } from 'node:path'
import pg from 'pg'
import type { BuildSummary } from '#shared/dto'

/** bin/test makes a cluster of its own and says where it is. */
export const admin = process.env.BOWL_TEST_PG ?? ''

export async function freePort(): Promise<number> {
  return new Promise((done) => {
    const server = createServer()
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number }
      server.close(() => done(port))
    })
  })
}

async function onAdmin<T>(work: (client: pg.Client) => Promise<T>): Promise<T> {
  if (!admin) throw new Error('BOWL_TEST_PG is not set: run these tests through bin/test.')
  const client = new pg.Client({ connectionString: admin })
  await client.connect()
  try {
    return await work(client)
  } finally {
    await client.end()
  }
}

/** The demo shop as it is put in, its list up to date: most of a new server's first ten seconds, so once for the whole run. */
const DEMO = 'demo_shop'
/** Whoever comes first makes it; the others wait at this lock. */
const MAKING = 4100

/** The built application on a database of its own, killable and restartable on the same port. */
export class TestServer {
  private child: ChildProcess | undefined
  private log = ''
  private constructor(readonly port: number, readonly database: string, private readonly demo: boolean, private readonly keepLog: boolean) {}

  static async start({ demo = false, port, log = false }: { demo?: boolean, port?: number, log?: boolean } = {}): Promise<TestServer> {
    const database = `t_${process.pid}_${Date.now().toString(36)}_${Math.floor(Math.random() * 1e6)}`
    if (demo) await this.demoShop()
    await onAdmin(client => client.query(`create database ${database}${demo ? ` template ${DEMO}` : ''}`))
    const server = new TestServer(port ?? await freePort(), database, demo, log)
    await server.run()
    return server
  }

  private static async demoShop(): Promise<void> {
    await onAdmin(async (client) => {
      await client.query('select pg_advisory_lock($1)', [MAKING])
      if ((await client.query('select from pg_database where datname = $1', [DEMO])).rowCount) return
      const half = `${DEMO}_half`
      await client.query(`drop database if exists ${half} with (force)`)
      await client.query(`create database ${half}`)
      const server = new TestServer(await freePort(), half, true, false)
      try {
        await server.run()
        await upToDate(server)
      } finally {
        await server.kill('SIGTERM')
      }
      // Nobody may be connected while it is copied, and nobody takes it for whole before it is.
      await client.query(`select pg_terminate_backend(pid) from pg_stat_activity where datname = '${half}'`)
      await client.query(`alter database ${half} rename to ${DEMO}`)
    })
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`
  }

  get databaseUrl(): string {
    const url = new URL(admin)
    url.pathname = `/${this.database}`
    return url.toString()
  }

  /** What it wrote into its log, where it was started to keep it. */
  logged(): string {
    return this.log
  }

  /** Nobody reads its log any more, as when a terminal was closed. */
  leaveLog(): void {
    this.child?.stderr?.destroy()
  }

  get pid(): number | undefined {
    return this.child?.pid
  }

  async run(): Promise<void> {
    this.child = spawn(process.execPath, [resolve('.output/server/index.mjs')], {
      env: {
        ...process.env, DATABASE_URL: this.databaseUrl, PORT: String(this.port), HOST: '127.0.0.1', NITRO_PORT: String(this.port), NITRO_HOST: '127.0.0.1',
        // Open pages hold a live line: a server that is told to stop need not wait for them.
        BOWL_DEMO: this.demo ? '1' : '0', NODE_ENV: 'production', NITRO_SHUTDOWN_TIMEOUT: '500'
      },
      stdio: ['ignore', 'ignore', this.keepLog ? 'pipe' : 'inherit']
    })
    this.child.stderr?.on('data', (piece: Buffer) => this.log += piece.toString())
    for (const until = Date.now() + 120_000; Date.now() < until;) {
      if (this.child.exitCode !== null) throw new Error(`the server stopped with ${this.child.exitCode}`)
      const ok = await fetch(`${this.url}/api/health`, { signal: AbortSignal.timeout(3000) }).then(r => r.ok, () => false)
      if (ok) return
      await new Promise(r => setTimeout(r, 50))
    }
    throw new Error('the server did not answer')
  }

  /** Ends the process at once, as a power cut does. */
  async kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const child = this.child
    if (!child || child.exitCode !== null || child.signalCode !== null) return
    const gone = new Promise(r => child.once('exit', r))
    child.kill(signal)
    await gone
  }

  async stop(): Promise<void> {
    await this.kill('SIGTERM')
    await onAdmin(client => client.query(`drop database if exists ${this.database} with (force)`))
  }

  async query<T extends pg.QueryResultRow>(statement: string, values: unknown[] = []): Promise<T[]> {
    const client = new pg.Client({ connectionString: this.databaseUrl })
    await client.connect()
    try {
      return (await client.query<T>(statement, values)).rows
    } finally {
      await client.end()
    }
  }
}

export async function put(url: string, body: unknown, headers: Record<string, string> = {}): Promise<{ status: number, type: string, json: never }> {
  const response = await fetch(url, { method: 'PUT', headers: { 'content-type': 'application/json', ...headers }, body: typeof body === 'string' ? body : JSON.stringify(body) })
  return { status: response.status, type: response.headers.get('content-type') ?? '', json: await response.json() as never }
}

/** The shop's list once nothing in it is behind its ledger. */
export async function upToDate({ url }: Pick<TestServer, 'url'>): Promise<BuildSummary[]> {
  for (let i = 0; i < 600; i++) {
    const builds = await (await fetch(`${url}/api/builds`)).json() as BuildSummary[]
    if (builds.every(b => !b.stale)) return builds
    await new Promise(r => setTimeout(r, 50))
  }
  throw new Error('the list is still behind its ledgers')
}
