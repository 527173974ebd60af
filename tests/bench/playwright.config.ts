import base from '../../playwright.config'

export default { ...base, testDir: '.', testMatch: '*.spec.ts', reporter: 'list' }
