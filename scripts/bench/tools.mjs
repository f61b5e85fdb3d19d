// What all parts of the bench share.

/** The middle one of some times. */
export const middle = times => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]
export const ms = t => `${Math.round(t)} ms`

/** A page of a fresh browser into which a backup was brought by the app's own way. */
export async function pageWith({ browser, server }, backup, viewport) {
  const context = await browser.newContext({ viewport, serviceWorkers: 'block' })
  const page = await context.newPage()
  await page.goto(`${server.address}/records`)
  await page
    .getByLabel('Backup file')
    .setInputFiles({ name: 'bench.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(backup)) })
  await page.getByRole('button', { name: 'Bring it in' }).click({ timeout: 60_000 })
  await page.getByText('Brought in').waitFor({ timeout: 60_000 })
  return { context, page }
}
export const DESK = { width: 1280, height: 800 }
export const PHONE = { width: 390, height: 844 }
