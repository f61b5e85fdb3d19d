import { existsSync, readFileSync, statSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import { extname, join } from 'node:path'
import { expect, type Page, test } from '@playwright/test'
import { roomIsReady, waterPart } from './steps'

// the folder of `npm run static` under a file server that knows nothing of it
test.use({ serviceWorkers: 'allow' })

const FOLDER = join(import.meta.dirname, '../../dist')
const TYPES: Record<string, string> = {
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.woff2': 'font/woff2',
  '.webmanifest': 'application/manifest+json',
}
let host: Server | null = null

/** Serves files, folders by their index.html, and 404.html for the rest, as plain hosts do. @returns the address */
async function serve(port = 0): Promise<string> {
  const server = createServer((request, answer) => {
    const path = decodeURIComponent(new URL(request.url!, 'http://host').pathname)
    let file = join(FOLDER, path)
    if (existsSync(file) && statSync(file).isDirectory()) file = join(file, 'index.html')
    const found = existsSync(file)
    answer.writeHead(found ? 200 : 404, { 'content-type': TYPES[found ? extname(file) : '.html'] ?? 'text/plain' })
    answer.end(readFileSync(found ? file : join(FOLDER, '404.html')))
  })
  await new Promise<void>(resolve => server.listen(port, '127.0.0.1', resolve))
  host = server
  return `http://127.0.0.1:${(server.address() as { port: number }).port}`
}
async function stop() {
  host?.closeAllConnections()
  await new Promise(resolve => host?.close(resolve) ?? resolve(null))
  host = null
}
test.afterEach(stop)

const installed = (page: Page) =>
  expect
    .poll(() => page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.active?.state))
    .toBe('activated')

test('on a plain web host everything works but the simulated devices, and it installs and works offline', async ({
  page,
}) => {
  const broken: string[] = []
  page.on('pageerror', e => broken.push(e.message))
  page.on('console', m => m.type() === 'error' && broken.push(m.text()))
  const address = await serve()
  await page.goto(address)
  await page.getByRole('button', { name: 'Open the demo room' }).click()
  // made in a worker, by the same code as on the server
  await expect(page.getByRole('heading', { level: 1, name: 'Lantern Quay' })).toBeVisible()
  await roomIsReady(page)

  await page.getByRole('link', { name: 'Water', exact: true }).click()
  await waterPart(page, 'Probe')
  await expect(page.getByRole('status').filter({ hasText: 'this copy comes from a plain web host' })).toBeVisible()

  await installed(page)
  expect(broken).toEqual([])
  await stop()
  // a place that was never opened, with the host gone
  await page.goto(`${address}/plan`)
  await expect(page.getByRole('heading', { name: 'What do you have?' })).toBeVisible()
  await page.goto(address)
  await roomIsReady(page)
})

test('a place can be opened by its address, also one that is no file', async ({ page }) => {
  const address = await serve()
  await page.goto(`${address}/plan/`)
  await expect(page.getByText('A plan needs a room first.')).toBeVisible()
  await page.goto(`${address}/colony/nobody`)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
})
