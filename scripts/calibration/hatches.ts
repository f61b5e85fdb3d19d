import { randomGamma, randomNormal, randomPoisson, randomUniform } from 'd3-random'
import { type BatchTold, readBatch } from '#core/batches'
import { groupOf, resolveGroup } from '#core/groups'
import { DAY_MS, type Entry, toMoment } from '#core/records'
import { hashText, quantileSorted, seededRandom, streamAt } from '#core/stats'

/** What was told of one hatch on one day, held against its truth. */
export interface HatchResult {
  groupId: string
  /** samples or counts that were taken by then */
  looks: number
  /** how many are there; how many will be there of the last stage in all; when half of them are */
  alive: Held
  total: Held
  half: Held
}
interface Held {
  held: boolean
  /** on the log scale, or in days for a day */
  off: number
  width: number
}

const NOW = Date.UTC(2026, 10, 25, 9)
const GROUPS = ['amphidromous-shrimp', 'nerite-snail', 'pool-branchiopod'] as const

/**
 * Hatches that do not live by the fitted law: each animal passes its molts one by one, each of gamma length, so that
 * the spread grows on the way; losses come in bad days that hit all at once beside a daily loss that falls with age;
 * jugs are filled roughly, dip into clouds, and one animal in fifteen is put into a neighbouring stage; keepers pick
 * unevenly, or not for a week.
 */
export const rearHatches = (seeds: readonly number[]): HatchResult[] =>
  seeds.flatMap(seed =>
    GROUPS.flatMap((groupId, g) => [0, 1, 3, 6].flatMap(n => rearOne(streamAt(seed, g, n), groupId, n))),
  )

interface Life {
  /** days after the hatch at which each molt is passed, the last one settled or grown */
  passed: number[]
  dies: number
  out: number
}

function rearOne(seed: number, groupId: string, many: number): HatchResult[] {
  const random = seededRandom(hashText(`hatches ${seed}`))
  const normal = randomNormal.source(random)(0, 1)
  const uniform = randomUniform.source(random)
  const larvae = groupId !== 'pool-branchiopod'
  const { stages } = groupOf(groupId)
  const form = larvae ? ('rearing' as const) : ('batch' as const)
  const resolved = resolveGroup({ groupId, schools: {}, targets: {}, life: {}, form })
  const celsius = middleOf(resolved.targets.temperatureC!.preferred) + uniform(-2, 2)()
  const warmth = stages.q10.value ** ((celsius - middleOf(resolved.targets.temperatureC!.preferred)) / 10)
  const whole = larvae ? 7 * stages.firstWeeks.value : 7 * (stages.firstWeeks.value + stages.youngWeeks.value)
  const pace = Math.exp(0.18 * normal()) / warmth
  const wait = larvae ? 0 : Math.exp(Math.log(1.8) + 0.3 * normal()) / warmth
  const age = uniform(0.25, 1.15)() * whole * pace
  const hatched = Math.round(larvae ? stages.broodSize.value * Math.exp(0.7 * normal()) : 30 * Math.exp(normal()))
  if (hatched < 3) return []
  const lives = livesOf({ hatched, whole, pace, larvae, warmth, groupId }, random)
  const net = larvae ? 9.6 : 8
  const bornMs = NOW - age * DAY_MS
  const beganMs = larvae ? bornMs + uniform(0, 1)() * DAY_MS : bornMs - wait * DAY_MS
  const colonyId = '019bc41a-0c00-7000-8000-000000000001'
  const entry = (at: number, rest: object) =>
    ({ id: colonyId, at: toMoment(at), loggedAt: toMoment(at), colonyId, ...rest }) as unknown as Entry
  const entries: Entry[] = []
  if (larvae)
    pickOut(lives, age, random, (day, number) =>
      entries.push(entry(bornMs + day * DAY_MS, { kind: 'removal', number })),
    )
  for (let i = 0; i < many; i++) {
    const day = age - ((many - 1 - i) * age * 0.85) / many - uniform(0, 1.5)()
    if (day < 0.3) continue
    const look = larvae ? jug(lives, day, 0.5 / net, random) : roughCount(lives, day, random)
    if (look) entries.push(entry(bornMs + day * DAY_MS, look))
  }
  entries.sort((a, b) => (a.at < b.at ? -1 : 1))
  const told = readBatch({
    ...{ resolved, entries, netL: net, nowMs: NOW },
    colony: { id: colonyId, form, founders: NOBODY, startedAt: toMoment(beganMs) },
    temperatures: [30, 20, 10, 1].map(d => ({ at: NOW - d * DAY_MS, value: celsius })),
  })!.told
  return [{ groupId, looks: many, ...against(told, { lives, age, bornMs }) }]
}
const NOBODY = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 }

/** What was told, held against the animals themselves. */
function against(told: BatchTold, { lives, age, bornMs }: { lives: readonly Life[]; age: number; bornMs: number }) {
  const ends = lives.filter(l => l.dies > l.passed.at(-1)!)
  const alive = lives.filter(l => l.dies > age && l.out > age).length
  const left = ends.filter(l => l.out > age).length
  const days = (ms: number) => (ms - bornMs) / DAY_MS
  const come = ends.map(l => l.passed.at(-1)!).sort((a, b) => a - b)
  const half = come.length > 0 ? quantileSorted(come, 0.5) : Number.NaN
  const when = told.arrive.half
  return {
    alive: number(told.alive, alive),
    total: number(told.toCome, left),
    half: when
      ? {
          held: days(when.low) <= half && half <= days(when.high),
          off: days(when.value) - half,
          width: (when.high - when.low) / DAY_MS,
        }
      : { held: Number.isNaN(half), off: Number.NaN, width: Number.NaN },
  }
}

const middleOf = ([a, b]: readonly [number, number]) => (a + b) / 2
/** A range of whole animals holds a number that it rounds to. */
const number = ({ low, high, value }: { low: number; high: number; value: number }, truth: number): Held => ({
  held: Math.floor(low + 0.5) <= truth && truth <= Math.ceil(high - 0.5),
  off: Math.log((value + 0.5) / (truth + 0.5)),
  width: Math.log((high + 0.5) / (low + 0.5)),
})

interface Brood {
  hatched: number
  whole: number
  pace: number
  larvae: boolean
  warmth: number
  groupId: string
}
/** Animals one by one: gamma molts, a loss that falls with age, bad days for all, and a life's end in pools. */
function livesOf({ hatched, whole, pace, larvae, warmth, groupId }: Brood, random: () => number): Life[] {
  const normal = randomNormal.source(random)(0, 1)
  const molts = larvae ? 9 : 6
  // their sum spreads by about a ninth
  const gamma = randomGamma.source(random)(9, (whole * pace) / (9 * molts))
  const { larvae: figures, dryEggs, stages } = groupOf(groupId)
  const usual = larvae ? figures!.survive.value : dryEggs!.growUp.value
  const loss = -Math.log(usual) * Math.exp(0.5 * normal())
  const badDays = Array.from({ length: randomPoisson.source(random)(1.2)() }, () => ({
    day: random() * whole * pace,
    share: 0.1 + 0.3 * random(),
  }))
  const life = 7 * stages.adultWeeks.value * Math.exp(0.2 * normal())
  return Array.from({ length: hatched }, () => {
    let day = 0
    const passed = Array.from({ length: molts }, () => (day += gamma()))
    // half of the loss in the first third of the way
    const u = -Math.log(random()) / loss
    const share = u < 0.5 ? (u / 0.5) * (1 / 3) : u < 1 ? 1 / 3 + ((u - 0.5) / 0.5) * (2 / 3) : Infinity
    const ownEnd = passed.at(-1)!
    const late = larvae
      ? -Math.log(random()) / 0.03
      : Math.min((life / warmth) * Math.exp(0.22 * normal()), -Math.log(random()) / 0.02)
    let dies = share === Infinity ? ownEnd + late : share * ownEnd
    for (const bad of badDays) if (bad.day < dies && bad.day < ownEnd && random() < bad.share) dies = bad.day
    return { passed, dies, out: Infinity }
  })
}

/** Settled ones are picked every second or third day, most of those that are seen; sometimes not for a week. */
function pickOut(lives: Life[], age: number, random: () => number, write: (day: number, number: number) => void) {
  for (let day = 12; day < age; day += random() < 0.15 ? 7 : 2 + random()) {
    let number = 0
    const share = 0.4 + 0.5 * random()
    for (const l of lives)
      if (l.out === Infinity && l.passed.at(-1)! < day && l.dies > day && random() < share) {
        l.out = day
        number++
      }
    if (number > 0) write(day, number)
  }
}

/** A jug: filled roughly, dipped into clouds, some put into a neighbouring stage. */
function jug(lives: readonly Life[], day: number, share: number, random: () => number) {
  const normal = randomNormal.source(random)(0, 1)
  const own = Math.min(0.9, share * Math.exp(0.1 * normal() + 0.35 * normal()))
  const stages = ['early', 'middle', 'late', 'settled'] as const
  const sample = { early: 0, middle: 0, late: 0, settled: 0 }
  for (const l of lives) {
    if (l.dies < day || l.out < day || random() > own) continue
    const molts = l.passed.filter(p => p < day).length
    let stage = Math.min(3, Math.floor(molts / 3))
    if (random() < 1 / 15) stage = Math.min(3, Math.max(0, stage + (random() < 0.5 ? 1 : -1)))
    sample[stages[stage]!]++
  }
  return Object.values(sample).some(n => n > 0) ? { kind: 'larvae', sample, sampleL: 0.5 } : null
}

/** A pool is counted by eye. */
function roughCount(lives: readonly Life[], day: number, random: () => number) {
  const there = lives.filter(l => l.dies > day).length
  const number = Math.round(there * Math.exp(0.35 * randomNormal.source(random)(0, 1)()))
  return { kind: 'count', method: 'estimate', number }
}

/** One row of the table: how often the ranges hold, how wide they are, and how far their middles lean. */
export function summariseHatches(results: readonly HatchResult[]) {
  const of = (key: 'alive' | 'total' | 'half') => {
    const some = results.map(r => r[key]).filter(h => Number.isFinite(h.off))
    const middle = (what: 'off' | 'width') =>
      some.length > 0
        ? quantileSorted(
            some.map(h => h[what]).sort((a, b) => a - b),
            0.5,
          )
        : Number.NaN
    return {
      held: some.filter(h => h.held).length / some.length,
      off: middle('off'),
      width: middle('width'),
    }
  }
  return { n: results.length, alive: of('alive'), total: of('total'), half: of('half') }
}
