import { Z80 } from '#core/stats'
import { type FutureNoise, futureFan, futuresAsThingsAre, largestTake } from './futures'
import { fitLogLinear } from './logLinear'
import { observeCount } from './observation'
import { crowding } from './transitions'
import type { PopulationAnswer, PopulationQuestion } from './population'

/** Animals logged as dead after a moment. */
export function deathsSince({ steps }: Pick<PopulationAnswer, 'steps'>, sinceMs: number): number {
  return steps.reduce((sum, s) => (s.death && s.at > sinceMs ? sum - s.change : sum), 0)
}

/** Chance of falling under the minimum that a take may bring. */
export const ALLOWED_RISK = 0.1
/** Name and version of the model; a stored answer of another version is computed anew. */
export const MODEL = 'log-linear/1'

const LOG = { kind: 'log' } as const

/**
 * Answers how many there are, how they grow, what the coming weeks may bring and how many can go today.
 * Ranges are 80 % ranges.
 * @param question the colony's log and defaults
 * @param noise draws for the futures, shared by all colonies
 * @throws RangeError when there are no founders
 */
export function answerPopulation(question: PopulationQuestion, noise: FutureNoise): PopulationAnswer {
  const fit = fitLogLinear(question)
  const { state, capacity, deathRatePerWeek } = fit
  const { growthPrior, turnoverPerWeek, counting, minimumKeep, nowMs } = question
  const n = Math.exp(state.m0)
  const sd = Math.sqrt(state.p00)

  const damp = crowding(n, capacity, state.m1)
  const weekly = (z: number) => Math.expm1((state.m1 + z * Math.sqrt(state.p11)) * damp - deathRatePerWeek)
  const growth = { value: weekly(0), low: weekly(-Z80), high: weekly(Z80), level: 0.8, basis: LOG }
  const clear = growth.low > 0 || growth.high < 0
  const rate = Math.log1p(growth.value)

  const model = { state, capacity, growthPrior, turnoverPerWeek, deathRatePerWeek }
  const futures = futuresAsThingsAre(model, noise)
  const full = observeCount(n * counting.allSeen.share, 'allSeen', counting)
  const narrowed = Math.sqrt(state.p00 * full.r / (state.p00 + full.r))

  return {
    model: MODEL,
    now: { value: n, low: n * Math.exp(-Z80 * sd), high: n * Math.exp(Z80 * sd), level: 0.8, basis: LOG },
    growthPerWeek: growth,
    doublingWeeks: clear && rate > 0 ? Math.LN2 / rate : null,
    halvingWeeks: clear && rate < 0 ? -Math.LN2 / rate : null,
    ownEvidence: growthPrior.sd > 0 ? Math.min(1, Math.max(0, 1 - state.p11 / growthPrior.sd ** 2)) : 0,
    path: fit.path,
    fan: futureFan(futures, noise, nowMs),
    counts: fit.counts,
    steps: question.events.flatMap(e => (e.kind === 'step' && e.at <= nowMs ? [{ entryId: e.entryId, at: e.at, change: e.change, death: e.death }] : [])),
    capacity,
    surplus: { ...largestTake(minimumKeep, ALLOWED_RISK, model, noise, futures), minimumKeep, allowedRisk: ALLOWED_RISK },
    ifCountedToday: { low: n * Math.exp(-Z80 * narrowed), high: n * Math.exp(Z80 * narrowed) },
  }
}
