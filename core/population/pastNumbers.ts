import { WEEK_MS } from '#core/records'
import { quantileSorted } from '#core/stats'
import { type Checkpoint, GROWN, LAG, TOTALS } from './checkpoint'
import { drawSorted, normalise, spread80 } from './particles'
import type { PopulationQuestion } from './question'
import { counted, FEMALES, MALES, SEEN } from './stages'
import { type CountEvent, STORY, weighCount, weighParts } from './weighCount'

/** Draws that quantiles are read from. */
const DRAWS = 200

/** Weights of the particles at present, summing to 1. */
export function weighed(state: Checkpoint): Float64Array {
  const weights = state.logWeights.slice(0, state.size)
  normalise(weights)
  return weights
}

/** Weighs by a count and writes it down, to be judged when what follows it is known. */
export function takeCount(state: Checkpoint, question: PopulationQuestion, event: CountEvent, key: number): void {
  const { cloud, size } = state
  const { evidence } = event
  const dt = question.rates.dtWeeks
  const seenOf = (i: number) => counted(cloud, size, i) * (event.byEye ? Math.exp(cloud[SEEN * size + i]!) : 1)
  const before = drawSorted(seenOf, weighed(state), DRAWS)
  const expected = quantileSorted(before, 0.5)
  const off = Math.abs((event.at - question.startMs) / (dt * WEEK_MS) - state.step) * dt
  const weeksSince = (state.step - state.lastCountStep) * dt
  const stories = weighCount(state, event, { weeksSince, timing: Math.abs(question.rates.growth) * off }, key)
  if (event.parts) weighParts(state, event.parts)
  state.pending.push({ index: state.counts.length, step: state.step, stories })
  state.counts.push({
    entryId: event.entryId,
    at: event.at,
    seen: event.seen,
    method: event.method,
    weight: 'full',
    leapt: false,
    expected,
    expectedLow: quantileSorted(before, 0.1),
    value: evidence.value,
    low: evidence.low,
    high: evidence.high,
    notes: evidence.notes,
  })
  state.jumped = Math.max(state.jumped * 0.8, shareThatLeapt(state, expected))
  state.lastCountStep = state.step
}

/** Share of the particles whose number is no longer near what was expected. */
function shareThatLeapt(state: Checkpoint, expected: number): number {
  const { cloud, size } = state
  const weights = weighed(state)
  const usual = Math.log(Math.max(expected, 0.5))
  let share = 0
  for (let i = 0; i < size; i++)
    if (Math.abs(Math.log(Math.max(counted(cloud, size, i), 0.5)) - usual) > 1) share += weights[i]!
  return share
}

/** Says of counts that have waited long enough how much they were believed. */
export function judge(state: Checkpoint, weights: Float64Array, step: number, all: boolean): void {
  state.pending = state.pending.filter(p => {
    if (!all && step < p.step + LAG) return true
    const told = [0, 0, 0]
    for (let i = 0; i < weights.length; i++) told[p.stories[i]!]! += weights[i]!
    const count = state.counts[p.index]!
    count.weight = told[STORY.slip]! > 0.5 ? 'none' : told[STORY.slip]! > 0.2 ? 'part' : 'full'
    count.leapt = told[STORY.jump]! > 0.5
    return false
  })
}

/** Keeps today's numbers among those of the last steps, of which the past is drawn. */
export function remember({ cloud, size, step }: Checkpoint): void {
  for (let i = 0; i < size; i++) {
    cloud[(TOTALS + (step % LAG)) * size + i] = counted(cloud, size, i)
    cloud[(GROWN + (step % LAG)) * size + i] = cloud[FEMALES * size + i]! + cloud[MALES * size + i]!
  }
}

/**
 * Draws the number at a step that has waited long enough, and the grown among it: quantiles over the particles whose
 * ancestors lived then.
 */
export function drawPast(state: Checkpoint, question: PopulationQuestion, weights: Float64Array, step: number): void {
  const at = Math.min(question.nowMs, question.startMs + step * question.rates.dtWeeks * WEEK_MS)
  const drawn = (rows: number) => drawSorted(i => state.cloud[(rows + (step % LAG)) * state.size + i]!, weights, DRAWS)
  const totals = drawn(TOTALS)
  const q = (p: number) => quantileSorted(totals, p)
  state.path.push({ at, p10: q(0.1), p25: q(0.25), p50: q(0.5), p75: q(0.75), p90: q(0.9) })
  state.grown.push({ at, ...spread80(drawn(GROWN)) })
}
