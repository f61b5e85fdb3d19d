import { type ChildProcess, spawn } from 'node:child_process'
import http from 'node:http'
import { createServer } from 'node:net'
import { expect, type Page, test } from '@playwright/test'
import { roomIsReady } from './steps'

// these stories need a server that they may stop, and the service worker that the others keep out
test.use({ serviceWorkers: 'allow' })

const freePort = () =>
  new Promise<number>(resolve => {
    const server = createServer()
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number }
      server.close(() => resolve(port))
    })
  })
let child: ChildProcess | undefined
async function serve(port: number) {
  child = spawn(process.execPath, ['.output/server/index.mjs'], {
    stdio: 'ignore',
    env: { ...process.env, NITRO_HOST: '127.0.0.1', NITRO_PORT: String(port) },
  })
  await expect
    .poll(async () => (await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null))?.ok ?? false)
    .toBe(true)
}
async function stop() {
  const gone = new Promise(resolve => child?.once('exit', resolve))
  child?.kill('SIGTERM')
  await gone
  child = undefined
}
test.afterEach(() => {
  child?.kill('SIGKILL')
})

/** The app is on the device: a service worker stands behind the page, with every file. */
const installed = (page: Page) =>
  expect
    .poll(() => page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.active?.state))
    .toBe('activated')

test('with the server gone the app starts, a round is done, and nothing is lost when it comes back', async ({
  page,
}) => {
  const port = await freePort()
  const base = `http://127.0.0.1:${port}`
  await serve(port)
  await page.goto(base)
  await page.getByRole('button', { name: 'Open the demo room' }).click()
  await roomIsReady(page)
  await installed(page)
  await stop()
  expect(await fetch(`${base}/api/health`).catch(() => null)).toBeNull()

  await page.reload()
  await roomIsReady(page)
  await page.goto(`${base}/round`)
  await page.getByRole('button', { name: 'Start the round' }).click()
  await page.getByRole('textbox', { name: 'Molts of Ember A' }).fill('6')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'Ember box' })).toBeVisible()
  // places that were never opened before work too: all of the app is there
  await page.goto(`${base}/records`)
  await expect(page.getByText('All of the app is on this device')).toBeVisible()
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Plan' })).toBeVisible()
  // what only the server can say is not made up
  await page.getByRole('link', { name: 'Water', exact: true }).click()
  await page.getByRole('tablist', { name: 'Parts of the water place' }).getByRole('tab', { name: 'Probe' }).click()
  await expect(page.getByText('Live, settled.')).toBeHidden()

  await serve(port)
  await page.goto(base)
  await page.getByRole('link', { name: /^Go on with the round: 1 of/ }).click()
  await page
    .getByRole('navigation', { name: 'Glasses of the round' })
    .getByRole('button', { name: /^Ember A / })
    .click()
  await expect(page.locator('.saved')).toContainText('6 shed skins')
  await stop()
})

test('a new version waits until the keeper takes it', async ({ page, baseURL }) => {
  // in front of the server stands one that hands out another service worker from some moment on
  let newer = false
  const front = http.createServer((request, response) => {
    void fetch(`${baseURL}${request.url}`)
      .then(async answer => {
        const body = Buffer.from(await answer.arrayBuffer())
        response.writeHead(answer.status, {
          'content-type': answer.headers.get('content-type') ?? '',
          'content-security-policy': answer.headers.get('content-security-policy') ?? '',
        })
        response.end(
          newer && request.url === '/sw.js' ? Buffer.concat([body, Buffer.from('\n// another version\n')]) : body,
        )
      })
      .catch(() => response.destroy())
  })
  const port = await freePort()
  await new Promise<void>(resolve => front.listen(port, '127.0.0.1', resolve))
  try {
    await page.goto(`http://127.0.0.1:${port}/`)
    await page.getByLabel('Name of the room').fill('Cellar')
    await page.getByRole('button', { name: 'Start with an empty room' }).click()
    await installed(page)
    await page.reload()
    await expect(page.getByRole('heading', { level: 1, name: 'Cellar' })).toBeVisible()
    newer = true
    const bar = page.getByText('A new version of Ulkin is here.')
    await expect(async () => {
      await page.evaluate(async () => {
        await (await navigator.serviceWorker.getRegistration())!.update()
      })
      await page.reload()
      await expect(bar).toBeVisible({ timeout: 5000 })
    }).toPass()
    await page.getByRole('button', { name: 'Later' }).click()
    await expect(bar).toBeHidden()
    expect(await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.waiting?.state)).toBe(
      'installed',
    )
    await page.reload()
    await expect(bar).toBeVisible()
    await Promise.all([page.waitForEvent('load'), page.getByRole('button', { name: 'Use it now' }).click()])
    await expect(page.getByRole('heading', { level: 1, name: 'Cellar' })).toBeVisible()
    await expect
      .poll(() => page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.waiting))
      .toBeNull()
  } finally {
    front.closeAllConnections()
    front.close()
  }
})

test('the app can be installed: a manifest with icons that are there', async ({ request }) => {
  const manifest = (await (await request.get('/manifest.webmanifest')).json()) as {
    name: string
    start_url: string
    display: string
    icons: { src: string; sizes: string }[]
  }
  expect(manifest).toMatchObject({ name: 'Ulkin', start_url: '/', display: 'standalone' })
  expect(manifest.icons.map(i => i.sizes)).toEqual(expect.arrayContaining(['192x192', '512x512']))
  for (const icon of manifest.icons) {
    const answer = await request.get(icon.src)
    expect(answer.headers()['content-type']).toMatch(/^image\//)
  }
  // every file that the worker keeps is there too
  const worker = await (await request.get('/sw.js')).text()
  const kept = [...worker.matchAll(/url:"([^"]+)"/g)].map(m => m[1]!)
  expect(kept.length).toBeGreaterThan(30)
  expect(kept.some(url => /statements\.worker/.test(url))).toBe(true)
  for (const url of kept) expect((await request.head(`/${url.replace(/^\//, '')}`)).status(), url).toBe(200)
})
