import { defineNuxtConfig } from 'nuxt/config'
import { components } from './app/theme/vuetifyDefaults'
import { chunkOf } from './scripts/chunks.mjs'
import { buildWorkers } from './scripts/workers.mjs'

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  // One analyst, one machine: the page is drawn in the browser from the data of the server.
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@pinia/nuxt', 'vuetify-nuxt-module'],
  css: [
    '@fontsource-variable/inter/index.css',
    '@fontsource-variable/source-serif-4/index.css',
    '~/theme/tokens.css',
    '~/theme/page.css',
    '~/theme/library.css',
  ],
  app: {
    head: {
      title: 'Elvant',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'color-scheme', content: 'light dark' },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  // What a file uses it imports; a name of its own is never taken for one of the library's.
  // The pages come from this machine; loading them before they are wanted gains nothing.
  experimental: { defaults: { nuxtLink: { prefetch: false } }, appManifest: false },
  imports: { scan: false, autoImport: false },
  components: false,
  vuetify: {
    moduleOptions: { styles: true, disableVuetifyStyles: false },
    vuetifyOptions: { icons: { defaultSet: 'mdi-svg' }, defaults: components },
  },
  vite: {
    $client: { build: { rollupOptions: { output: { manualChunks: chunkOf } } } },
  },
  nitro: {
    preset: 'node-server',
    compressPublicAssets: { gzip: true, brotli: false },
    imports: { dirs: [] },
    hooks: { compiled: async ({ options }) => void (await buildWorkers(options.output.serverDir)) },
    routeRules: {
      // On every answer, errors and files too; a page has a policy of its own over this one.
      '/**': {
        headers: {
          'x-content-type-options': 'nosniff',
          'referrer-policy': 'no-referrer',
          'cross-origin-opener-policy': 'same-origin',
          'content-security-policy': "frame-ancestors 'none'; base-uri 'none'",
        },
      },
    },
  },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true, noImplicitOverride: true } },
  },
})
