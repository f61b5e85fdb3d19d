// What is computed without a page: chemistry, schedule, numbers.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { inWorker } from '../lib/inWorker.mjs'
import { root } from '../lib/prepare.mjs'
import { ms } from './tools.mjs'

/** What this machine does today, so that runs can be compared: it is shared, and twice as slow at times. */
export async function machine({ browser, note }) {
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

/** The chemistry alone, in a worker of its own. */
export async function water({ note }) {
  const { oneChange, whole, year } = await inWorker('scripts/lib/waterWork.mjs')
  note('Recipe for one change, 6 sources × 10 salts', `${oneChange.toFixed(1)} ms`, '< 10 ms')
  note('  the whole staged plan', `${whole.toFixed(1)} ms`)
  note('A year’s forecast for 60 tanks, habits learnt from 312 readings each', ms(year), '< 300 ms')
}

/** The schedule alone, in a worker of its own. */
export async function care({ note }) {
  const { schedule, items, entries } = await inWorker('scripts/lib/careWork.mjs')
  note(`Schedule of 60 colonies × 5 years, ${entries} entries to ${items} items`, ms(schedule), '< 150 ms')
}

/**
 * The numbers alone, in a worker of their own; and the same futures written plainly in NumPy, where it is installed.
 */
export async function numbers({ note }) {
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
