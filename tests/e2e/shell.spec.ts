import { connect } from 'node:net'
import { expect, test } from '@playwright/test'
import { expectAccessible, logCount, openDemo, sheet, startColony, startRoom, toWater, waterPart } from './steps'

test('the running app asks nobody but its own server, and breaks no rule of its own policy', async ({
  page,
  baseURL,
}) => {
  const outside: string[] = []
  const errors: string[] = []
  page.on('request', request => {
    if (!request.url().startsWith(baseURL!) && !/^(data|blob):/.test(request.url())) outside.push(request.url())
  })
  page.on('console', message => message.type() === 'error' && errors.push(message.text()))
  page.on('pageerror', error => errors.push(error.message))
  await openDemo(page)
  await page
    .getByRole('link', { name: /^Slate: / })
    .first()
    .click()
  await expect(page.getByRole('img', { name: /^Life line/ })).toBeVisible()
  await page.keyboard.press('l')
  await page.getByRole('radio', { name: 'Water test' }).check()
  await page.keyboard.press('Escape')
  await expect(sheet(page)).toBeHidden()
  await toWater(page, 'Slate')
  await waterPart(page, 'History')
  await expect(page.getByRole('img', { name: /^Water history/ })).toBeVisible()
  await waterPart(page, 'Probe')
  await expect(page.getByText('Live, settled.')).toBeVisible()
  await page.goto('/plan')
  await page.getByRole('button', { name: 'Dwarf shrimp in many colours' }).click()
  await expect(page.getByText(/starters reach the first/)).toBeVisible()
  await page.goto('/records')
  await expect(page.getByRole('heading', { name: 'Backup' })).toBeVisible()
  await page.evaluate(() => document.fonts.ready)
  expect(await page.evaluate(() => document.fonts.check('16px "Atkinson Hyperlegible Next Variable"'))).toBe(true)
  expect(outside).toEqual([])
  expect(errors).toEqual([])
})

test('the server sends a strict policy with every page', async ({ request }) => {
  for (const path of ['/', '/records', '/api/health']) {
    const headers = (await request.get(path)).headers()
    const policy = headers['content-security-policy']!
    expect(policy).toContain("default-src 'self'")
    const scripts = policy.split('; ').find(p => p.startsWith('script-src'))!
    expect(scripts).not.toContain('unsafe')
    expect(scripts).toContain('sha256-')
    expect(headers['x-content-type-options']).toBe('nosniff')
  }
})

test('server routes answer, and say in one sentence what is wrong', async ({ request }) => {
  expect(await (await request.get('/api/health')).json()).toMatchObject({ status: 'ok' })
  const demo = (query: string) => request.get(`/api/demo/lantern-quay${query}`)
  const [a, b, other] = await Promise.all([
    demo('?seed=3&day=2026-11-01'),
    demo('?seed=3&day=2026-11-01'),
    demo('?seed=4&day=2026-11-01'),
  ])
  expect(await a.text()).toBe(await b.text())
  expect(await a.text()).not.toBe(await other.text())
  for (const [query, sentence] of [
    ['?seed=many', 'The query field "seed" must be a whole number from 0 to 999999999.'],
    ['?seed=-1', /"seed" must be a whole number/],
    ['?day=tomorrow', /"day" must be a day like 2026-11-25/],
    ['?day=1200-01-01', /"day" must lie between 2000 and 2100/],
    ['?colour=red', 'The query has a field that is not known: colour.'],
  ] as const) {
    const answer = await demo(query)
    expect(answer.status()).toBe(400)
    const { message } = (await answer.json()) as { message: string }
    if (typeof sentence === 'string') expect(message).toBe(sentence)
    else expect(message).toMatch(sentence)
  }
  for (const query of ['probe?drift=9', 'probe?dip=sea', 'scale?stepG=0', 'scale?colour=red']) {
    const refused = await request.get(`/api/bench/${query}`)
    expect(refused.status()).toBe(400)
    expect(((await refused.json()) as { message: string }).message).toMatch(/^The query .*\.$/)
  }
  // HEAD is answered like GET, nothing else is; a target in absolute form has the same headers
  const head = await request.head('/api/health')
  expect([head.status(), (await head.body()).length]).toEqual([200, 0])
  const posted = await request.post('/api/health')
  expect([posted.status(), posted.headers().allow]).toEqual([405, 'GET, HEAD'])
  expect(await absolute('/api/health')).toMatch(/^HTTP\/1\.1 200[^]*content-security-policy/)
  const many = await Promise.all(Array.from({ length: 40 }, () => demo('?seed=5&day=2026-11-01')))
  expect(new Set(await Promise.all(many.map(r => r.text()))).size).toBe(1)
  const missing = await request.get('/api/nothing')
  expect(missing.status()).toBe(404)
  expect(await missing.json()).toMatchObject({ message: 'There is no /api/nothing here.' })
})

test('axe finds nothing in Room, Colony, sheets and Records', async ({ page }) => {
  await openDemo(page)
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Start a colony' }).click()
  await page.getByRole('radio', { name: 'Bee shrimp' }).check()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await page
    .getByRole('link', { name: /^Slate: / })
    .first()
    .click()
  await expect(page.getByRole('img', { name: /^Life line/ })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('tab', { name: 'Table' }).click()
  await expectAccessible(page)
  await page.getByRole('tab', { name: /^Log \d/ }).click()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Why? Water' }).click()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await expect(sheet(page)).toBeHidden()
  for (const kind of ['Count', 'Water test', 'Note']) {
    await page.keyboard.press('l')
    await page.getByRole('radio', { name: kind }).check()
    await expectAccessible(page)
    await page.keyboard.press('Escape')
    await expect(sheet(page)).toBeHidden()
  }
  await page.keyboard.press('/')
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await page.keyboard.press('?')
  await expectAccessible(page)
  await page.goto('/records')
  await expect(page.getByText(/log entries/)).toBeVisible()
  await expectAccessible(page)
})

test('axe finds nothing in Water and Plan', async ({ page }) => {
  await openDemo(page)
  await toWater(page, 'Slate')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Why? The recipe' }).click()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  for (const [part, there] of [
    ['History', /Ordinary here/],
    ['Bring in', /drops a second/],
    ['Salt water', /Specific gravity/],
    ['Medicine', /of product/],
    ['Probe', /Live, settled/],
    ['Sources and shelf', /Smallest step/],
  ] as const) {
    await waterPart(page, part)
    await expect(page.getByText(there).first()).toBeVisible()
    await expectAccessible(page)
  }
  await page.getByRole('button', { name: /^Harbour tap/ }).click()
  await page.getByLabel('GH').fill('12')
  await expect(sheet(page).getByRole('heading', { name: 'What follows' })).toBeVisible()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Add a salt or mix' }).click()
  await page.getByRole('radio', { name: 'A mineral mix' }).check()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await page.goto('/plan')
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Slate, second line' }).click()
  await expect(page.getByText(/starters reach the first/)).toBeVisible()
  await expectAccessible(page)
  await page.goto('/plan')
  await page.getByRole('button', { name: 'Banded shrimp of soft water' }).click()
  await page.getByLabel('Together with').selectOption('land-crab')
  await expect(page.getByRole('heading', { name: /They should not live together/ })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Make it a glass' }).click()
  await expectAccessible(page)
})

test('axe finds nothing on an empty device, on a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/')
  await expect(page.getByText('How many there are')).toBeVisible()
  await expectAccessible(page)
  await startRoom(page)
  await expectAccessible(page)
  await startColony(page, { name: 'Ember' })
  await expectAccessible(page)
})

test('Space and a letter lead to every place, the overlay shows them, and typing is left alone', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await page.keyboard.down('Space')
  await expect(page.getByRole('status').filter({ hasText: 'Records' })).toBeVisible()
  await page.keyboard.press('d')
  await page.keyboard.up('Space')
  await expect(page.getByRole('heading', { level: 1, name: 'Records' })).toBeVisible()
  await page.getByLabel('Name of this room').fill('')
  await page.getByLabel('Name of this room').pressSequentially('l c / ? u')
  await expect(page.getByLabel('Name of this room')).toHaveValue('l c / ? u')
  await expect(sheet(page)).toBeHidden()
  await page.locator('h1').click()
  await page.keyboard.press('/')
  await page.getByRole('combobox').fill('emb')
  await expect(page.getByRole('option', { name: /^Ember/ })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'Ember' })).toBeVisible()
})

test('places that are not there say so and lead back', async ({ page }) => {
  await page.goto('/colony')
  await expect(page.getByText('There is no colony yet.')).toBeVisible()
  await startRoom(page)
  await page.goto('/colony/01900000-0000-7000-8000-000000000000')
  await expect(page.getByText('This colony is not on this device.')).toBeVisible()
  await page.goto('/nowhere')
  await expect(page.getByText('There is no such place')).toBeVisible()
  await page.getByRole('button', { name: 'Back to the Room' }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Cellar' })).toBeVisible()
})

test('a browser that refuses to store says so in plain words', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', {
      value: {
        open() {
          throw new DOMException('Storage is switched off', 'SecurityError')
        },
      },
    })
  })
  await page.goto('/')
  await expect(page.getByRole('alert')).toContainText('This browser does not let Ulkin keep anything')
})

test('the demo room cannot be fetched: it says so, and an empty room can still be started', async ({ page }) => {
  await page.route('**/api/demo/**', route => route.abort())
  await page.goto('/')
  await page.getByRole('button', { name: 'Open the demo room' }).click()
  await expect(page.getByRole('alert')).toContainText('could not be fetched')
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await logCount(page, '9')
})

/** The answer to a request whose target is in absolute form, as text. */
function absolute(path: string): Promise<string> {
  const { port } = new URL(test.info().project.use.baseURL!)
  return new Promise((resolve, reject) => {
    const socket = connect(Number(port), '127.0.0.1', () =>
      socket.write(`GET http://127.0.0.1${path} HTTP/1.1\r\nHost: 127.0.0.1\r\nConnection: close\r\n\r\n`),
    )
    let text = ''
    socket.on('data', part => (text += String(part)))
    socket.on('end', () => resolve(text))
    socket.on('error', reject)
  })
}

test('Back closes a sheet before it leaves the page, and a part of a place is in the address', async ({ page }) => {
  await startRoom(page)
  await startColony(page, { name: 'Ember' })
  await page.getByRole('tab', { name: 'Table' }).click()
  await expect(page).toHaveURL(/\?tab=table$/)
  await page.reload()
  await expect(page.getByRole('tab', { name: 'Table' })).toHaveAttribute('aria-selected', 'true')
  await page.getByRole('link', { name: 'Records', exact: true }).click()
  await page.keyboard.press('l')
  await expect(sheet(page)).toBeVisible()
  await page.goBack()
  await expect(sheet(page)).toBeHidden()
  await expect(page).toHaveURL(/\/records$/)
  await page.goBack()
  await expect(page).toHaveURL(/\/colony\/.*\?tab=table$/)
})
