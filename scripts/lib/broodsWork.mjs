// What the budget of broods names, timed in a worker: a colony of three years, looked at each week, of which the looks
// do not tell when its broods began.
import { parentPort } from 'node:worker_threads'
import { colonyBroods, EGG_ROOMS, hatchLaw } from '#core/broods'
import { resolveGroup } from '#core/groups'
import { thermalClock } from '#core/warmth'
import { cohortsOf } from '../../core/broods/cohorts'

const DAY_MS = 86_400_000
const NOW = Date.parse('2026-11-25T12:00:00.000Z')
const colony = { id: 'c', groupId: 'neocaridina', schools: {}, targets: {}, life: {} }
const resolved = resolveGroup(colony)
const weeks = 156
const entries = Array.from({ length: weeks }, (_, week) => {
  const at = new Date(NOW - (weeks - week) * 7 * DAY_MS).toISOString()
  return { id: `e${week}`, at, loggedAt: at, colonyId: 'c', kind: 'berried', number: 4 + (week % 9), eyed: week % 3 }
})
const readings = Array.from({ length: weeks }, (_, week) => ({
  at: NOW - (weeks - week) * 7 * DAY_MS,
  value: 23 + Math.sin(week / 9),
}))
const rooms = Array.from({ length: EGG_ROOMS }, (_, room) => 2 + (room % 3))
const law = hatchLaw(resolved)
const clock = thermalClock({ readings, law, nowMs: NOW })

/** The middle of many runs, after some that are not counted. */
function time(work) {
  const times = Array.from({ length: 40 }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  })
  return times.slice(10).sort((a, b) => a - b)[15]
}
parentPort.postMessage({
  cohorts: time(() => cohortsOf(rooms, law, { clock, nowMs: NOW })),
  broods: time(() => colonyBroods({ resolved, entries, temperatures: readings, rooms, nowMs: NOW })),
  looks: weeks,
  readings: weeks,
})
