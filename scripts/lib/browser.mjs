// Headless Chromium as the end-to-end tests use it.
import { chromium } from '@playwright/test'
import { ensureChromium } from './prepare.mjs'

export const launch = () =>
  chromium.launch({
    executablePath: ensureChromium(),
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  })

/** Waits until the Room shows every estimate. */
export const roomIsReady = page =>
  page.getByRole('heading', { name: /need you today|needs you today|Nothing needs you/ }).waitFor({ timeout: 60_000 })
