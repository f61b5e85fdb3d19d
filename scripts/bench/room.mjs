// A room: how soon it is told, opened, and told anew.
import { roomIsReady } from '../lib/browser.mjs'
import { DESK, middle, ms, pageWith } from './tools.mjs'
import { FROM, TO, traced, whereItWent } from './traced.mjs'

/** Measures loads, openings and entries of a room. */
export async function room(bench, label, backup, aims) {
  const { note } = bench
  const { context, page } = await pageWith(bench, backup, DESK)
  const { cold, kept } = await loads(page, bench.server.address)
  note(`${label}: first estimate after load, none kept`, ms(middle(cold.map(t => t.first))))
  note(`${label}: every glass told after load, none kept`, ms(middle(cold.map(t => t.told))), aims.told)
  note(`${label}: all told in full after load, none kept`, ms(middle(cold.map(t => t.all))), aims.whole)
  note(`${label}: first estimate after load, kept`, ms(middle(kept.map(t => t.first))))
  note(`${label}: all estimates after load, kept`, ms(middle(kept.map(t => t.all))), aims.all)
  const { first, others } = await openings(bench.browser, page)
  note(`${label}: opening a Colony, with its chart`, `${ms(middle(others))} (first ${ms(first.took)})`, '< 300 ms')
  note('  the first, traced', whereItWent([first]))
  const { times: told, went } = await entries(bench.browser, page)
  note(`${label}: saving an entry to the new statement`, ms(middle(told)), '< 100 ms')
  note('  of it, traced', whereItWent(went))
  await context.close()
}

/** Loads with nothing kept, all estimates computed; and then with kept ones. */
async function loads(page, address) {
  const cold = []
  for (let i = 0; i < 3; i++) {
    await forget(page)
    cold.push(await load(page, address))
  }
  const kept = []
  for (let i = 0; i < 5; i++) kept.push(await load(page, address))
  return { cold, kept }
}

/** Lets go of the kept statements. */
const forget = page =>
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

/** One load: when the first glass was told, when all were, and when all were told in full. */
async function load(page, address) {
  await page.goto('about:blank')
  await page.goto(address, { waitUntil: 'load' })
  // from the moment at which the page's load event ended, on the page's own clock
  return page.evaluate(
    () =>
      new Promise(resolve => {
        const loaded = performance.getEntriesByType('navigation')[0].loadEventEnd
        const first = () => document.querySelector('.n') && performance.now() - loaded
        const told = () => document.querySelector('.needs h2') && performance.now() - loaded
        const all = () =>
          /need you|needs you/.test(document.querySelector('.needs h2')?.textContent ?? '') &&
          performance.now() - loaded
        let firstAt = 0
        let toldAt = 0
        const look = () => {
          firstAt ||= first() || 0
          toldAt ||= told() || 0
          const allAt = all()
          if (allAt) resolve({ first: firstAt || allAt, told: toldAt || allAt, all: allAt })
          else requestAnimationFrame(look)
        }
        look()
      }),
  )
}

/** Times from a glass in the Room to its Colony with the chart, a second after the room was told: hands are slower. */
async function openings(browser, page) {
  await roomIsReady(page)
  await page.waitForTimeout(1000)
  const opened = index =>
    page.evaluate(
      ({ index, from, to }) =>
        new Promise(resolve => {
          const link = document.querySelectorAll('a.whole')[index]
          const start = performance.mark(from).startTime
          link.click()
          const look = () => {
            const there =
              document.querySelector('.canvas canvas')?.width > 300 &&
              document.querySelector('[data-statement="number"]')
            if (!there) return requestAnimationFrame(look)
            resolve(performance.mark(to).startTime - start)
          }
          look()
        }),
      { index, from: FROM, to: TO },
    )
  const back = async () => {
    await page.goBack()
    await roomIsReady(page)
  }
  const first = await traced(browser, page, () => opened(0))
  const others = []
  for (let i = 1; i < 6; i++) {
    await back()
    others.push(await opened(i))
  }
  await back()
  return { first, others }
}

/** Times from Save to the statement that knows of it; and where the time of some more of them goes, traced. */
async function entries(browser, page) {
  await page.locator('a.whole').first().click()
  await page.locator('[data-statement="number"]').waitFor()
  const times = []
  const went = []
  for (let i = 0; i < 10; i++) {
    await page.keyboard.press('l')
    const seen = 60 + i
    await page.getByLabel('How many did you see?').fill(String(seen))
    if (i < 7) times.push(await entered(page, seen))
    else went.push(await traced(browser, page, () => entered(page, seen)))
    await page.getByRole('dialog').waitFor({ state: 'hidden' })
  }
  return { times, went }
}

/** Saves the entry on the sheet. @returns milliseconds until the statement knows of it */
const entered = (page, seen) =>
  page.evaluate(
    ([number, from, to]) =>
      new Promise(resolve => {
        const start = performance.mark(from).startTime
        document.querySelector('#log-form').requestSubmit()
        const look = () =>
          document.querySelector('[data-statement="number"]').textContent.includes(`${number} all seen`)
            ? resolve(performance.mark(to).startTime - start)
            : requestAnimationFrame(look)
        look()
      }),
    [seen, FROM, TO],
  )
