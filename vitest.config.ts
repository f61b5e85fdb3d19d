import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const folder = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  resolve: { alias: { '~': folder('./app') } },
  test: {
    environment: 'node',
    include: ['tests/{unit,reference,app,server}/**/*.test.ts'],
    setupFiles: ['./tests/setup.ts'],
    restoreMocks: true,
    coverage: {
      provider: 'v8',
      include: ['core/**/*.ts', 'demo/**/*.ts', 'app/data/**/*.ts'],
      reporter: ['text-summary', 'json-summary'],
      thresholds: { lines: 90, branches: 80, functions: 90 },
    },
  },
})
