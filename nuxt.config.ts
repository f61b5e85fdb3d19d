import { createHash } from 'node:crypto'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { addVitePlugin } from 'nuxt/kit'
import { build } from 'vite'
import vuetify, { transformAssetUrls } from 'vite-plugin-vuetify'

const folder = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** `npm run static`: a folder for a plain web host, where no server makes the demo or plays the devices. */
const isStatic = process.env.ULKIN_STATIC === '1'

/** Schemas of core/ by their names: making one does nothing else. */
const schemaNames = readdirSync(folder('./core'), { recursive: true, encoding: 'utf8' })
  .filter(path => path.endsWith('.ts'))
  .flatMap(path => [...readFileSync(folder(`./core/${path}`), 'utf8').matchAll(/^(?:export )?const (\w+) = z\b/gm)])
  .map(match => match[1]!)

/**
 * core/ and the packages it computes with do nothing when they load: only the pages and workers that call them carry
 * them, and those that check nothing carry no schema.
 */
const treeshake = {
  moduleSideEffects: (id: string) =>
    !/\/node_modules\/(@stdlib|yalps|d3-random)\//.test(id) && !id.startsWith(folder('./core')),
  manualPureFunctions: ['z', ...schemaNames],
}

/** Bundles the thread that makes the demo room. */
const buildDemoWorker = (outDir: string) =>
  build({
    root: folder('.'),
    configFile: false,
    logLevel: 'error',
    ssr: { noExternal: true },
    build: {
      ssr: folder('./server/demo.worker.ts'),
      outDir,
      emptyOutDir: false,
      target: 'node20',
      rollupOptions: { output: { entryFileNames: 'demo.worker.mjs', format: 'es', inlineDynamicImports: true } },
    },
  })

/** What a page may load and run: its own files, and its one inline script by its hash. */
function policyFor(html: string): string[] {
  const hashes = [...html.matchAll(/<script>([\s\S]*?)<\/script>/g)].map(
    m => `'sha256-${createHash('sha256').update(m[1]!).digest('base64')}'`,
  )
  return [
    // Vuetify writes its theme colours into a style element, hence unsafe-inline for styles alone
    "default-src 'self'",
    `script-src 'self' ${hashes.join(' ')}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
  ]
}

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  // both may be built at the same time
  ...(isStatic && { buildDir: folder('./node_modules/.cache/nuxt/static') }),
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },

  modules: [
    '@pinia/nuxt',
    '@vueuse/nuxt',
    '@vite-pwa/nuxt',
    '@nuxt/eslint',
    // Vuetify by hand: components and directives are imported where templates use them
    () => {
      addVitePlugin(() => vuetify({ autoImport: true }))
    },
  ],

  components: [{ path: '~/components', pathPrefix: false }],
  imports: { dirs: ['stores'] },
  build: { transpile: ['vuetify'] },

  css: [
    '@fontsource-variable/bricolage-grotesque/wght.css',
    '@fontsource-variable/atkinson-hyperlegible-next/wght.css',
    '~/assets/tokens.css',
    '~/assets/main.css',
  ],

  app: {
    head: {
      htmlAttrs: { lang: 'en-GB' },
      title: 'Ulkin',
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'theme-color', content: '#F5F4EE' },
        {
          name: 'description',
          content:
            'For keepers of shrimp, snails and other small water invertebrates: how many, heading where, what can ' +
            'go, what the water needs.',
        },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' },
        { rel: 'apple-touch-icon', href: '/icon-192.png' },
        { rel: 'manifest', href: '/manifest.webmanifest' },
      ],
    },
  },

  // esbuild minifies CSS already; cssnano on top drops the ';' in Vuetify 4's nested @layer lists and esbuild then
  // warns
  postcss: {
    plugins: {
      // every style sheet knows the breakpoints by name
      '@csstools/postcss-global-data': { files: [folder('./app/assets/breakpoints.css')] },
      'postcss-custom-media': {},
      cssnano: false,
    },
  },

  // the server is the keeper's own machine: a page's code is there at once, and the first page stays small
  experimental: { defaults: { nuxtLink: { prefetch: false } } },

  typescript: { strict: true, typeCheck: false },

  vite: {
    define: { 'import.meta.env.VITE_STATIC': JSON.stringify(isStatic) },
    vue: { template: { transformAssetUrls } },
    worker: { format: 'es', rollupOptions: { treeshake } },
    build: { rollupOptions: { treeshake } },
    // named here, so that `nuxt dev` does not find them one by one and reload the page in the middle of things
    optimizeDeps: {
      include: [
        '@mdi/js',
        'chart.js',
        'chartjs-adapter-date-fns',
        'vue-chartjs',
        'comlink',
        'd3-random',
        'date-fns',
        'dequal',
        'dexie',
        'ical-generator',
        'uuid',
        'vue-draggable-plus',
        'zod',
      ],
    },
  },

  // Nuxt 4.4.5 only: without this `nuxt dev` with ssr: false dies with "No entry found in rollupOptions.input"
  // (4.4.6 mends it, but wants Node 22). The path is Nuxt's own entry for the SPA.
  $development: {
    vite: {
      environments: {
        ssr: { build: { rollupOptions: { input: { server: folder('./node_modules/nuxt/dist/app/entry-spa.js') } } } },
      },
    },
  },

  nitro: {
    // the shell is made once at build time, so that its start-up script can be hashed for the Content-Security-Policy
    prerender: { routes: ['/'], crawlLinks: false },
    // .gz and .br beside every asset: Nitro serves them, and does not compress by itself
    compressPublicAssets: isStatic ? false : { gzip: true, brotli: true },
    ...(isStatic && { output: { dir: folder('./.output-static') } }),
  },

  /**
   * The whole app is put on the device by a service worker, so that it starts and works with the server gone. A new
   * version waits until the keeper takes it (`NewVersion.vue`): what is on screen never changes under wet hands.
   */
  pwa: {
    registerType: 'prompt',
    manifest: {
      name: 'Ulkin',
      short_name: 'Ulkin',
      lang: 'en-GB',
      description:
        'Colonies of shrimp, snails and other small water invertebrates: how many, heading where, what can go, ' +
        'what the water needs.',
      theme_color: '#F5F4EE',
      background_color: '#F5F4EE',
      display: 'standalone',
      start_url: '/',
      id: '/',
      icons: [
        { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
        { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
        { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
      ],
    },
    workbox: {
      navigateFallback: '/',
      // answers of the server are never kept: a stale reading of a probe is worse than none
      navigateFallbackDenylist: [/^\/api\//],
      globPatterns: ['**/*.{js,css,html,svg,png,ico,woff2,webmanifest}'],
      // fonts of scripts that the interface is not written in come from the browser's cache or not at all
      globIgnores: [
        '**/*-{cyrillic,cyrillic-ext,greek,greek-ext,vietnamese}-*',
        // where a server makes the demo nobody needs what else would
        ...(isStatic ? ['{200,404}.html'] : ['**/demo.worker-*']),
      ],
      maximumFileSizeToCacheInBytes: 4_000_000,
      cleanupOutdatedCaches: true,
    },
    client: { installPrompt: false, periodicSyncForUpdates: 3600 },
    devOptions: { enabled: false },
  },

  hooks: {
    'build:manifest'(manifest) {
      for (const file of Object.values(manifest)) file.prefetch = false
    },
    // Nuxt's one inline script (window.__NUXT__) is the same on every page of a build, so its hash is taken from the
    // prerendered shell and put into the headers of all routes.
    'nitro:init'(nitro) {
      // the demo is made in a thread of its own: a small bundle beside the server's file
      nitro.hooks.hook('compiled', async () => {
        if (!nitro.options.dev && !isStatic) await buildDemoWorker(nitro.options.output.serverDir)
      })
      nitro.hooks.hook('prerender:done', () => {
        const page = join(nitro.options.output.publicDir, 'index.html')
        const html = readFileSync(page, 'utf8')
        const policy = policyFor(html)
        // a plain web host sends no headers of ours: the page carries what a page can
        if (isStatic) {
          const meta = `<meta http-equiv="Content-Security-Policy" content="${policy.join('; ')}">`
          writeFileSync(page, html.replace('<head>', `<head>${meta}`))
        }
        const headers = {
          'content-security-policy': [...policy, "frame-ancestors 'none'"].join('; '),
          'x-content-type-options': 'nosniff',
          'referrer-policy': 'no-referrer',
        }
        const rules = ((nitro.options.runtimeConfig.nitro ??= {}).routeRules ??= {})
        rules['/**'] = { ...rules['/**'], headers: { ...rules['/**']?.headers, ...headers } }
      })
    },
  },

  eslint: { config: { stylistic: false } },
})
