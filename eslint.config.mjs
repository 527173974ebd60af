import './bin/lib/node20.mjs'
import withNuxt from './.nuxt/eslint.config.mjs'

/** The patterns are read as .gitignore's are, where a leading # begins a comment. */
const literal = pattern => pattern.replace(/^#/, '\\#')

/** Arrows point one way: app → shared, core; server → shared, core; core → nothing. */
const forbid = (files, ...groups) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: groups.map(([group, message]) => ({ group: group.map(literal), message })) }] }
})
const outside = ['#*', '~*', '@/*', 'vue', 'vue/*', 'nuxt', 'nuxt/*', 'pinia', 'vuetify', 'vuetify/*', 'h3', 'pg', 'drizzle-orm*', 'node:*', 'fs', '**/app/**', '**/server/**', '**/shared/**', '**/demo/**']

export default withNuxt(
  forbid(['core/**/*.ts'], [outside, 'core/ knows the trade and nothing else.']),
  forbid(['shared/**/*.ts'], [['~*', '#demo/*', '**/app/**', '**/server/**'], 'shared/ speaks for both sides and knows neither.']),
  forbid(['app/**/*.{ts,vue}'], [['#demo/*', '#simulator/*', '**/server/**', 'drizzle-orm*', 'pg'], 'The app talks to the server over /api only.']),
  forbid(['simulator/**/*.ts', 'demo/truth.ts', 'demo/chance.ts'], [['#core*', '#shared/*', '#demo/*', '**/core/**', '**/app/**', '**/server/**'], 'The simulator is what the reckoning is tried against: it may not reckon.']),
  forbid(['server/api/**/*.ts', 'server/middleware/**/*.ts'], [['drizzle-orm*', 'pg', '**/app/**'], 'A route knows no SQL: use a repository.']),
  { files: ['{core,shared,app,simulator}/**/*.{test,bench}.ts'], rules: { 'no-restricted-imports': 'off' } },
  {
    // The whole job with the keyboard only: this spec may not reach for a pointer.
    files: ['tests/e2e/keyboard*.spec.ts'],
    rules: {
      'no-restricted-syntax': ['error', {
        selector: 'CallExpression[callee.property.name=/^(click|dblclick|fill|tap|check|selectOption|hover|dragTo)$/]',
        message: 'This spec works by page.keyboard alone.'
      }]
    }
  },
  {
    files: ['core/**/*.ts', 'shared/**/*.ts'],
    ignores: ['**/*.test.ts', '**/*.bench.ts'],
    rules: { 'max-lines': ['error', 450] }
  },
  { files: ['**/*.{ts,vue}'], rules: { 'max-lines': ['error', 450], 'vue/multi-word-component-names': 'off', 'vue/max-attributes-per-line': 'off', 'vue/singleline-html-element-content-newline': 'off' } },
  {
    // Vuetify carries every control. The two that don't say why: the reading's own input, and the figure that is read.
    files: ['app/**/*.vue'],
    ignores: ['app/components/figure/FigureField.vue', 'app/components/figure/FigureReading.vue'],
    rules: {
      'vue/no-restricted-html-elements': ['error', ...['button', 'input', 'select', 'textarea', 'table', 'dialog'].map(element => (
        { element, message: 'Vuetify carries the controls: take its component, or one of app/components/controls.' }
      ))]
    }
  },
  { ignores: ['server/db/migrations/**'] }
)
