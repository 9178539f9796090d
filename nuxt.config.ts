import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import { bundleWorker } from './server/many/bundle-worker'

// The core is pure, and so is what the framework offers to set-up functions: what nobody asks of them is left out of a bundle, though
// its module was named beside others.
const core = fileURLToPath(new URL('core/', import.meta.url))
const isPure = (id: string) => id.startsWith(core) || id.includes('/nuxt/dist/app/composables/')
const rollupOptions = { treeshake: { moduleSideEffects: (id: string) => !isPure(id) } }

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  // Data lives in the browser; the server only serves files and the demo.
  ssr: false,
  modules: ['@pinia/nuxt', '@nuxt/eslint', '@vite-pwa/nuxt'],
  devtools: { enabled: false },
  // NUXT_PUBLIC_DEMO=true: an empty browser is given the demo wardrobe (npm run demo).
  runtimeConfig: { public: { demo: false } },
  telemetry: false,
  // Nobody reads the server's; they take a good part of a build.
  sourcemap: false,
  // The head of every page is there before its script is.
  spaLoadingTemplate: true,
  // What is new on the server is told by the service worker.
  experimental: { appManifest: false },
  // Everything the application consists of is kept after the first visit, so that it opens without a network; a newer version waits
  // until one asks for it.
  pwa: {
    registerType: 'prompt',
    manifest: {
      name: 'Tidal Seam',
      short_name: 'Tidal Seam',
      description: 'Reshapes flat pattern pieces so that they fit a body and every seam still matches.',
      theme_color: '#14213d',
      background_color: '#f4f8f8',
      icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
    },
    // It is registered by NewVersion.vue, once the first page is there.
    client: { registerPlugin: false },
    workbox: {
      globPatterns: ['**/*.{js,css,svg,woff2}'],
      // The reader of words that are drawn as shapes is large and seldom needed: it is kept once it was.
      globIgnores: ['**/tesseract*', '**/worker.min*'],
      runtimeCaching: [
        {
          urlPattern: /\/words\/|tesseract|worker\.min/,
          handler: 'CacheFirst',
          options: { cacheName: 'words', cacheableResponse: { statuses: [200] } },
        },
      ],
      maximumFileSizeToCacheInBytes: 8_000_000,
      // The page itself is made by the server, with what it was started with: it is fetched anew for every build.
      additionalManifestEntries: [{ url: '/', revision: String(Date.now()) }],
      navigateFallback: '/',
      navigateFallbackDenylist: [/^\/api\//],
    },
  },
  css: ['~/assets/main.css'],
  hooks: {
    // The page names none of the scripts that others may need later: they would come in before what one came for. Links fetch where
    // they lead while one reads, and the service worker all the rest.
    'build:manifest': (manifest) => {
      for (const part of Object.values(manifest)) part.prefetch = false
    },
  },
  nitro: {
    compressPublicAssets: { gzip: true, brotli: false },
    // Letters by which words that are drawn as shapes are read.
    publicAssets: [
      { dir: fileURLToPath(new URL('node_modules/@tesseract.js-data/eng/4.0.0_best_int', import.meta.url)), baseURL: 'words' },
    ],
    // The worker of batches, as one program inside the server: it needs no file beside it. Packed, so that nothing is replaced in it.
    virtual: {
      '#many-worker': () =>
        `export default Buffer.from('${Buffer.from(bundleWorker(process.cwd())).toString('base64')}', 'base64').toString()`,
      // The demo is drafted here, once: the first who opens it would wait for it.
      '#demo-file': async () => `export default ${JSON.stringify((await import('./demo/demo-file')).demoFile(new Date()))}`,
    },
  },
  app: {
    head: {
      title: 'Tidal Seam',
      htmlAttrs: { lang: 'en' },
      meta: [{ name: 'viewport', content: 'width=device-width, initial-scale=1' }],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  vite: {
    plugins: [tailwindcss()],
    // As it is shipped for the browsers of today, without what older ones needed.
    resolve: { alias: [{ find: /^dexie$/, replacement: 'dexie/dist/modern/dexie.min.mjs' }] },
    // Every component, of ours and of the libraries, is a set-up function.
    vue: { features: { optionsAPI: false } },
    build: { rollupOptions },
    // Named as the page's own, so that what both contain is one file.
    worker: {
      format: 'es',
      rollupOptions: { ...rollupOptions, output: { chunkFileNames: '_nuxt/[hash].js', assetFileNames: '_nuxt/[name].[hash][extname]' } },
    },
    optimizeDeps: { include: ['dexie', 'comlink', 'mutative', 'd3-zoom', 'd3-selection', 'zod'] },
  },
  typescript: {
    strict: true,
    tsConfig: {
      compilerOptions: { noUncheckedIndexedAccess: true },
      include: ['../core/**/*', '../server/**/*', '../demo/**/*', '../scripts/**/*.ts', '../tests/**/*'],
    },
  },
  eslint: { config: { stylistic: false } },
})
