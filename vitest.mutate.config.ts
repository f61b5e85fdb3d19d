import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** The tests of one folder, for `npm run mutate`. */
export default defineConfig({
  resolve: { alias: { '~': fileURLToPath(new URL('./app', import.meta.url)) } },
  test: {
    environment: 'node',
    include: (process.env.MUTATE_TESTS ?? 'tests/unit/records/**/*.test.ts').split(';'),
    setupFiles: ['./tests/setup.ts'],
    restoreMocks: true,
    testTimeout: 30_000,
  },
})
