// What the budgets of the numbers name, timed in a worker: futures, fit, fit resumed, what a stop waits for, and
// memory.
import { parentPort } from 'node:worker_threads'
import { preferredC, resolveGroup } from '#core/groups'
import { CHUNK, liveChunk } from '#core/outlook'
import { stageModel, spreadsOf, stageRates } from '#core/population'
import { fitPopulation } from '../../core/population/fit'
import { openingCloud } from '../../core/population/checkpoint'
import { liveFutures } from '../../core/population/futures'
import { questionOf } from '#core/statements'

const DAY_MS = 86_400_000
const NOW = Date.parse('2026-11-25T12:00:00.000Z')
const at = days => new Date(NOW - days * DAY_MS).toISOString()
let made = 0
const entry = (days, more) => ({ id: `e${made++}`, at: at(days), loggedAt: at(days), colonyId: 'c', ...more })
const colony = {
  id: 'c',
  groupId: 'neocaridina',
  schools: {},
  targets: {},
  life: {},
  startedAt: at(730),
  founders: { females: 12, males: 8, unsexed: 0, halfGrown: 0, young: 0 },
}
const glass = { grossL: 60, fill: { by: 'netLitres', netL: 50 } }
/** Two years: forty counts and three hundred others. */
const truth = days => 400 / (1 + 19 * Math.exp((-0.06 * (730 - days)) / 7))
const entries = [
  ...Array.from({ length: 40 }, (_, i) =>
    entry(720 - 18 * i, {
      kind: 'count',
      method: 'allSeen',
      number: Math.round(0.88 * truth(720 - 18 * i) * (1 + 0.1 * Math.sin(7 * i))),
    }),
  ),
  ...Array.from({ length: 100 }, (_, i) =>
    entry(725 - 7.2 * i, { kind: 'berried', number: Math.round(0.12 * truth(725 - 7.2 * i)) }),
  ),
  ...Array.from({ length: 100 }, (_, i) => entry(722 - 7.2 * i, { kind: 'young', amount: i % 3 ? 'few' : 'many' })),
  ...Array.from({ length: 60 }, (_, i) => entry(718 - 12 * i, { kind: 'death', number: 1, sign: 'unknown' })),
  ...Array.from({ length: 40 }, (_, i) =>
    entry(700 - 17 * i, { kind: 'removal', number: i > 15 ? 8 : 1, outlet: 'sold' }),
  ),
].sort((a, b) => (a.at < b.at ? -1 : 1))

const middle = times => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]
function time(runs, work, of = middle) {
  work()
  return of(
    Array.from({ length: runs }, () => {
      const start = performance.now()
      work()
      return performance.now() - start
    }),
  )
}

const question = questionOf(colony, glass, { entries }, NOW)
const fit = time(5, () => fitPopulation(question, 4000))
const before = fitPopulation(question, 4000)
const more = {
  ...question,
  events: [...question.events, { kind: 'young', entryId: 'new', at: NOW - 1000, amount: 'few' }],
}
const resumed = time(9, () => fitPopulation(more, 4000, before))
const start = { cloud: before.cloud, size: before.size }
const futures = time(5, () => liveFutures({ start, size: 10_000, weeks: 52, rates: question.rates, seed: 7 }))
const colonyFit = stageModel.fit(question, { particles: 4000 })
const model = { rates: question.rates, doing: {} }
const chunk = time(9, () => liveChunk(colonyFit, model, { chunk: 1, weeks: 52, size: CHUNK }))

// memory: the same work over and over
const megabytes = () => {
  const { heapUsed, arrayBuffers } = process.memoryUsage()
  return (heapUsed + arrayBuffers) / 1e6
}
const after = []
for (let i = 0; i < 24; i++) {
  fitPopulation(question, 4000)
  liveFutures({ start, size: 10_000, weeks: 52, rates: question.rates, seed: i })
  if (i === 7 || i === 23) after.push(megabytes())
}

// what C and NumPy are asked too: the same group, a small colony, the same rates
const resolved = resolveGroup(colony)
const rates = stageRates(resolved, { temperatureC: preferredC(resolved), capacity: 500 })
const spreads = spreadsOf(resolved, rates)
const founders = { females: 40, males: 35, unsexed: 0, halfGrown: 40, young: 40 }
const small = { cloud: openingCloud({ seed: 7, founders, rates, spreads }, 10_000), size: 10_000 }
const lived = () => liveFutures({ start: small, size: 10_000, weeks: 52, rates, seed: 7 })
const same = time(5, lived, times => Math.min(...times))
const ends = lived().totals.slice(-10_000).sort()
parentPort.postMessage({
  fit,
  resumed,
  futures,
  same,
  sameMedian: ends[5_000],
  chunk,
  chunkSize: CHUNK,
  memory: after,
  entries: entries.length,
  rates,
  spreads,
})
