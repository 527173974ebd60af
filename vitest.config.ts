import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))
const alias = { '#core': here('./core'), '#shared': here('./shared'), '#demo': here('./demo'), '#simulator': here('./simulator') }
const unit = '{core,shared,demo,app,simulator,server}/**/*.test.ts'
/** Puts modules of its own in the place of others, so it needs a process of its own. */
const standsIn = 'app/forms/newKind.test.ts'
const oxc = { decorator: { legacy: true } }

export default defineConfig({
  test: {
    // Both cores of a small machine: nobody watches meanwhile.
    maxWorkers: 2,
    projects: [
      // Nothing here keeps anything from one file to the next, so the core is read once for all of them.
      { resolve: { alias }, oxc, test: { name: 'unit', isolate: false, testTimeout: 120_000, include: [unit], exclude: [standsIn] } },
      { resolve: { alias }, oxc, test: { name: 'unit, standing in', testTimeout: 120_000, include: [standsIn] } },
      {
        resolve: { alias }, oxc,
        test: {
          name: 'api', include: ['tests/{api,bin}/**/*.test.ts'], testTimeout: 120_000, hookTimeout: 120_000
        }
      },
      { resolve: { alias }, oxc, test: { name: 'bench', include: [], benchmark: { include: ['**/*.bench.ts'] } } }
    ]
  }
})
