/** Mutation tests of the core (`npm run mutate`): do a folder's own tests notice a small fault in it? */
const folder = process.env.BOWL_MUTATE ?? 'pour'

export default {
  testRunner: 'vitest',
  vitest: { configFile: 'vitest.mutate.config.ts' },
  plugins: ['@stryker-mutator/vitest-runner'],
  mutate: [`core/${folder}/*.ts`, '!**/*.{test,bench}.ts', '!**/index.ts'],
  coverageAnalysis: 'perTest',
  ignoreStatic: true,
  concurrency: Number(process.env.BOWL_MUTATE_AT_ONCE ?? 2),
  timeoutMS: 20_000,
  incremental: true,
  tempDirName: '.stryker/work',
  reporters: ['clear-text'],
  clearTextReporter: { logTests: false, reportTests: false, allowColor: false },
  // Its types extend what Nuxt writes there.
  ignorePatterns: ['!.nuxt', '.output', '.data', 'docs', 'tests/e2e', 'tests/screenshots', 'public']
}
