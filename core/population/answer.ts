import { DAY_MS } from '#core/records'
import { Z80 } from '#core/stats'
import { broodsToday } from './broodsToday'
import { crowded } from './crowd'
import { besideMolts, watchDeaths } from './deathWatch'
import type { Fit } from './fit'
import type { FittedColony } from './fitted'
import { type Doing, type Floors, FUTURE_WEEKS, futureFan, grownAhead } from './futures'
import { type Growth, growthAhead, recentChange } from './growth'
import { asThingsAre, largestTake, noTake, type TakeSearch } from './largestTake'
import { learnt, ownEvidence } from './learnt'
import { looksAhead } from './looks'
import { rangeOver } from './particles'
import { summarise } from './projectionMatrix'
import type { JudgedCount, MatrixSummary, PopulationAnswer, PopulationQuestion, Range } from './question'
import { roughened } from './roughened'
import { asksAgain, lossOf } from './unexpected'
import { counted, LOSSES, MOOD, RECRUITS, ROOM, SHAPE, stageRows, type StageName } from './stages'

/** Name and version of the model; a stored answer of another version is computed anew. */
export const MODEL = 'stages/5'

/** How finely a colony is reckoned. */
export interface Grain {
  /** possible colonies in a fit */
  particles: number
  /** futures in a fan, and behind each take that is tried */
  futures: number
  firstLook: boolean
}
/** What is told of a colony wherever the app does not ask for more. */
export const WHOLE: Grain = { particles: 800, futures: 300, firstLook: false }
/**
 * A room that nothing is known of yet is told by few possible colonies first, and without a search for takes: within a
 * tenth of the time. Half of its numbers come within 7 % of the whole ones (docs/science.md).
 */
export const FIRST_LOOK: Grain = { particles: 64, futures: 48, firstLook: true }

const LOG = { kind: 'log' } as const

/** A direction is told when so many of the possible colonies take it: four in five, as in a likely range. */
export const SURE = 0.8

/** Animals logged as dead after a moment. */
export function deathsSince({ steps }: Pick<PopulationAnswer, 'steps'>, sinceMs: number): number {
  return steps.reduce((sum, s) => (s.death && s.at > sinceMs ? sum - s.change : sum), 0)
}

/**
 * Answers how many there are, how they grow, what the coming weeks may bring and how many can go today. Ranges are 80 %
 * ranges.
 * @param question the colony's log and defaults
 * @param fit of the same question
 * @param colony the same, as others see it: takes are searched on its futures, so many as the grain says
 */
export function answerPopulation(
  question: PopulationQuestion,
  fit: Fit,
  { colony, grain }: { colony: FittedColony; grain: Grain },
): PopulationAnswer {
  const { rates, nowMs } = question
  const ranged = (value: (i: number) => number) => rangeOver(fit, value)
  const now = numberNow(fit)
  const stages = stagesNow(fit, rates.broodSize)
  const floors = floorsOf(question, stages)
  const search = takeSearch(
    { colony, doing: { dyingPerWeek: colony.dyingPerWeek() }, nowMs, grain },
    floors,
    question.allowedRisk,
  )
  const futures = asThingsAre(search)
  const growth = growthAhead(futures)
  const capacity = rates.capacity * Math.exp(ranged(i => fit.cloud[ROOM * fit.size + i]!).value)
  const answer: PopulationAnswer = {
    model: MODEL,
    firstLook: grain.firstLook,
    known: question.known !== undefined,
    leftOutBefore: question.leftOutBefore ?? null,
    now: { ...now, level: 0.8, basis: LOG },
    stages,
    broods: broodsToday(fit, question),
    growthPerWeek: { value: growth.value, low: growth.low, high: growth.high, level: 0.8, basis: LOG },
    rising: growth.rising,
    steady: growth.steady,
    recent: recentChange(question, fit),
    ...pace(growth),
    ownEvidence: ownEvidence(fit, rates),
    learnt: learnt(fit, question),
    matrix: grain.firstLook || question.hatch ? null : matrixNow(fit, rates, now.value, capacity),
    path: fit.path,
    fan: futureFan(futures.totals, futures, nowMs),
    grown: { past: fit.grown, ahead: grownAhead(futures, nowMs) },
    counts: fit.counts,
    steps: question.events.flatMap(e =>
      e.kind === 'step' && e.at <= nowMs ? [{ entryId: e.entryId, at: e.at, change: e.change, death: e.death }] : [],
    ),
    capacity,
    roomKnown: roomKnown(fit.path, capacity),
    asks: asksAgain(fit.counts, question.startMs),
    loss: lossOf(question, fit.counts, fit.path),
    deaths: watchDeaths(question, fit.toll),
    deathsBesideMolts: watchDeaths(question, besideMolts(fit.toll)),
    temperatureC: question.temperatureC,
    surplus: surplusOf(
      question,
      floors,
      grain.firstLook || question.hatch ? noTake(search, futures) : largestTake(search, 'any', futures),
    ),
    ifCountedToday: ifCounted(question, now),
    // where each is known no look would tell more
    looks: grain.firstLook || question.known || question.hatch ? [] : looksAhead(question, fit, futures),
    fit: fitOf(fit),
  }
  return grain.firstLook ? roughened(answer) : answer
}

/** Below so much of its room a colony feels too little of it for the log to tell where it ends. */
const FEELS_ROOM = 0.5
const roomKnown = (path: readonly { p50: number }[], capacity: number) => path.some(p => p.p50 > FEELS_ROOM * capacity)

/** Animals of a stage in one possible colony; eggs are broods there. */
const inStage = ({ cloud, size }: Pick<Fit, 'cloud' | 'size'>, stage: StageName, i: number): number =>
  stageRows[stage].reduce((sum, r) => sum + cloud[r * size + i]!, 0)

const stagesNow = (fit: Fit, broodSize: number): Record<StageName, Range> =>
  Object.fromEntries(
    (Object.keys(stageRows) as StageName[]).map(name => [
      name,
      rangeOver(fit, i => inStage(fit, name, i) * (name === 'eggs' ? broodSize : 1)),
    ]),
  ) as Record<StageName, Range>

/** Weeks to twice or half the number, where the direction is sure. */
function pace({ value, rising }: Growth): Pick<PopulationAnswer, 'doublingWeeks' | 'halvingWeeks'> {
  const clear = rising > SURE || rising < 1 - SURE
  const rate = Math.log1p(value)
  return {
    doublingWeeks: clear && rate > 0 ? Math.LN2 / rate : null,
    halvingWeeks: clear && rate < 0 ? -Math.LN2 / rate : null,
  }
}

/** The projection matrix at today's crowding, with the middle of what was learnt. */
function matrixNow(fit: Fit, rates: PopulationQuestion['rates'], n: number, room: number): MatrixSummary {
  const middle = (row: number) => rangeOver(fit, i => fit.cloud[row * fit.size + i]!).value
  const present = crowded(rates, {
    recruits: middle(RECRUITS),
    losses: middle(LOSSES),
    mood: middle(MOOD),
    n,
    room,
    shape: middle(SHAPE),
  })
  return summarise({ ...rates, broods: Math.min(1, rates.broods * present.broods) }, present.comeUp, present.loss)
}

function surplusOf(
  question: PopulationQuestion,
  floors: Floors,
  { take, limit, riskNow, riskAfter, afterCount }: ReturnType<typeof largestTake>,
): PopulationAnswer['surplus'] {
  const { allowedRisk } = question
  const { total: minimumKeep, females: minimumFemales, males: minimumMales } = floors
  return { take, minimumKeep, minimumFemales, minimumMales, limit, riskNow, riskAfter, allowedRisk, afterCount }
}

/** The likely range after one full count today: the two pieces of knowledge on the log scale, by their precisions. */
function ifCounted({ fullCount, spreads }: PopulationQuestion, now: Range): PopulationAnswer['ifCountedToday'] {
  const sd = Math.log(Math.max(now.high, 0.5) / Math.max(now.low, 0.5)) / (2 * Z80)
  const count =
    (1 - fullCount.share) / Math.max(1, now.value * fullCount.share) + fullCount.sdLog ** 2 + spreads.seen ** 2
  const narrowed = sd > 0 ? Math.sqrt((sd * sd * count) / (sd * sd + count)) : 0
  return { low: now.value * Math.exp(-Z80 * narrowed), high: now.value * Math.exp(Z80 * narrowed) }
}

/** How many there are today. */
export const numberNow = (fit: Pick<Fit, 'cloud' | 'size'>): Range =>
  rangeOver(fit, i => counted(fit.cloud, fit.size, i))

/** What a search for takes stands on: the colony, what is done anyway, and the moment. */
export interface TakeBasis {
  colony: FittedColony
  doing: Doing
  nowMs: number
  grain?: Grain
}
/** A count is fresh for so long (from memory). */
const FRESH_DAYS = 14

/** The search for takes of one colony. Half an animal of grace: the model's floors are not whole, the keeper's are. */
export function takeSearch(
  { colony, doing, nowMs, grain = WHOLE }: TakeBasis,
  floors: Floors,
  allowedRisk: number,
): TakeSearch {
  const now = colony.numbers('all')
  return {
    colony,
    futures: grain.futures,
    weeks: FUTURE_WEEKS,
    doing,
    floors: { total: floors.total - 0.5, females: floors.females - 0.5, males: floors.males - 0.5 },
    allowedRisk,
    most: Math.max(0, Math.round(now.value - floors.total)),
    uncounted: freshly(now, colony.counts(), nowMs) ? null : Math.floor(now.value / 2),
  }
}

/**
 * Whether the number is known well enough to take more than half: counted of late and believed, or known one by one.
 */
function freshly(now: Range, counts: readonly JudgedCount[], nowMs: number): boolean {
  const last = counts.at(-1)
  return (
    Math.round(now.low) === Math.round(now.high) ||
    (last !== undefined && last.weight === 'full' && !last.leapt && last.at > nowMs - FRESH_DAYS * DAY_MS)
  )
}

/** One grown male serves so many females (from memory). */
const FEMALES_OF_A_MALE = 4

/**
 * What must stay: the keeper's number of females binds always, the default one only a colony that has so many; and
 * males enough for them, or one at least, where there are so many. Those that breed stay in any case.
 */
export function floorsOf(
  question: Pick<PopulationQuestion, 'minimumKeep' | 'minimumFemales' | 'femalesAreOwn' | 'rates' | 'breeding'>,
  { females, males }: Record<'females' | 'males', Range>,
): Floors {
  const keepFemales = question.femalesAreOwn || females.low >= question.minimumFemales ? question.minimumFemales : 0
  const keepMales = question.rates.needsMale ? Math.max(1, Math.ceil(keepFemales / FEMALES_OF_A_MALE)) : 0
  const { breeding } = question
  const usualMales = males.low >= keepMales ? keepMales : males.low >= 1 ? Math.min(1, keepMales) : 0
  return {
    total: Math.max(question.minimumKeep, breeding ? breeding.females + breeding.males : 0),
    females: Math.max(keepFemales, breeding?.females ?? 0),
    males: Math.max(usualMales, breeding?.males ?? 0),
  }
}

const fitOf = (fit: Fit): PopulationAnswer['fit'] => ({
  logLikelihood: fit.logLikelihood,
  effective: fit.effective,
  particles: fit.size,
  disagreement: disagreement(fit),
})

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
