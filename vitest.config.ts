import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))
const alias = { '#core': here('./core'), '#shared': here('./shared'), '#demo': here('./demo'), '#simulator': here('./simulator') }
const oxc = { decorator: { legacy: true } }

export default defineConfig({
  test: {
    // Both cores of a small machine: nobody watches meanwhile.
    maxWorkers: 2,
    projects: [
      { resolve: { alias }, oxc, test: { name: 'unit', testTimeout: 120_000, include: ['{core,shared,demo,app,simulator,server}/**/*.test.ts'] } },
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
