import { createHash } from 'node:crypto'
import { readFileSync, readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { build as bundle } from 'esbuild'
import vuetify, { transformAssetUrls } from 'vite-plugin-vuetify'

const core = fileURLToPath(new URL('./core', import.meta.url))
const shared = fileURLToPath(new URL('./shared', import.meta.url))
const demo = fileURLToPath(new URL('./demo', import.meta.url))
const simulator = fileURLToPath(new URL('./simulator', import.meta.url))
// class-validator's decorators are the legacy kind; every compiler has to be told (docs/architecture.md).
const legacyDecorators = { compilerOptions: { experimentalDecorators: true } }

/** Names the code that reckons, so that nothing reckoned by other code is taken for its own. */
function reckoningOf(...folders: string[]): string {
  const files = folders.flatMap(folder => readdirSync(folder, { recursive: true, withFileTypes: true }))
    .filter(file => file.isFile() && /\.ts$/.test(file.name) && !/\.(test|bench)\.ts$/.test(file.name)).map(file => `${file.parentPath}/${file.name}`).sort()
  const hash = createHash('sha256')
  for (const file of files) hash.update(readFileSync(file))
  return hash.digest('hex').slice(0, 16)
}

/**
 * What runs beside the server, in a thread or a process of its own, bundled apart: in the server's own bundle it would bring
 * the whole server with it.
 */
async function bundleAside(serverFolder: string): Promise<void> {
  const entry = (path: string) => fileURLToPath(new URL(path, import.meta.url))
  await bundle({
    entryPoints: { worker: entry('./server/aside/worker.ts'), shopfile: entry('./server/db/shopfile/cli.ts'), picture: entry('./server/photographs/child.ts') }, outdir: `${serverFolder}/aside`, outExtension: { '.js': '.mjs' },
    bundle: true, platform: 'node', format: 'esm', target: 'node20', sourcemap: true, packages: 'external', logLevel: 'error',
    alias: { '#core': core, '#shared': shared }, tsconfigRaw: legacyDecorators
  })
}

export default defineNuxtConfig({
  modules: ['@pinia/nuxt', 'nuxt-security', '@nuxt/eslint'],
  // The page lives on what this device keeps (drafts, outbox), which a server can't render.
  ssr: false,
  components: [{ path: '~/components', pathPrefix: false }],
  devtools: { enabled: false },
  app: {
    head: {
      htmlAttrs: { lang: 'en' },
      title: 'Precise Bowl',
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/bowl.svg' }]
    }
  },
  css: [
    '@fontsource/b612/latin-400.css', '@fontsource/b612/latin-700.css',
    '@fontsource/b612-mono/latin-400.css', '@fontsource/b612-mono/latin-700.css',
    'vuetify/styles/core', '~/theme/bench.css', '~/theme/controls.css'
  ],
  runtimeConfig: { reckoning: reckoningOf(core, shared) },
  alias: { '#core': core, '#demo': demo, '#simulator': simulator },
  build: { transpile: ['vuetify'] },
  experimental: {
    // Nothing is rendered or deployed behind the page's back here: what looks after that would only be fetched.
    appManifest: false, renderJsonPayloads: false,
    // The other stations come once the one that is open stands (`plugins/stationsAtHand.ts`).
    defaults: { nuxtLink: { prefetch: false } }
  },
  compatibilityDate: '2026-01-01',
  nitro: {
    compressPublicAssets: { gzip: true, brotli: false },
    hooks: { compiled: nitro => bundleAside(nitro.options.output.serverDir) },
    // Imported for what it does to Reflect, which the bundler would otherwise shake off.
    moduleSideEffects: ['reflect-metadata'],
    esbuild: { options: { tsconfigRaw: legacyDecorators } },
    typescript: { tsConfig: legacyDecorators }
  },
  vite: {
    plugins: [vuetify({ autoImport: true })],
    vue: { template: { transformAssetUrls } },
    define: { __VUE_PROD_DEVTOOLS__: false },
    esbuild: { tsconfigRaw: legacyDecorators },
    worker: { format: 'es' },
    build: {
      // The default minifier trips over Vuetify's cascade layers.
      cssMinify: 'lightningcss', chunkSizeWarningLimit: 1200,
      // A file costs page and server more than what stands in it: one sheet of styles, and no crumbs of code. (Nuxt builds
      // with Rollup; the types it is told by here are of the Vite that no longer does.)
      cssCodeSplit: false, rollupOptions: { output: { experimentalMinChunkSize: 20_000 } as object }
    }
  },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: { experimentalDecorators: true, noUncheckedIndexedAccess: true } },
    sharedTsConfig: legacyDecorators,
    nodeTsConfig: legacyDecorators
  },
  telemetry: false,
  hooks: {
    // What only may be wanted is fetched when it is: half of it draws papers.
    'build:manifest': manifest => Object.values(manifest).forEach((file) => { file.prefetch = false })
  },
  eslint: { config: { stylistic: { commaDangle: 'never', braceStyle: '1tbs' } } },
  security: {
    rateLimiter: false,
    // Bodies are limited route by route, with a sentence; names and notes are checked where they are read.
    requestSizeLimiter: false,
    xssValidator: false,
    corsHandler: false,
    headers: {
      strictTransportSecurity: false,
      crossOriginEmbedderPolicy: false,
      // The policy below says the same: nobody frames this page.
      xFrameOptions: 'DENY',
      contentSecurityPolicy: {
        'default-src': ['\'self\''],
        'script-src': ['\'self\'', '\'nonce-{{nonce}}\'', '\'wasm-unsafe-eval\''],
        'style-src': ['\'self\'', '\'unsafe-inline\''],
        'img-src': ['\'self\'', 'data:', 'blob:'],
        'font-src': ['\'self\''],
        'connect-src': ['\'self\''],
        'worker-src': ['\'self\''],
        'object-src': ['\'none\''],
        'base-uri': ['\'none\''],
        'form-action': ['\'self\''],
        'frame-ancestors': ['\'none\''],
        'upgrade-insecure-requests': false
      }
    }
  }
})
