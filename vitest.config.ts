import { fileURLToPath } from 'node:url'
import Unimport from 'unimport/unplugin'
import { defineConfig } from 'vitest/config'

const folder = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/**
 * Dates, forms and exports must be right wherever the keeper lives: far east, odd offsets, changing clocks in the
 * south.
 */
const zones = ['Pacific/Kiritimati', 'America/St_Johns', 'Asia/Kathmandu', 'Australia/Sydney']

/** The names that Nuxt brings into composables and stores without an import, for tests that run them without Nuxt. */
const autoImports = Unimport.vite({
  include: [/\/app\/(composables|stores)\/.*\.ts$/],
  presets: [
    'vue',
    {
      from: '@vueuse/core',
      imports: ['until', 'useDebounceFn', 'useLocalStorage', 'useNow', 'useSessionStorage', 'watchDebounced'],
    },
    { from: folder('./tests/nuxtNames.ts'), imports: ['useState', 'useRuntimeConfig', 'navigateTo'] },
  ],
  dirs: [folder('./app/composables'), folder('./app/stores')],
})

export default defineConfig({
  plugins: [autoImports],
  test: {
    projects: [
      // core/ keeps nothing between calls: its tests share what they import, which else takes half of their time
      { extends: true, test: { name: 'core', include: ['tests/{unit,reference}/**/*.test.ts'], isolate: false } },
      { extends: true, test: { name: 'app', include: ['tests/{app,server}/**/*.test.ts'] } },
      ...zones.map(zone => ({
        extends: true as const,
        test: {
          name: zone,
          include: [
            'tests/zones/**/*.test.ts',
            'tests/app/{forms,formsOfRecords,supplies,numbersForms,roundDraft,kindFields}.test.ts',
            'tests/unit/records/localDay.test.ts',
          ],
          env: { TZ: zone },
          isolate: false,
        },
      })),
    ],
    // on two cores the default leaves one idle
    maxWorkers: '100%',
    setupFiles: ['./tests/setup.ts'],
    environment: 'node',
    restoreMocks: true,
    // the machine may be busy: a test that hangs is still found
    testTimeout: 120_000,
    coverage: {
      provider: 'v8',
      include: ['core/**/*.ts', 'demo/**/*.ts', 'app/data/**/*.ts'],
      reporter: ['text-summary', 'json-summary'],
      thresholds: { lines: 90, branches: 80, functions: 90 },
    },
  },
  resolve: { alias: { '~': folder('./app') } },
})
