import { defineConfig } from '@playwright/test'
import { BROWSER } from './tests/support/browser'

export default defineConfig({
  testDir: 'tests/e2e',
  fullyParallel: true,
  workers: 2,
  timeout: 360_000,
  // A small machine may take its time over a solid, and a slow one four times as long as a quick one: what is waited for is
  // that it comes, the benches say how fast.
  expect: { timeout: 60_000 },
  forbidOnly: true,
  // Two browsers, two servers, a database and solids being made share a small machine: what only a pause broke is tried
  // once more, and listed as flaky.
  retries: 1,
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['list'], ['json']] : [['list']],
  outputDir: 'test-results',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: BROWSER
  }
})
