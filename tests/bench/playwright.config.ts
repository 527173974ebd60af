import { defineConfig } from '@playwright/test'
import base from '../../playwright.config'

export default defineConfig(base, { testDir: '.', workers: 1, fullyParallel: false, retries: 0, timeout: 120_000 })
