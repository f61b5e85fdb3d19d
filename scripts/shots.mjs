// npm run shots: refreshes docs/screenshots from the demo data. Another folder may be named, for a look while working.
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuilt, ensureInstalled, freePort, root } from './lib/prepare.mjs'
import { startServer } from './lib/server.mjs'

ensureInstalled()
ensureBuilt()
const { launch, roomIsReady } = await import('./lib/browser.mjs')
const [folder = join(root, 'docs/screenshots'), only = ''] = process.argv.slice(2)
mkdirSync(folder, { recursive: true })
const desk = { width: 1280, height: 800 }
const phone = { width: 390, height: 844 }

const toColony = name => async (page) => {
  await page.getByRole('link', { name: new RegExp(`^${name}: About`) }).first().click()
  await page.getByRole('heading', { level: 1, name }).waitFor()
  await page.getByRole('img', { name: /^Life line/ }).waitFor()
}
const why = async (page) => {
  await toColony('Slate')(page)
  await page.getByRole('button', { name: 'Why? How many' }).click()
}
const toWater = (glass, part) => async (page) => {
  await page.getByRole('link', { name: 'Water', exact: true }).click()
  const list = page.getByLabel('Glass', { exact: true })
  const id = await list.locator('option').filter({ hasText: new RegExp(`^${glass}(:|$)`) }).first().getAttribute('value')
  await list.selectOption(id)
  await page.waitForURL(`**/water/${id}`)
  if (part) await page.getByRole('navigation', { name: 'Parts of the water place' }).getByRole('button', { name: part }).click()
  await page.waitForTimeout(part === 'Probe' ? 5000 : 600)
}
const plan = async (page) => {
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await page.getByRole('link', { name: 'Slate, second line' }).click()
  await page.getByText(/starters reach the first/).waitFor()
}
const planCompany = async (page) => {
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await page.getByRole('button', { name: /^Bee shrimp/ }).click()
  await page.getByLabel('Together with').selectOption('neocaridina')
  await page.getByText(/starters reach the first/).waitFor()
  await page.getByText('Upper strip').scrollIntoViewIfNeeded()
}
const logCount = async (page) => {
  await toColony('Ember A')(page)
  await page.keyboard.press('l')
  await page.getByLabel('How many did you see?').fill('214')
}
const logWater = async (page) => {
  await toColony('Slate')(page)
  await page.keyboard.press('l')
  await page.getByRole('radio', { name: 'Water test' }).check()
  await page.getByLabel('KH', { exact: true }).fill('2.8')
}
const records = page => page.goto(`${server.address}/records`)
const startColony = async (page) => {
  await page.getByRole('button', { name: 'Start a colony' }).click()
  await page.getByRole('radio', { name: 'Bee shrimp' }).check()
}

const views = [
  { name: 'room-day', size: desk }, { name: 'room-night', size: desk, theme: 'night' }, { name: 'room-phone', size: phone },
  { name: 'colony-day', size: desk, go: toColony('Slate') }, { name: 'colony-night', size: desk, theme: 'night', go: toColony('Rime A') }, { name: 'colony-phone', size: phone, go: toColony('Ember A') },
  { name: 'why', size: desk, go: why }, { name: 'water-bucket', size: desk, go: toWater('Slate') }, { name: 'water-phone', size: phone, go: toWater('Slate') },
  { name: 'water-history', size: desk, go: toWater('Slate', 'History') }, { name: 'water-probe', size: desk, go: toWater('Slate', 'Probe') }, { name: 'water-salt', size: desk, go: toWater('Pool jar', 'Salt water') },
  { name: 'plan', size: desk, go: plan }, { name: 'plan-company', size: desk, go: planCompany },
  { name: 'log-count', size: desk, go: logCount }, { name: 'log-water', size: desk, go: logWater }, { name: 'log-phone', size: phone, go: logWater },
  { name: 'start-colony', size: desk, go: startColony }, { name: 'records', size: desk, go: records },
]

const server = await startServer(await freePort(), { ULKIN_START: 'demo' })
const browser = await launch()
try {
  for (const { name, size, theme = 'day', go } of views.filter(v => v.name.includes(only))) {
    const context = await browser.newContext({ viewport: size, locale: 'en-GB', hasTouch: size === phone, reducedMotion: 'reduce' })
    await context.addInitScript(t => localStorage.setItem('ulkin.theme', t), theme)
    const page = await context.newPage()
    await page.goto(server.address)
    await roomIsReady(page)
    await go?.(page)
    await page.mouse.move(0, 0)
    await page.waitForTimeout(400)
    await page.screenshot({ path: join(folder, `${name}.png`) })
    console.log(name)
    await context.close()
  }
}
finally {
  await browser.close()
  server.stop()
}
