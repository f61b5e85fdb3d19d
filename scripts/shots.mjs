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

const toColony = name => async page => {
  await page
    .getByRole('link', { name: new RegExp(`^${name}: About`) })
    .first()
    .click()
  await page.getByRole('heading', { level: 1, name }).waitFor()
  await page.getByRole('img', { name: /^Life line/ }).waitFor()
}
const toWater = (glass, part) => async page => {
  const onBar = page.getByRole('link', { name: 'Water', exact: true })
  if (await onBar.isVisible()) await onBar.click()
  else {
    await page.getByRole('button', { name: 'More', exact: true }).click()
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^Water/ })
      .click()
  }
  const list = page.getByLabel('Glass', { exact: true })
  const id = await list
    .locator('option')
    .filter({ hasText: new RegExp(`^${glass}(:|$)`) })
    .first()
    .getAttribute('value')
  await list.selectOption(id)
  await page.waitForURL(`**/water/${id}`)
  if (part)
    await page.getByRole('tablist', { name: 'Parts of the water place' }).getByRole('tab', { name: part }).click()
  await page.waitForTimeout(part === 'Probe' ? 5000 : 600)
}
/** A tank of 30 L and a middling tap. */
const plan = async page => {
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  const have = { 'Holds, when full': '30', GH: '7.2', KH: '5', 'The room in winter': '20', 'in summer': '25' }
  for (const [label, text] of Object.entries(have)) await page.getByLabel(label, { exact: true }).fill(text)
  await page.getByRole('radio', { name: 'see them breed' }).check()
  await page.getByRole('heading', { name: /would live in your tap water as it is/ }).waitFor()
}

const due = async page => {
  await page.getByRole('link', { name: 'Round', exact: true }).click()
  await page.getByRole('heading', { name: /^Due today/ }).waitFor()
}
const toGlass = async (page, name) => {
  for (let i = 0; i < 30 && (await page.getByRole('heading', { level: 1 }).textContent()) !== name; i++) {
    await page.getByRole('button', { name: /^Save, / }).click()
    await page.waitForTimeout(250)
  }
}
/** At Slate, with a few things touched. */
const walk = async page => {
  await due(page)
  await page.getByRole('button', { name: 'Start the round' }).click()
  await toGlass(page, 'Slate')
  await page.getByRole('textbox', { name: 'Berried of Slate' }).fill('1')
  await page.getByRole('textbox', { name: 'Molts of Slate' }).fill('3')
  await page.getByRole('button', { name: /^Gone in an hour/ }).click()
  await page.getByRole('textbox', { name: /^KH/ }).fill('2.1')
  await page.locator('.scroller').evaluate(el => el.scrollTo(0, 0))
}

const broods = async page => {
  await page.getByRole('link', { name: 'Broods', exact: true }).click()
  await page
    .getByText(/hatch(es)? this week/)
    .first()
    .waitFor()
  await page.waitForTimeout(1500)
}
/** A ramshorn with a shell history. */
const animal = async page => {
  await toColony('Copper rams')(page)
  await page.getByRole('tab', { name: 'Bodies', exact: true }).click()
  await page.getByRole('link', { name: 'Penny' }).click()
  await page.getByRole('heading', { name: 'What its shell tells' }).waitFor()
  await page.waitForTimeout(1200)
}
/** Ember A, warmer, beside things as they are. */
const outlook = async page => {
  await toColony('Ember A')(page)
  await page.getByRole('link', { name: 'Outlook', exact: true }).click()
  await page.getByLabel('Temperature', { exact: true }).fill('26')
  await page.getByLabel('Cool for the winter', { exact: true }).check()
  await page.locator('tbody tr').nth(2).waitFor()
  await page.getByText(/futures of each, all with/).waitFor({ timeout: 60_000 })
}
const surplus = async page => {
  await toColony('Ember A')(page)
  await page.getByRole('link', { name: 'Surplus', exact: true }).click()
  await page.getByText(/within half a year/).waitFor({ timeout: 60_000 })
}
/** The practice tank, half marked. */
const practice = async page => {
  await page.getByRole('link', { name: 'Count desk', exact: true }).click()
  await page.getByRole('tab', { name: 'Practice tank' }).click()
  await page.getByRole('button', { name: 'Show a picture' }).click()
  const picture = page.getByRole('application')
  await picture.waitFor()
  const box = await picture.boundingBox()
  // most of what is red, as a quick eye finds it
  const red = await page.locator('.marked canvas').evaluate(c => {
    const { data, width, height } = c.getContext('2d').getImageData(0, 0, c.width, c.height)
    const found = []
    for (let y = 6; y < height; y += 3) {
      for (let x = 6; x < width; x += 3) {
        const at = 4 * (y * width + x)
        if (data[at] > 150 && data[at + 1] < 90 && found.every(f => Math.hypot(f.x - x, f.y - y) > 34))
          found.push({ x, y })
      }
    }
    return found.filter((_, i) => i % 8 !== 3).map(f => ({ x: f.x / width, y: (f.y + 6) / height }))
  })
  for (const { x, y } of red) await page.mouse.click(box.x + x * box.width, box.y + y * box.height)
  await page.getByRole('button', { name: 'That is all I see' }).click()
  await page.getByText('Your hit rate').first().waitFor()
}
/** A picture of the stand-in camera, opened as a photo. */
const countDesk = async page => {
  await practice(page)
  const png = await page.locator('.marked canvas').evaluate(c => c.toDataURL('image/png').split(',')[1])
  await page.getByRole('tab', { name: 'Photo', exact: true }).click()
  await page
    .getByLabel('Open a picture of the tank')
    .setInputFiles({ name: 'tank.png', mimeType: 'image/png', buffer: Buffer.from(png, 'base64') })
  await page.getByRole('button', { name: /^Take all \d/ }).click()
  await page.getByText(/^Speaks for about/).waitFor()
}

async function rearing(page) {
  await page.keyboard.press('/')
  await page.getByRole('combobox').fill('Second larvae')
  await page.keyboard.press('Enter')
  await page.getByRole('img', { name: /^Today likely/ }).waitFor()
  await page.getByRole('row', { name: /First larvae/ }).waitFor()
}

const lines = async page => {
  await page.getByRole('link', { name: 'Lines', exact: true }).click()
  await page.getByText(/improves fastest/).waitFor({ timeout: 30_000 })
}
const line = name => async page => {
  await lines(page)
  await page.getByRole('link', { name, exact: true }).click()
  await page.getByText(/The newest was foreseen/).waitFor({ timeout: 30_000 })
}
const kinship = async page => {
  await line('Ember')(page)
  await page.getByRole('tab', { name: 'Kinship' }).click()
  await page.getByRole('table', { name: 'Inbreeding by generation' }).waitFor()
}
/** The proposed pick in the trays, the dullest to part. */
/** A practice picture of the grade meter, measured. */
const meter = async page => {
  await lines(page)
  await page.getByRole('link', { name: 'Ember', exact: true }).click()
  await page.getByRole('link', { name: 'Grade meter' }).click()
  const read = page.locator('p.statement').filter({ hasText: /covered/ })
  for (let picture = 0; picture < 8; picture++) {
    await page.getByRole('button', { name: 'A practice picture' }).click()
    await page.waitForTimeout(2500)
    const shown = page.getByRole('application')
    const box = await shown.boundingBox()
    for (const part of [0.3, 0.45, 0.6]) {
      await shown.click({ position: { x: 0.8 * box.width, y: part * box.height } })
      if (
        await read.waitFor({ timeout: 3000 }).then(
          () => true,
          () => false,
        )
      )
        break
    }
    if ((await read.count()) === 0) continue
    // a few graded ones teach it; the last stays on the page
    if (picture === 7) return
    await page.keyboard.press('3')
    await page.waitForTimeout(2500)
  }
}
const breed = async page => {
  await line('Ember')(page)
  await page.getByRole('tab', { name: 'Breed' }).click()
  await page.getByRole('button', { name: 'Put them to breed' }).click()
  for (const sex of ['females', 'males']) {
    const stack = page.getByRole('button', { name: new RegExp(`^\\d+ ${sex} of 2`) }).first()
    if ((await stack.count()) > 0) {
      await stack.focus()
      await page.keyboard.press('p')
    }
  }
  await page
    .locator('aside')
    .getByText(/^in (\d+|a) weeks?$|at once/)
    .waitFor({ timeout: 30_000 })
}

const views = [
  { name: 'room-day', size: desk },
  { name: 'room-phone', size: phone },
  { name: 'colony-day', size: desk, go: toColony('Slate') },
  { name: 'water-bucket', size: desk, go: toWater('Slate') },
  { name: 'water-history', size: desk, go: toWater('Slate', 'History') },
  { name: 'plan', size: desk, go: plan },
  { name: 'broods', size: desk, go: broods },
  { name: 'animal', size: desk, go: animal },
  { name: 'rearing', size: desk, go: rearing },
  { name: 'lines', size: desk, go: lines },
  { name: 'line', size: desk, go: line('Ember') },
  { name: 'breed', size: desk, go: breed },
  { name: 'kinship', size: desk, go: kinship },
  { name: 'meter', size: desk, go: meter },
  { name: 'outlook', size: desk, go: outlook },
  { name: 'surplus', size: desk, go: surplus },
  { name: 'count-desk', size: desk, go: countDesk },
  { name: 'round-due', size: desk, go: due },
  { name: 'round-walk', size: desk, go: walk },
]

const server = await startServer(await freePort(), { ULKIN_START: 'demo' })
const browser = await launch()
try {
  for (const { name, size, go } of views.filter(v => v.name.includes(only))) {
    const context = await browser.newContext({
      viewport: size,
      locale: 'en-GB',
      hasTouch: size === phone,
      reducedMotion: 'reduce',
      serviceWorkers: 'block',
    })
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
} finally {
  await browser.close()
  server.stop()
}
