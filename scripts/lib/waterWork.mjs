// What the water budgets name, timed in a worker: the solver at its largest, and a year's forecast of sixty tanks.
import { parentPort } from 'node:worker_threads'
import { groupOf } from '#core/groups'
import { saltIds } from '#core/records'
import {
  completeAnalysis,
  correctionGoals,
  doseOf,
  forecastBox,
  learnHabits,
  planRecipe,
  pureWater,
  readoutsOf,
  solveChange,
} from '#core/water'

const salts = saltIds.filter(id => id !== 'seaSalt')
const mix = { by: 'mix', ghDh: 33, khDh: 4, conductivityUsCm: 1300, caMgByMass: 3 }
const waters = [
  [0, 0, 5],
  [17, 5, 560],
  [0.2, 0.1, 18],
  [9, 4, 300],
  [3, 2, 110],
  [24, 14, 900],
].map(([ghDh, khDh, conductivityUsCm]) => completeAnalysis({ ghDh, khDh, conductivityUsCm }).water)
const sources = waters.map((water, i) => ({ id: `source ${i}`, water }))
const shelf = [...salts.map(salt => ({ by: 'salt', salt })), mix].map((content, i) => ({
  id: `salt ${i}`,
  dose: doseOf(content),
}))
const { targets } = groupOf('neocaridina')
const step = { ghDh: 1.2, khDh: 0.8, conductivityUsCm: 60 }
const tankAt = i =>
  completeAnalysis({ ghDh: 3 + (i % 12), khDh: 1 + (i % 7), conductivityUsCm: 120 + 30 * (i % 12) }).water

const middle = times => times.sort((a, b) => a - b)[Math.floor(times.length / 2)]
/** Median milliseconds of a piece of work, after a few runs to warm up. */
function time(runs, work) {
  for (let i = 0; i < 5; i++) work(i)
  return middle(
    Array.from({ length: runs }, (_, i) => {
      const start = performance.now()
      work(i)
      return performance.now() - start
    }),
  )
}

const question = i => {
  const tank = tankAt(i)
  return {
    tank,
    netL: 52,
    changeL: 5.2,
    goals: correctionGoals(readoutsOf(tank), targets, 'minerals'),
    sources,
    doses: shelf.map(s => ({ dose: s.dose })),
    step,
  }
}
const bench = { scaleStepG: 0.01, jugStepL: 0.1 }
const oneChange = time(60, i => solveChange(question(i), bench))
const whole = time(30, i => {
  const q = question(i)
  planRecipe({
    tank: q.tank,
    netL: 52,
    changeL: 5.2,
    everyDays: 7,
    goals: q.goals,
    largestStepPerWeek: step,
    sources,
    shelf,
    bench,
  })
})

// sixty tanks, each with two years of logged tests behind it, learnt and forecast for a year
const WEEK_MS = 7 * 86_400_000
const stories = Array.from({ length: 60 }, (_, t) => ({
  readings: new Map(
    [
      ['khDh', 4],
      ['ghDh', 7],
      ['conductivityUsCm', 280],
    ].map(([key, level]) => [
      key,
      Array.from({ length: 104 }, (_, w) => ({
        entryId: '',
        at: (w - 104) * WEEK_MS,
        value: level - (0.01 * w * level) / 10 + 0.2 * Math.sin(w + t),
        sd: 0.3,
        method: 'liquidKit',
      })),
    ]),
  ),
  present: tankAt(t),
  events: [],
  jumps: [],
}))
const year = time(9, () => {
  for (const [t, story] of stories.entries()) {
    const { driftPerWeek } = learnHabits(story, 0)
    forecastBox(
      story.present,
      50,
      {
        evaporationLPerDay: 0.3,
        topUp: { ...pureWater },
        change: { litres: 5, everyDays: 7, water: waters[1], firstInDays: 3 },
        nitrateMgLPerWeek: 4,
        carbonateGL: t % 3 ? 0 : 12,
        soilAgeWeeks: t % 5 ? null : 20,
        driftPerWeek: { khDh: driftPerWeek.khDh?.value },
      },
      365,
    )
  }
})
parentPort.postMessage({ oneChange, whole, year })
