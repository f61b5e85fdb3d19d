import { WEEK_MS } from '#core/records'
import { Z80 } from '#core/stats'
import type { Fit } from './fit'
import type { FittedColony } from './fitted'
import { type Doing, type Floors, FUTURE_WEEKS, futureFan } from './futures'
import { asThingsAre, largestTake, type TakeSearch } from './largestTake'
import { looksAhead } from './looks'
import { spread80 } from './particles'
import { summarise } from './projectionMatrix'
import type { Learnt, PopulationAnswer, PopulationQuestion, Range } from './question'
import { meanStep, type StageRates } from './rates'
import {
  counted,
  FEMALES,
  LOSSES,
  MALES,
  MOOD,
  RECRUITS,
  ROOM,
  SEEN,
  SIGHT,
  stageRows,
  STAGES,
  type StageName,
  YOUNG_1,
  YOUNG_2,
} from './stages'
import { crowded, MOOD_WEEKS } from './step'

/** Name and version of the model; a stored answer of another version is computed anew. */
export const MODEL = 'stages/1'

/** Possible colonies in a fit, and futures in a fan, wherever the app does not say otherwise. */
export const PARTICLES = 1200
export const FUTURES = 300

const LOG = { kind: 'log' } as const

/** A direction is told when so many of the possible colonies take it: four in five, as in a likely range. */
export const SURE = 0.8

/** Animals logged as dead after a moment. */
export function deathsSince({ steps }: Pick<PopulationAnswer, 'steps'>, sinceMs: number): number {
  return steps.reduce((sum, s) => (s.death && s.at > sinceMs ? sum - s.change : sum), 0)
}

/**
 * Weeks of logged deaths that the futures look back on, and the share of ordinary deaths that anybody finds (from
 * memory).
 */
const DYING_WEEKS = 12
const FOUND = 0.3

/** Logged deaths beyond those that a colony of this size brings anyway, per animal and week. */
export function dyingPerWeek(question: PopulationQuestion, n: number): number {
  let deaths = 0
  for (const e of question.events)
    if (e.kind === 'step' && e.death && e.at <= question.nowMs && e.at > question.nowMs - DYING_WEEKS * WEEK_MS)
      deaths -= e.change
  const usual = ((FOUND * question.rates.adultHazard) / question.rates.dtWeeks) * n * DYING_WEEKS
  return Math.min(0.2, Math.max(0, deaths - usual) / DYING_WEEKS / Math.max(n, 1))
}

/**
 * Answers how many there are, how they grow, what the coming weeks may bring and how many can go today. Ranges are 80 %
 * ranges.
 * @param question the colony's log and defaults
 * @param fit of the same question
 * @param colony the same, as others see it: takes are searched on its futures
 */
export function answerPopulation(question: PopulationQuestion, fit: Fit, colony: FittedColony): PopulationAnswer {
  const { rates, nowMs } = question
  const { cloud, size } = fit
  const ranged = (value: (i: number) => number) => rangeOver(fit, value)
  const now = numberNow(fit)
  const row = (r: number, i: number) => cloud[r * size + i]!
  const stages = Object.fromEntries(
    (Object.keys(stageRows) as StageName[]).map(name => [
      name,
      ranged(i => stageRows[name].reduce((sum, r) => sum + row(r, i), 0)),
    ]),
  ) as Record<StageName, Range>
  const dying = dyingPerWeek(question, now.value)
  const doing = { dyingPerWeek: dying }
  const floors = floorsOf(question, stages.females)
  const search = takeSearch({ colony, doing, now: now.value }, floors, question.allowedRisk)
  const futures = asThingsAre(search)
  const surplus = largestTake(search, 'any', futures)

  const growth = growthAhead(fit, rates, dying)
  const clear = growth.rising > SURE || growth.rising < 1 - SURE
  const rate = Math.log1p(growth.value)
  const capacity = rates.capacity * Math.exp(ranged(i => row(ROOM, i)).value)
  const middle = {
    recruits: ranged(i => row(RECRUITS, i)).value,
    losses: ranged(i => row(LOSSES, i)).value,
    mood: ranged(i => row(MOOD, i)).value,
  }
  const present = crowded(rates, middle.recruits, middle.mood, middle.losses, now.value, capacity)
  const sd = Math.log(Math.max(now.high, 0.5) / Math.max(now.low, 0.5)) / (2 * Z80)
  const count =
    (1 - question.fullCount.share) / Math.max(1, now.value * question.fullCount.share) +
    question.fullCount.sdLog ** 2 +
    question.spreads.seen ** 2
  const narrowed = sd > 0 ? Math.sqrt((sd * sd * count) / (sd * sd + count)) : 0

  return {
    model: MODEL,
    leftOutBefore: question.leftOutBefore ?? null,
    now: { ...now, level: 0.8, basis: LOG },
    stages,
    broods: ranged(i => Math.round(stageRows.eggs.reduce((sum, r) => sum + row(r, i), 0) / rates.broodSize)),
    growthPerWeek: { value: growth.value, low: growth.low, high: growth.high, level: 0.8, basis: LOG },
    rising: growth.rising,
    recent: recentChange(question, fit),
    doublingWeeks: clear && rate > 0 ? Math.LN2 / rate : null,
    halvingWeeks: clear && rate < 0 ? -Math.LN2 / rate : null,
    ownEvidence: ownEvidence(fit, rates),
    learnt: learnt(fit, question),
    matrix: summarise({ ...rates, broods: Math.min(1, rates.broods * present.broods) }, present.comeUp, present.loss),
    path: fit.path,
    fan: futureFan(futures.totals, futures, nowMs),
    counts: fit.counts,
    steps: question.events.flatMap(e =>
      e.kind === 'step' && e.at <= nowMs ? [{ entryId: e.entryId, at: e.at, change: e.change, death: e.death }] : [],
    ),
    capacity,
    temperatureC: question.temperatureC,
    surplus: {
      take: surplus.take,
      minimumKeep: question.minimumKeep,
      minimumFemales: floors.females,
      limit: surplus.limit,
      riskNow: surplus.riskNow,
      riskAfter: surplus.riskAfter,
      allowedRisk: question.allowedRisk,
    },
    ifCountedToday: { low: now.value * Math.exp(-Z80 * narrowed), high: now.value * Math.exp(Z80 * narrowed) },
    looks: looksAhead(question, fit, futures),
    fit: {
      logLikelihood: fit.logLikelihood,
      effective: fit.effective,
      particles: size,
      disagreement: disagreement(fit),
    },
  }
}

/** Middle and likely range of a value over the colonies of a fit. */
export const rangeOver = ({ size }: Pick<Fit, 'size'>, value: (i: number) => number): Range =>
  spread80(Float64Array.from({ length: size }, (_, i) => value(i)).sort())
/** How many there are today. */
export const numberNow = (fit: Pick<Fit, 'cloud' | 'size'>): Range =>
  rangeOver(fit, i => counted(fit.cloud, fit.size, i))

/** What a search for takes stands on: the colony, what is done anyway, and the number today. */
export interface TakeBasis {
  colony: FittedColony
  doing: Doing
  now: number
}
/** The search for takes of one colony. Half an animal of grace: the model's floors are not whole, the keeper's are. */
export function takeSearch({ colony, doing, now }: TakeBasis, floors: Floors, allowedRisk: number): TakeSearch {
  return {
    colony,
    futures: FUTURES,
    weeks: FUTURE_WEEKS,
    doing,
    floors: { total: floors.total - 0.5, females: floors.females - 0.5 },
    allowedRisk,
    most: Math.max(0, Math.round(now - floors.total)),
  }
}

/** What must stay: the keeper's number of females binds always, the default one only a colony that has so many. */
export function floorsOf(
  question: Pick<PopulationQuestion, 'minimumKeep' | 'minimumFemales' | 'femalesAreOwn'>,
  females: Range,
): Floors {
  return {
    total: question.minimumKeep,
    females: question.femalesAreOwn || females.low >= question.minimumFemales ? question.minimumFemales : 0,
  }
}

/** Weeks over which growth is told, and colonies that are lived ahead for it. */
const GROWTH_WEEKS = 8
const GROWTH_COLONIES = 200

/**
 * Growth per week over the coming weeks, colony by colony, without the chance of births and deaths: what differs is
 * what
 * is not known of numbers, stages, rates and mood.
 */
function growthAhead(
  fit: Fit,
  r: StageRates,
  dying: number,
): Range & { /** share of the colonies that grow */ rising: number } {
  const { cloud, size } = fit
  const many = Math.min(GROWTH_COLONIES, size)
  const growth = new Float64Array(many)
  const x = new Float64Array(STAGES)
  const steps = Math.round(GROWTH_WEEKS / r.dtWeeks)
  const numberIn = () => x[YOUNG_1]! + x[YOUNG_2]! + x[FEMALES]! + x[MALES]!
  for (let k = 0; k < many; k++) {
    const i = Math.floor(((k + 0.5) * size) / many)
    for (let s = 0; s < STAGES; s++) x[s] = cloud[s * size + i]!
    const before = numberIn()
    const room = r.capacity * Math.exp(cloud[ROOM * size + i]!)
    for (let step = 0; step < steps; step++) {
      const mood = cloud[MOOD * size + i]! * Math.exp((-step * r.dtWeeks) / MOOD_WEEKS)
      const { comeUp, loss, broods } = crowded(
        r,
        cloud[RECRUITS * size + i]!,
        mood,
        cloud[LOSSES * size + i]!,
        numberIn(),
        room,
      )
      meanStep(x, dying > 0 ? { ...r, adultHazard: r.adultHazard + (dying * r.dtWeeks) / loss } : r, {
        comeUp,
        loss,
        broods,
      })
    }
    growth[k] = before > 0 ? (Math.max(numberIn(), 0.01) / before) ** (1 / GROWTH_WEEKS) - 1 : 0
  }
  return { ...spread80(growth.sort()), rising: growth.filter(g => g > 0).length / many }
}

/**
 * Change per week over the last eight weeks of the estimate, with what came and went put back; the spread is that of
 * both ends.
 */
function recentChange({ events, nowMs }: PopulationQuestion, { path }: Fit): PopulationAnswer['recent'] {
  const now = path.at(-1)!
  const then = path.findLast(p => p.at <= nowMs - GROWTH_WEEKS * WEEK_MS)
  if (!then) return null
  const weeks = (nowMs - then.at) / WEEK_MS
  let moved = 0
  for (const e of events)
    if (e.kind === 'step' && !e.death && !e.hatched && e.at > then.at && e.at <= nowMs) moved += e.change
  const log = (n: number) => Math.log(Math.max(n, 0.5))
  const change = log(now.p50 - moved) - log(then.p50)
  const sd = (b: typeof now) => (log(b.p90) - log(b.p10)) / (2 * Z80)
  const wide = Z80 * Math.hypot(sd(now), sd(then))
  const perWeek = (x: number) => Math.expm1(x / weeks)
  return {
    perWeek: { value: perWeek(change), low: perWeek(change - wide), high: perWeek(change + wide) },
    weeks,
    from: then.p50,
    moved,
  }
}

/** Share of the variance of growth that the log has taken away. */
function ownEvidence(fit: Fit, r: StageRates): number {
  const { cloud, size, spreads } = fit
  const prior = (r.growthByRecruits * spreads.recruits) ** 2 + (r.growthByLosses * spreads.losses) ** 2
  if (!(prior > 0)) return 0
  let sum = 0
  let squares = 0
  for (let i = 0; i < size; i++) {
    const g = r.growthByRecruits * cloud[RECRUITS * size + i]! + r.growthByLosses * cloud[LOSSES * size + i]!
    sum += g
    squares += g * g
  }
  const variance = squares / size - (sum / size) ** 2
  return Math.min(1, Math.max(0, 1 - variance / prior))
}

function learnt(fit: Fit, { spreads }: PopulationQuestion): Learnt[] {
  const { cloud, size } = fit
  return (
    [
      ['recruits', RECRUITS],
      ['losses', LOSSES],
      ['room', ROOM],
      ['seen', SEEN],
      ['sight', SIGHT],
    ] as const
  ).flatMap(([name, row]) => {
    if (spreads[name] === 0) return []
    const sorted = Float64Array.from({ length: size }, (_, i) => Math.exp(cloud[row * size + i]!)).sort()
    return [
      {
        name,
        now: spread80(sorted),
        before: { value: 1, low: Math.exp(-Z80 * spreads[name]), high: Math.exp(Z80 * spreads[name]) },
      },
    ]
  })
}

/** Of so many of the last counts as this not believed, something is amiss. */
const DOUBTED = 0.3

function disagreement(fit: Fit): PopulationAnswer['fit']['disagreement'] {
  const late = fit.counts.slice(-10)
  const doubted = late.filter(c => c.weight === 'none').length
  if (doubted >= 2 && doubted >= DOUBTED * late.length) return 'counts'
  if (fit.jumped > 0.5) return 'jumps'
  if (fit.effective < 0.01 * fit.size) return 'thin'
  return null
}
