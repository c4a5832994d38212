import vue from '@vitejs/plugin-vue'
import vuetify from 'vite-plugin-vuetify'
import { VitePWA } from 'vite-plugin-pwa'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

// The page works without a network: its files are kept on the device, and what the club's data
// were when they were last loaded is shown when the server does not answer.
const offline = VitePWA({
  registerType: 'autoUpdate',
  injectRegister: 'script-defer',
  manifest: {
    name: 'Pavrik',
    short_name: 'Pavrik',
    description: 'Set-ups, faults and loads of powerlifters',
    start_url: '/',
    display: 'standalone',
    background_color: '#15181b',
    theme_color: '#23272b',
    icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
  },
  workbox: {
    globPatterns: ['**/*.{js,css,html,svg,woff2}'],
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//, /^\/metrics/],
    clientsClaim: true,
    skipWaiting: true,
    runtimeCaching: [
      {
        urlPattern: ({ url, request, sameOrigin }) =>
          sameOrigin &&
          request.method === 'GET' &&
          url.pathname.startsWith('/api/') &&
          !/\/(jobs|log\.|health)/.test(url.pathname),
        handler: 'NetworkFirst',
        options: {
          cacheName: 'pavrik-data',
          networkTimeoutSeconds: 5,
          expiration: { maxEntries: 400, maxAgeSeconds: 14 * 24 * 3600 },
          cacheableResponse: { statuses: [200] },
        },
      },
    ],
  },
})

export default defineConfig({
  plugins: [
    // A line break between two inline words is a space, as everywhere in HTML.
    vue({ template: { compilerOptions: { whitespace: 'preserve' } } }),
    vuetify({ autoImport: true }),
    offline,
  ],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  server: { proxy: { '/api': 'http://127.0.0.1:8460' } },
  build: { chunkSizeWarningLimit: 900 },
  test: {
    environment: 'jsdom',
    pool: 'threads',
    testTimeout: 30_000,
    isolate: false,
    execArgv: ['--import', './tests/withoutStyles.mjs'],
    setupFiles: ['tests/setup.ts'],
  },
})
