import { defineConfig } from '@playwright/test'
import base from '../../playwright.config'

export default defineConfig(base, { testDir: '.', workers: 1, fullyParallel: false, timeout: 120_000 })
