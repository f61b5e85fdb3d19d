// What is computed without a page: chemistry, schedule, numbers.
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
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

/** Broods alone, in a worker of their own. */
export async function cohorts({ note }) {
  const w = await inWorker('scripts/lib/broodsWork.mjs')
  note('Broods: cohorts of one colony, from the rooms of its fit', `${w.cohorts.toFixed(1)} ms`, '< 10 ms')
  note(`Broods: all of one colony, ${w.looks} looks and ${w.readings} temperatures`, `${w.broods.toFixed(1)} ms`)
}

/** Lines alone, in a worker of their own. */
export async function lines({ note }) {
  const w = await inWorker('scripts/lib/linesWork.mjs')
  note(`Lines: kinship of ${w.animals} animals`, ms(w.kinship), '< 100 ms')
  note('Lines: fit of 10 generations of 200 graded by two keepers', ms(w.fit), '< 200 ms')
  note('Lines: a choice in the trays, with four generations ahead', ms(w.choice), '< 50 ms')
  note('Lines: the whole curve of choices', ms(w.curve))
}

/**
 * The numbers alone, in a worker of their own; and the same futures written plainly in C and in NumPy, in one run,
 * because this machine is not as fast at every hour.
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
  const small = { ...w, futures: 10_000, weeks: 52 }
  note('Numbers: the same for a small colony, best of five', ms(w.same))
  note('  median at the end', w.sameMedian)
  compared(note, w.same, { where: 'plain C', aim: '≤ 1.6 times', ...inC(small) })
  compared(note, w.same, { where: 'NumPy', aim: '≤ 0.6 times', ...inNumPy(small) })
}

/** How long the same futures take elsewhere, beside ours. */
function compared(note, ours, { where, aim, ms: theirs, median, why }) {
  if (theirs === undefined) return note(`  in ${where}`, 'not here', why)
  note(`  in ${where}, best of three`, ms(theirs))
  note('  median at the end', median)
  note(`  ours to ${where}`, (ours / theirs).toFixed(2), aim)
}

/** The same futures in C, where the system has a compiler. */
function inC({ rates: r, spreads: s, futures, weeks }) {
  const folder = mkdtempSync(join(tmpdir(), 'ulkin-bench-c-'))
  try {
    const program = join(folder, 'futures')
    const made = spawnSync('cc', ['-O2', '-o', program, join(root, 'scripts/lib/futures.c'), '-lm'])
    if (made.status !== 0) return { why: 'install a C compiler to compare' }
    const asked = [r.capacity, r.femaleShare, r.firstLeave, r.youngLeave, r.firstHazard, r.youngHazard]
    asked.push(r.adultHazard, r.broods, r.broodSize, r.comeUp, r.holds, s.recruits, s.losses, s.room)
    asked.push(r.eggs.start.length, ...r.eggs.start, r.eggs.hop.length, ...r.eggs.hop)
    return JSON.parse(spawnSync(program, { input: [futures, weeks, ...asked].join('\n'), encoding: 'utf8' }).stdout)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

/** The same futures in NumPy, where it is installed. */
function inNumPy({ rates, spreads, futures, weeks }) {
  const python = ['python3', '/usr/bin/python3'].find(p => spawnSync(p, ['-c', 'import numpy']).status === 0)
  if (!python) return { why: 'install python3-numpy to compare' }
  const ran = spawnSync(python, [join(root, 'scripts/lib/futures.py')], {
    input: JSON.stringify({ rates, spreads, futures, weeks }),
    encoding: 'utf8',
  })
  return ran.status === 0 ? JSON.parse(ran.stdout) : { why: ran.stderr.trim().split('\n').at(-1) }
}
