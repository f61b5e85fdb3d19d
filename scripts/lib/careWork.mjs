// What the care budget names, timed in a worker: the schedule of sixty colonies from five years of entries.
import { parentPort } from 'node:worker_threads'
import { schedule } from '#core/care'
import { groups, resolveGroup } from '#core/groups'
import { begun, readLog, usualBench } from '#core/records'
import { judgeValue } from '#core/water'

const DAY_MS = 86_400_000
const YEARS = 5
const now = Date.parse('2026-11-25T12:00:00.000Z')
let made = 0
const id = ms => {
  const time = Math.round(ms).toString(16).padStart(12, '0')
  return `${time.slice(0, 8)}-${time.slice(8)}-7000-8000-${(made++).toString(16).padStart(12, '0')}`
}
const entry = (days, more) => {
  const ms = now - days * DAY_MS
  return { id: id(ms), at: new Date(ms).toISOString(), loggedAt: new Date(ms).toISOString(), ...more }
}
const heads = { females: 5, males: 3, unsexed: 0, halfGrown: 0, young: 0 }
const logs = Array.from({ length: 60 }, (_, i) => {
  const glassId = id(now - 2000 * DAY_MS)
  const colonyId = id(now - 2000 * DAY_MS)
  const colony = {
    ...begun(colonyId, now - 2000 * DAY_MS),
    form: 'colony',
    stays: [{ glassId, from: new Date(now - 2000 * DAY_MS).toISOString() }],
    name: `Line ${i}`,
    groupId: groups[i % groups.length].id,
    schools: {},
    startedAt: new Date(now - YEARS * 365 * DAY_MS).toISOString(),
    founders: heads,
    targets: {},
    life: {},
  }
  const glass = {
    ...begun(glassId, now - 2000 * DAY_MS),
    roomId: 'r',
    name: `Glass ${i}`,
    kind: 'tank',
    grossL: 60,
    fill: { by: 'netLitres', netL: 50 },
    place: { rackId: 'k', shelf: 0, position: i },
  }
  const water = []
  const numbers = []
  for (let d = YEARS * 365; d > 0; d--) {
    if (d % 2 === 0)
      water.push(
        entry(d, { kind: 'feeding', glassId, food: 'pellet', portions: 3, eaten: d % 9 ? 'hour' : 'leftOver' }),
      )
    if (d % 7 === i % 7) {
      water.push(
        entry(d, { kind: 'waterChange', glassId, litres: 5 }),
        entry(d, {
          kind: 'waterTest',
          glassId,
          readings: {
            khDh: { value: 4 + Math.sin(d / 40), method: 'liquidKit' },
            ghDh: { value: 7, method: 'liquidKit' },
            temperatureC: { value: 23, method: 'probe' },
          },
        }),
        entry(d, { kind: 'equipment', glassId, found: { intake: 'fine', flow: 'fine' } }),
      )
      numbers.push(
        entry(d, { kind: 'molts', colonyId, number: 3 }),
        entry(d, { kind: 'berried', colonyId, number: d % 3 }),
      )
    }
    if (d % 21 === 0) numbers.push(entry(d, { kind: 'count', colonyId, number: 60, method: 'allSeen' }))
  }
  // a log is corrected now and then
  for (const list of [water, numbers])
    for (const at of [40, 200]) list.push({ ...list[at], id: id(now), supersedes: list[at].id })
  return { colony, glass, water, numbers }
})
const population = {
  value: 60,
  low: 40,
  high: 90,
  ifCounted: { low: 52, high: 70 },
  lastCountMs: now - 30 * DAY_MS,
  firstLook: false,
  asks: false,
}

/** As the app does it: what stands is read from the raw log, verdicts come from the statements. */
function whole() {
  const glasses = logs.map(({ colony, glass, water, numbers }) => {
    const group = resolveGroup(colony)
    const values = ['khDh', 'ghDh', 'temperatureC'].flatMap(key =>
      group.targets[key]
        ? [
            judgeValue({
              key,
              target: group.targets[key],
              readings: [
                {
                  entryId: '',
                  at: now - 5 * DAY_MS,
                  value: group.targets[key].preferred[0],
                  sd: 0.3,
                  method: 'liquidKit',
                },
              ],
              nowMs: now,
            }),
          ]
        : [],
    )
    return {
      glass,
      netL: 50,
      colonies: [{ colony, group, entries: readLog(numbers).standing, numbers: population, values }],
      entries: readLog(water).standing,
    }
  })
  return schedule({ roomId: 'r', glasses, plans: [], bench: usualBench, marks: [], nowMs: now })
}
const times = []
let items = 0
for (let i = 0; i < 12; i++) {
  const start = performance.now()
  items = whole().length
  if (i > 2) times.push(performance.now() - start)
}
times.sort((a, b) => a - b)
parentPort.postMessage({
  schedule: times[Math.floor(times.length / 2)],
  items,
  entries: logs.reduce((s, l) => s + l.water.length + l.numbers.length, 0),
})
