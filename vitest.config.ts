import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const folder = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/**
 * Dates, forms and exports must be right wherever the keeper lives: far east, odd offsets, changing clocks in the
 * south.
 */
const zones = ['Pacific/Kiritimati', 'America/St_Johns', 'Asia/Kathmandu', 'Australia/Sydney']

export default defineConfig({
  test: {
    projects: [
      {
        extends: true,
        test: { name: 'all', include: ['tests/{unit,reference,app,server}/**/*.test.ts'] },
      },
      ...zones.map(zone => ({
        extends: true as const,
        test: {
          name: zone,
          include: [
            'tests/zones/**/*.test.ts',
            'tests/app/{forms,supplies,numbersForms,roundDraft,kindFields}.test.ts',
            'tests/unit/records/localDay.test.ts',
          ],
          env: { TZ: zone },
        },
      })),
    ],
    setupFiles: ['./tests/setup.ts'],
    environment: 'node',
    restoreMocks: true,
    // the machine may be busy: a test that hangs is still found
    testTimeout: 30_000,
    coverage: {
      provider: 'v8',
      include: ['core/**/*.ts', 'demo/**/*.ts', 'app/data/**/*.ts'],
      reporter: ['text-summary', 'json-summary'],
      thresholds: { lines: 90, branches: 80, functions: 90 },
    },
  },
  resolve: { alias: { '~': folder('./app') } },
})
