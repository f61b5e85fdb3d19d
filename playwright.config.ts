import { defineConfig } from '@playwright/test'

const port = Number(process.env.E2E_PORT ?? 4173)

export default defineConfig({
  testDir: './tests/e2e',
  fullyParallel: true,
  workers: 2,
  // a story that hangs is found; how fast the machine is, and what else it does, is not what stories are about
  timeout: 300_000,
  expect: { timeout: 90_000 },
  forbidOnly: !!process.env.CI,
  reporter: [['list']],
  outputDir: 'test-results/stories',
  projects: [
    { name: 'demo', testMatch: 'demo.setup.ts' },
    { name: 'stories', testMatch: '*.spec.ts', dependencies: ['demo'] },
  ],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    trace: 'off',
    // the stories run against the server; the one about working without it lets the service worker in
    serviceWorkers: 'block',
    browserName: 'chromium',
    launchOptions: {
      executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: 'node .output/server/index.mjs',
    env: { NITRO_HOST: '127.0.0.1', NITRO_PORT: String(port) },
    url: `http://127.0.0.1:${port}/api/health`,
    reuseExistingServer: false,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 2000 },
  },
})
