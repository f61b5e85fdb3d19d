// npm run bench [part]: the sizes and times that the budgets name, measured on the built app in Chromium.
// Parts: water, care, numbers, page, frames, round, room; all without a name.
import { spawnSync } from 'node:child_process'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { ensureBuilt, ensureInstalled, freePort, root } from './lib/prepare.mjs'
import { startServer } from './lib/server.mjs'

ensureInstalled()
ensureBuilt()
const { launch, roomIsReady } = await import('./lib/browser.mjs')
const { inWorker } = await import('./lib/inWorker.mjs')
const { manyColonies } = await import('./lib/manyColonies.mjs')
const server = await startServer(await freePort())
const browser = await launch()
const results = []
const note = (what, value, aim = '') => {
  results.push({ what, value, aim })
  console.log(`${what.padEnd(62)} ${String(value).padStart(12)}  ${aim && `aim ${aim}`}`)
}

/** JavaScript and CSS that the first page asks for, compressed as the server sends it. */
async function firstPage() {
  const page = await browser.newPage({ serviceWorkers: 'block' })
  const sizes = { js: 0, css: 0 }
  const seen = new Set()
  page.on('response', response => {
    const name = new URL(response.url()).pathname
    const kind = /\.(js|css)$/.exec(name)?.[1]
    if (!kind || seen.has(name)) return
    seen.add(name)
    sizes[kind] += gzipSync(readFileSync(join(root, '.output/public', name)), { level: 9 }).length
  })
  await page.goto(server.address)
  await page.getByRole('button', { name: 'Start with an empty room' }).waitFor()
  await page.waitForLoadState('networkidle')
  const worker = readdirSync(join(root, '.output/public/_nuxt'))
    .filter(f => /statements\.worker.*\.js$/.test(f))
    .reduce((sum, f) => sum + gzipSync(readFileSync(join(root, '.output/public/_nuxt', f)), { level: 9 }).length, 0)
  note(
    'First page on an empty device, JavaScript + CSS, gzip',
    `${((sizes.js + sizes.css) / 1000).toFixed(0)} kB`,
    '≤ 350 kB',
  )
  note('  of it JavaScript', `${(sizes.js / 1000).toFixed(0)} kB`)
  note('  of it CSS', `${(sizes.css / 1000).toFixed(0)} kB`)
  note('  beside it once there is a colony, the worker that computes', `${(worker / 1000).toFixed(0)} kB`)
  await page.close()
}

const middle = times => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]
const ms = t => `${Math.round(t)} ms`

/** What this machine does today, so that runs can be compared: it is shared, and twice as slow at times. */
async function machine() {
  const page = await browser.newPage()
  const time = await page.evaluate(() => {
    const start = performance.now()
    let sum = 0
    for (let i = 1; i < 2e7; i++) sum += Math.exp(-1 / i)
    return sum > 0 ? performance.now() - start : 0
  })
  note('This machine now: twenty million exponentials', ms(time))
  await page.close()
}

/** Brings a backup in by the app's own way, then measures loads, openings and entries. */
async function room(label, backup, aims) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
  const page = await context.newPage()
  await page.goto(`${server.address}/records`)
  await page
    .getByLabel('Backup file')
    .setInputFiles({ name: 'bench.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(backup)) })
  await page.getByRole('button', { name: 'Bring it in' }).click({ timeout: 60_000 })
  await page.getByText('Brought in').waitFor({ timeout: 60_000 })

  // first: nothing kept, all estimates are computed; then: kept ones
  const forget = () =>
    page.evaluate(
      () =>
        new Promise((resolve, reject) => {
          const open = indexedDB.open('ulkin')
          open.onsuccess = () => {
            const change = open.result.transaction('summaries', 'readwrite')
            change.objectStore('summaries').clear()
            change.oncomplete = () => {
              open.result.close()
              resolve(undefined)
            }
            change.onerror = reject
          }
        }),
    )
  const load = async () => {
    await page.goto('about:blank')
    await page.goto(server.address, { waitUntil: 'load' })
    // from the moment at which the page's load event ended, on the page's own clock
    return page.evaluate(
      () =>
        new Promise(resolve => {
          const loaded = performance.getEntriesByType('navigation')[0].loadEventEnd
          const first = () => document.querySelector('.n') && performance.now() - loaded
          const all = () =>
            /need you|needs you/.test(document.querySelector('.needs h2')?.textContent ?? '') &&
            performance.now() - loaded
          let firstAt = 0
          const look = () => {
            firstAt ||= first() || 0
            const allAt = all()
            if (allAt) resolve({ first: firstAt || allAt, all: allAt })
            else requestAnimationFrame(look)
          }
          look()
        }),
    )
  }
  const cold = []
  for (let i = 0; i < 3; i++) {
    await forget()
    cold.push(await load())
  }
  const kept = []
  for (let i = 0; i < 5; i++) kept.push(await load())
  note(`${label}: first estimate after load, none kept`, ms(middle(cold.map(t => t.first))))
  note(`${label}: all estimates after load, none kept`, ms(middle(cold.map(t => t.all))), aims.all)
  note(`${label}: first estimate after load, kept`, ms(middle(kept.map(t => t.first))))
  note(`${label}: all estimates after load, kept`, ms(middle(kept.map(t => t.all))), aims.all)

  await roomIsReady(page)
  const opened = []
  for (let i = 0; i < 6; i++) {
    opened.push(
      await page.evaluate(
        index =>
          new Promise(resolve => {
            const link = document.querySelectorAll('a.whole')[index]
            const start = performance.now()
            link.click()
            const look = () =>
              document.querySelector('.canvas canvas')?.width > 300 &&
              document.querySelector('[data-statement="number"]')
                ? resolve(performance.now() - start)
                : requestAnimationFrame(look)
            look()
          }),
        i,
      ),
    )
    await page.goBack()
    await roomIsReady(page)
  }
  note(
    `${label}: opening a Colony, with its chart`,
    `${ms(middle(opened.slice(1)))} (first ${ms(opened[0])})`,
    '< 300 ms',
  )

  await page.locator('a.whole').first().click()
  await page.locator('[data-statement="number"]').waitFor()
  const entry = []
  for (let i = 0; i < 7; i++) {
    await page.keyboard.press('l')
    const seen = 60 + i
    await page.getByLabel('How many did you see?').fill(String(seen))
    entry.push(
      await page.evaluate(
        number =>
          new Promise(resolve => {
            const start = performance.now()
            document.querySelector('#log-form').requestSubmit()
            const look = () =>
              document.querySelector('[data-statement="number"]').textContent.includes(`saw ${number} all seen`)
                ? resolve(performance.now() - start)
                : requestAnimationFrame(look)
            look()
          }),
        seen,
      ),
    )
    await page.getByRole('dialog').waitFor({ state: 'hidden' })
  }
  note(`${label}: saving an entry to the new statement`, ms(middle(entry)), '< 100 ms')
  await context.close()
}

/** The chemistry alone, in a worker of its own. */
async function water() {
  const { oneChange, whole, year } = await inWorker('scripts/lib/waterWork.mjs')
  note('Recipe for one change, 6 sources × 10 salts', `${oneChange.toFixed(1)} ms`, '< 10 ms')
  note('  the whole staged plan', `${whole.toFixed(1)} ms`)
  note('A year’s forecast for 60 tanks, habits learnt from 312 readings each', ms(year), '< 300 ms')
}

/** The schedule alone, in a worker of its own. */
async function care() {
  const { schedule, items, entries } = await inWorker('scripts/lib/careWork.mjs')
  note(`Schedule of 60 colonies × 5 years, ${entries} entries to ${items} items`, ms(schedule), '< 150 ms')
}

/**
 * The numbers alone, in a worker of their own; and the same futures written plainly in NumPy, where it is installed.
 */
async function numbers() {
  const w = await inWorker('scripts/lib/numbersWork.mjs')
  note('Numbers: 10 000 futures × 52 weeks of one colony', ms(w.futures), '< 1000 ms')
  note(`Numbers: fit of 2 years, ${w.entries} entries, 4000 particles`, ms(w.fit), '< 1500 ms')
  note('Numbers: fit after one more entry, resumed', ms(w.resumed), '< 300 ms')
  note(`Numbers: ${w.chunkSize} futures, the longest that a stop waits for`, ms(w.chunk), '< 50 ms')
  note(
    'Numbers: memory after 8 and after 24 rounds of fit and futures',
    w.memory.map(m => `${Math.round(m)} MB`).join(', '),
    'flat',
  )
  const python = ['python3', '/usr/bin/python3'].find(p => spawnSync(p, ['-c', 'import numpy']).status === 0)
  if (!python) return note('Numbers: the same futures in NumPy', 'not here', 'install python3-numpy to compare')
  const ran = spawnSync(python, [join(root, 'scripts/lib/futures.py')], {
    input: JSON.stringify({ rates: w.rates, spreads: w.spreads, futures: 10_000, weeks: 52 }),
    encoding: 'utf8',
  })
  if (ran.status !== 0)
    return note('Numbers: the same futures in NumPy', 'failed', ran.stderr.trim().split('\n').at(-1))
  const numpy = JSON.parse(ran.stdout)
  note(
    `Numbers: the same futures in NumPy ${numpy.numpy}`,
    ms(numpy.ms),
    `${(numpy.ms / w.futures).toFixed(1)} times ours`,
  )
}

/** While sixty colonies are fitted in the background: the longest time between two frames of a page that is at rest. */
async function frames(many) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
  const page = await context.newPage()
  await page.goto(`${server.address}/records`)
  await page
    .getByLabel('Backup file')
    .setInputFiles({ name: 'bench.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(many)) })
  await page.getByRole('button', { name: 'Bring it in' }).click({ timeout: 60_000 })
  await page.getByText('Brought in').waitFor({ timeout: 60_000 })
  await page.goto(`${server.address}/`, { waitUntil: 'load' })
  await page.locator('.n').first().waitFor()
  const { longest, over, frames, took } = await page.evaluate(
    () =>
      new Promise(resolve => {
        const start = performance.now()
        let last = start
        let longest = 0
        let over = 0
        let frames = 0
        const look = now => {
          const gap = now - last
          last = now
          frames++
          if (gap > longest) longest = gap
          if (gap > 34) over++
          if (/need you|needs you/.test(document.querySelector('.needs h2')?.textContent ?? ''))
            resolve({ longest, over, frames, took: now - start })
          else requestAnimationFrame(look)
        }
        requestAnimationFrame(now => {
          last = now
          requestAnimationFrame(look)
        })
      }),
  )
  note(`Numbers: ${many.colonies.length} colonies fitted behind the Room`, ms(took))
  note('  longest time between two frames meanwhile', ms(longest))
  note('  frames that came late (over 34 ms)', `${over} of ${frames}`, 'none')
  await context.close()
}

/** A glass of the round: from Enter to the next glass on screen, with what was typed in the database. */
async function round(demo) {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' })
  const page = await context.newPage()
  await page.goto(`${server.address}/records`)
  await page
    .getByLabel('Backup file')
    .setInputFiles({ name: 'bench.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(demo)) })
  await page.getByRole('button', { name: 'Bring it in' }).click({ timeout: 60_000 })
  await page.getByText('Brought in').waitFor({ timeout: 60_000 })
  await page.goto(`${server.address}/`)
  await roomIsReady(page)
  await page.getByRole('link', { name: 'Round', exact: true }).click()
  await page.getByRole('button', { name: 'Start the round' }).click()
  const written = []
  const shown = []
  for (let i = 0; i < 14; i++) {
    await page.locator('[data-round-counter]').first().fill('3')
    const all = page.getByRole('button', { name: /^All of it/ })
    if (await all.isVisible()) await all.click()
    await page.waitForTimeout(500)
    // the saved glass is left only when its transaction is over
    const { write, show } = await page.evaluate(
      () =>
        new Promise(resolve => {
          const title = document.querySelector('.walk h1')
          const start = performance.now()
          new MutationObserver((_, watching) => {
            watching.disconnect()
            const write = performance.now() - start
            requestAnimationFrame(() => resolve({ write, show: performance.now() - start }))
          }).observe(title, { characterData: true, childList: true, subtree: true })
          document.querySelector('.walk .save').click()
        }),
    )
    written.push(write)
    shown.push(show)
  }
  note('Round: a glass saved', ms(middle(written.slice(2))), '< 50 ms')
  note('  and the next one on screen', ms(middle(shown.slice(2))))
  await context.close()
}

const [only = ''] = process.argv.slice(2)
const wanted = part => part.includes(only)
try {
  await machine()
  if (wanted('water')) await water()
  if (wanted('care')) await care()
  if (wanted('numbers')) await numbers()
  if (wanted('page')) await firstPage()
  const demo = await (await fetch(`${server.address}/api/demo/lantern-quay?seed=1`)).json()
  const many = manyColonies(demo, 60, 3)
  if (wanted('frames')) await frames(many)
  if (wanted('round')) await round(demo)
  if (wanted('room')) {
    await room(`Demo, ${demo.colonies.length} colonies`, demo, { all: '' })
    await room(`${many.colonies.length} colonies × 3 years, ${many.entries.length} entries`, many, { all: '< 1000 ms' })
  }
} finally {
  await browser.close()
  server.stop()
}
