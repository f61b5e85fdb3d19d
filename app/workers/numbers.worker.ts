import { expose } from 'comlink'
import { resolveGroup } from '#core/groups'
import {
  chunkSize,
  joinFutures,
  liveChunk,
  type OutlookAnswer,
  type OutlookAsk,
  readOutlook,
  scenarioModel,
} from '#core/outlook'
import {
  asThingsAre,
  type FittedColony,
  floorsOf,
  futureFan,
  type Futures,
  type PopulationQuestion,
  populationModel,
  takeSearch,
} from '#core/population'
import { type Order, type ScenarioChange, type TakeKind, TakeKind as takeKinds } from '#core/records'
import { questionFrom } from '#core/statements'
import {
  type OrderOutlook,
  ordersAhead,
  type SafeTake,
  safeTake,
  spareAhead,
  stayUnder,
  type Upper,
  type WeeklyCourse,
  weeklyCourse,
} from '#core/surplus'
import { openDb } from '~/data/database'
import { statementInputs, type StatementSubject } from '~/data/summaries'
import { breathe } from './breathe'

/** The colony that is asked about, and the moment. */
export interface NumbersSubject {
  subject: StatementSubject
  nowMs: number
}

interface Ready {
  key: string
  question: PopulationQuestion
  fit: FittedColony
}
let ready: Ready | null = null
/** Which call is the newest: an older one stops at its next breath. */
let turn = 0

/** Fits the colony, or takes the fit of the last question about it. */
async function prepare({ subject, nowMs }: NumbersSubject): Promise<Ready> {
  const key = `${subject.revision} ${Math.floor(nowMs / 3_600_000)}`
  if (ready?.key === key) return ready
  const [input] = await statementInputs(openDb(), [subject], nowMs)
  const { question } = questionFrom(input!)
  ready = { key, question, fit: populationModel.fit(question) }
  return ready
}

/** A scenario to live through. */
export interface ScenarioAsked {
  id: string
  change: ScenarioChange
}

/** Scenarios to live through, what is asked of them, and how many futures of each. */
export interface OutlookQuestion {
  scenarios: ScenarioAsked[]
  ask: OutlookAsk
  futures: number
}

/**
 * Lives scenarios through, all with the same luck, and gives their answers as they come: first rough, then whole.
 * @param give called with each scenario's answer; the share of the futures that is done comes with it
 * @returns false when a newer question came in between
 */
async function outlook(
  about: NumbersSubject,
  { scenarios, ask, futures }: OutlookQuestion,
  give: (id: string, answer: OutlookAnswer, done: number) => void,
): Promise<boolean> {
  const mine = ++turn
  const { question, fit } = await prepare(about)
  const basis = { question, now: fit.numbers('all').value, dyingPerWeek: fit.dyingPerWeek() }
  const { colony, glass } = about.subject
  const size = chunkSize(ask.weeks, question.rates)
  const chunks = Math.max(1, Math.ceil(futures / size))
  const lived = scenarios.map(s => ({
    ...s,
    model: scenarioModel(s.change, { ...basis, colony, glass }),
    chunks: [] as Futures[],
  }))
  for (let chunk = 0; chunk < chunks; chunk++) {
    for (const s of lived) {
      await breathe()
      if (mine !== turn) return false
      s.chunks.push(liveChunk(fit, s.model, { chunk, weeks: ask.weeks, size }))
    }
    // a look after the first chunk, and the whole at the end: quantiles of all futures cost as much as living them
    if (chunk === 0 || chunk === chunks - 1) {
      for (const s of lived) {
        await breathe()
        if (mine !== turn) return false
        const lives = joinFutures(s.chunks)
        const fan = futureFan(lives.totals, lives, about.nowMs)
        await breathe()
        if (mine !== turn) return false
        const halfGrown = futureFan(lives.halfGrown, lives, about.nowMs)
        await breathe()
        if (mine !== turn) return false
        give(
          s.id,
          readOutlook(lives, { fan, halfGrown }, ask, s.model.rates.capacity * (s.model.doing.roomFactor ?? 1)),
          (chunk + 1) / chunks,
        )
      }
    }
  }
  return true
}

/** What is asked of a colony's surplus. */
export interface SurplusAsked {
  minimumKeep: number
  minimumFemales: number
  allowedRisk: number
  stayUnder: number
  orders: Order[]
  /** of the grown animals, the part that stands on each rung and does not breed */
  onRung: Record<string, number>
}
/** What comes back, part by part. */
export type SurplusPart =
  | { kind: 'take'; take: SafeTake }
  | { kind: 'course'; course: WeeklyCourse }
  | { kind: 'upper'; upper: Upper }
  | { kind: 'ahead'; spare: { week: number; number: number }[]; orders: OrderOutlook[] }

/** Weeks ahead that the keeper is told of. */
const AHEAD = [2, 4, 8, 12, 26]

/** Searches what can go now and every week, kind by kind, and what must go so that the glass is not outgrown. */
async function surplus(
  about: NumbersSubject,
  asked: SurplusAsked,
  give: (part: SurplusPart) => void,
): Promise<boolean> {
  const mine = ++turn
  const { fit, question } = await prepare(about)
  const floors = floorsOf(
    { ...question, minimumKeep: asked.minimumKeep, minimumFemales: asked.minimumFemales, femalesAreOwn: true },
    { females: fit.numbers('females'), males: fit.numbers('males') },
  )
  const search = takeSearch(
    { colony: fit, doing: { dyingPerWeek: fit.dyingPerWeek() }, nowMs: about.nowMs },
    floors,
    asked.allowedRisk,
  )
  const futures = asThingsAre(search)
  give({
    kind: 'ahead',
    spare: spareAhead(futures, floors, AHEAD),
    orders: ordersAhead(asked.orders, futures, { keep: floors.total, nowMs: about.nowMs, onRung: asked.onRung }),
  })
  const oneSex = resolveGroup(about.subject.colony).group.stages.femaleShare.value === 1
  for (const of of takeKinds.options.filter((k): k is TakeKind => !oneSex || (k !== 'females' && k !== 'males'))) {
    await breathe()
    if (mine !== turn) return false
    const take = safeTake(search, of, futures)
    give({ kind: 'take', take })
    // the way of the half year is drawn for the take that stands in the headline
    const weekly = take.weekly.take
    if (of === 'any' && weekly > 0)
      give({ kind: 'course', course: weeklyCourse(search, { of, weekly }, futures, about.nowMs) })
  }
  await breathe()
  if (mine !== turn) return false
  give({ kind: 'upper', upper: stayUnder(search, asked.stayUnder, asked.allowedRisk, futures) })
  return true
}

/** Stops whatever is being worked on. */
function stop() {
  turn++
}

const api = { outlook, surplus, stop }
export type NumbersApi = typeof api
expose(api)
