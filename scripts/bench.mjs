// npm run bench [part]: the sizes and times that the budgets name, measured on the built app in Chromium.
// Parts: water, care, numbers, cohorts, lines, page, frames, round, broods, room; all without a name.
import { ensureBuilt, ensureInstalled, freePort } from './lib/prepare.mjs'
import { startServer } from './lib/server.mjs'

ensureInstalled()
ensureBuilt()
const { launch } = await import('./lib/browser.mjs')
const { manyColonies } = await import('./lib/manyColonies.mjs')
const { care, cohorts, lines, machine, numbers, water } = await import('./bench/computing.mjs')
const { broods, firstPage, frames, round } = await import('./bench/pages.mjs')
const { room } = await import('./bench/room.mjs')
const server = await startServer(await freePort())
const browser = await launch()
const note = (what, value, aim = '') =>
  console.log(`${what.padEnd(62)} ${String(value).padStart(12)}  ${aim && `aim ${aim}`}`)
const bench = { browser, server, note }

const [only = ''] = process.argv.slice(2)
const wanted = part => part.includes(only)
try {
  await machine(bench)
  if (wanted('water')) await water(bench)
  if (wanted('care')) await care(bench)
  if (wanted('numbers')) await numbers(bench)
  if (wanted('cohorts')) await cohorts(bench)
  if (wanted('lines')) await lines(bench)
  if (wanted('page')) await firstPage(bench)
  const demo = await (await fetch(`${server.address}/api/demo/lantern-quay?seed=1`)).json()
  const many = manyColonies(demo, 60, 3)
  if (wanted('frames')) await frames(bench, many)
  if (wanted('round')) await round(bench, demo)
  if (wanted('broods')) await broods(bench, many)
  if (wanted('room')) {
    await room(bench, `Demo, ${demo.colonies.length} colonies`, demo, {
      told: '≤ 1000 ms',
      whole: '≤ 2500 ms',
      all: '',
    })
    await room(bench, `${many.colonies.length} colonies × 3 years, ${many.entries.length} entries`, many, {
      told: '≤ 2000 ms',
      whole: '',
      all: '< 1000 ms',
    })
  }
} finally {
  await browser.close()
  server.stop()
}
