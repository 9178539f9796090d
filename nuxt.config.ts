import tailwindcss from '@tailwindcss/vite'

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  // Data lives in the browser; the server only serves files and the demo.
  ssr: false,
  modules: ['@pinia/nuxt', '@nuxt/eslint'],
  devtools: { enabled: false },
  // NUXT_PUBLIC_DEMO=true: an empty browser is given the demo wardrobe (npm run demo).
  runtimeConfig: { public: { demo: false } },
  telemetry: false,
  css: ['~/assets/main.css'],
  nitro: { compressPublicAssets: { gzip: true, brotli: true } },
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
    worker: { format: 'es' },
    optimizeDeps: { include: ['dexie', 'comlink', 'mutative', 'd3-zoom', 'd3-selection', 'zod'] },
  },
  typescript: {
    strict: true,
    tsConfig: {
      compilerOptions: { noUncheckedIndexedAccess: true },
      include: ['../core/**/*', '../demo/**/*', '../scripts/**/*.ts', '../tests/**/*'],
    },
  },
  eslint: { config: { stylistic: false } },
})
