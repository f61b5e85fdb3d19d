// Where the time of one act goes, from the browser's own trace.

/** Between these marks, which the page sets, an act lies. */
export const FROM = 'bench:from'
export const TO = 'bench:to'
const LEAST_US = 500

/**
 * Traces one act on a page.
 * @param act does it on the page, and sets the marks FROM and TO there
 * @returns milliseconds: `took` all in all, `worker` while a worker was busy, `page` while the page's thread was and no
 *   worker, `waited` for neither (the database, the next frame)
 */
export async function traced(browser, page, act) {
  await browser.startTracing(page, { categories: ['disabled-by-default-devtools.timeline', 'blink.user_timing'] })
  await act()
  const { traceEvents } = JSON.parse((await browser.stopTracing()).toString())
  const at = name => traceEvents.find(e => e.name === name && e.cat?.includes('user_timing'))
  const { ts: from, pid } = at(FROM)
  const { ts: to } = at(TO)
  const threads = new Map(
    traceEvents.filter(e => e.name === 'thread_name' && e.pid === pid).map(e => [e.tid, e.args.name]),
  )
  const busy = name =>
    traceEvents
      .filter(e => e.name === 'RunTask' && e.pid === pid && e.dur > LEAST_US && threads.get(e.tid)?.startsWith(name))
      .map(e => [Math.max(from, e.ts), Math.min(to, e.ts + e.dur)])
      .filter(([start, end]) => end > start)
  const inWorker = busy('DedicatedWorker')
  const either = united([...inWorker, ...busy('CrRendererMain')])
  const worker = united(inWorker)
  const took = (to - from) / 1000
  return { took, worker, page: either - worker, waited: took - either }
}

/** Milliseconds that some spans of microseconds cover together. */
function united(spans) {
  let sum = 0
  let until = -Infinity
  for (const [start, end] of spans.sort((a, b) => a[0] - b[0])) {
    sum += Math.max(0, end - Math.max(start, until))
    until = Math.max(until, end)
  }
  return sum / 1000
}

/** The middle of several, said in one line. */
export function whereItWent(several) {
  const of = key => Math.round(several.map(t => t[key]).sort((a, b) => a - b)[Math.floor(several.length / 2)])
  return `worker ${of('worker')}, page ${of('page')}, database and frame ${of('waited')} ms`
}
