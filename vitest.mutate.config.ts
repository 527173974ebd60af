import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))
const folder = process.env.BOWL_MUTATE ?? 'pour'

/** A folder's own tests, without those that repeat a whole job many times: a mutant runs every test that touches it. */
export default defineConfig({
  resolve: { alias: { '#core': here('./core'), '#shared': here('./shared'), '#demo': here('./demo'), '#simulator': here('./simulator') } },
  oxc: { decorator: { legacy: true } },
  test: {
    testTimeout: 60_000,
    include: [`core/${folder}/*.test.ts`, 'core/refusals.test.ts', ...folder === 'plan' ? ['core/advice/advice.test.ts'] : []],
    exclude: ['core/plan/**/jobs.test.ts']
  }
})
