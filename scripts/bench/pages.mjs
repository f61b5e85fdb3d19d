// What a page weighs and how smoothly it runs.
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { roomIsReady } from '../lib/browser.mjs'
import { root } from '../lib/prepare.mjs'
import { DESK, middle, ms, pageWith, PHONE } from './tools.mjs'
import { FROM, TO, traced, whereItWent } from './traced.mjs'

/** Over so much the bench fails. */
const MOST_KB = 300

/** JavaScript and CSS that the first page asks for, compressed as the server sends it. */
export async function firstPage({ browser, server, note }) {
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
  const all = (sizes.js + sizes.css) / 1000
  note('First page on an empty device, JavaScript + CSS, gzip', `${all.toFixed(0)} kB`, '≤ 280 kB')
  if (all > MOST_KB) {
    console.error(`The first page weighs over ${MOST_KB} kB: fetch what it does not need when it is asked for.`)
    process.exitCode = 1
  }
  note('  of it JavaScript', `${(sizes.js / 1000).toFixed(0)} kB`)
  note('  of it CSS', `${(sizes.css / 1000).toFixed(0)} kB`)
  note('  beside it once there is a colony, the worker that computes', `${(worker / 1000).toFixed(0)} kB`)
  await page.close()
}

/** While sixty colonies are fitted in the background: the longest time between two frames of a page that is at rest. */
export async function frames(bench, many) {
  const { note, server } = bench
  const { context, page } = await pageWith(bench, many, DESK)
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

/** Broods of a large room: from the link to its first drawn rows, once the Room was told. */
export async function broods(bench, many) {
  const { note, server } = bench
  const { context, page } = await pageWith(bench, many, DESK)
  const times = []
  let rows = 0
  for (let i = 0; i < 5; i++) {
    await page.goto('about:blank')
    await page.goto(`${server.address}/`)
    await roomIsReady(page)
    await page.waitForTimeout(1000)
    const drawn = await page.evaluate(
      () =>
        new Promise(resolve => {
          const start = performance.now()
          document.querySelector('a[href="/broods"]').click()
          const look = () => {
            const rows = document.querySelectorAll('.timerow .hatch').length
            if (rows > 0) resolve({ took: performance.now() - start, rows })
            else requestAnimationFrame(look)
          }
          look()
        }),
    )
    times.push(drawn.took)
    rows = drawn.rows
  }
  note(`Broods: first drawn, ${many.colonies.length} colonies × 3 years, ${rows} broods`, ms(middle(times)), '< 300 ms')
  await context.close()
}

/** A glass of the round: from Enter to the next glass on screen, with what was typed in the database. */
export async function round(bench, demo) {
  const { note, server } = bench
  const { context, page } = await pageWith(bench, demo, PHONE)
  await page.goto(`${server.address}/`)
  await roomIsReady(page)
  await page.getByRole('link', { name: 'Round', exact: true }).click()
  await page.getByRole('button', { name: 'Start the round' }).click()
  const saved = []
  const went = []
  for (let i = 0; i < 17; i++) {
    await page.locator('[data-round-counter]').first().fill('3')
    const all = page.getByRole('button', { name: /^All of it/ })
    if (await all.isVisible()) await all.click()
    await page.waitForTimeout(500)
    if (i < 14) saved.push(await glassSaved(page))
    else went.push(await traced(bench.browser, page, () => glassSaved(page)))
  }
  note('Round: a glass saved', ms(middle(saved.slice(2).map(t => t.write))), '< 50 ms')
  note('  and the next one on screen', ms(middle(saved.slice(2).map(t => t.show))))
  note('  of it, traced', whereItWent(went))
  await context.close()
}

/** Saves the glass at hand: it is left only when its transaction is over. @returns milliseconds */
const glassSaved = page =>
  page.evaluate(
    ([from, to]) =>
      new Promise(resolve => {
        const title = document.querySelector('.walk h1')
        const start = performance.mark(from).startTime
        new MutationObserver((_, watching) => {
          watching.disconnect()
          const write = performance.mark(to).startTime - start
          requestAnimationFrame(() => resolve({ write, show: performance.now() - start }))
        }).observe(title, { characterData: true, childList: true, subtree: true })
        document.querySelector('.walk .save').click()
      }),
    [FROM, TO],
  )
