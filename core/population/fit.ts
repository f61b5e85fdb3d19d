import { WEEK_MS } from '#core/records'
import { hashText, normalFrom, quantileSorted, streamAt, uniformAt } from '#core/stats'
import { applyStep, at, weighBroods, weighCount, weighParts, weighYoung } from './observe'
import { drawSorted, effective, gather, normalise, refresh, systematic } from './particles'
import type { BandPoint, JudgedCount, PopulationEvent, PopulationQuestion } from './question'
import {
  counted,
  FEMALES,
  LOSSES,
  MALES,
  MOOD,
  PARAMETERS,
  RECRUITS,
  ROOM,
  ROWS,
  SEEN,
  SIGHT,
  YOUNG_1,
  YOUNG_2,
} from './stages'
import { MOOD_SD, stepCloud } from './step'

/**
 * Fits the stage model to a colony's log by a particle filter: thousands of possible colonies live through the weeks of
 * the log, each with its own luck and its own rates; those that fit what was seen are kept and multiply.
 * Sources: Gordon, Salmond & Smith (1993), IEE Proc. F 140: 107 (bootstrap filter); Liu & West (2001) for the
 * parameters;
 * Kitagawa (1987), J. Am. Stat. Assoc. 82: 1032 for the fixed-lag smoothing of the past.
 */

/**
 * Steps that a past number waits for later counts before it is drawn; longer, and few ancestors would be left to draw
 * it from.
 */
const LAG = 8
const FILTER_ROWS = ROWS + LAG
/** Particles are resampled when fewer than this share of them still count. */
const RESAMPLE_BELOW = 0.5
/** Draws that quantiles are read from. */
const DRAWS = 200

/** The state of the filter at a step, from which it can go on. */
interface Checkpoint {
  /** next step to live */
  step: number
  /** hash of the events before that step */
  seen: number
  cloud: Float64Array
  logWeights: Float64Array
  path: BandPoint[]
  counts: JudgedCount[]
  pending: Pending[]
  logLikelihood: number
  effective: number
  jumped: number
  lastCountStep: number
}

/** A count whose verdict waits for what follows it. */
interface Pending {
  index: number
  step: number
  slips: Float64Array
}

/** What the fit leaves: a cloud of equally likely colonies today, and what was learnt on the way. */
export interface Fit {
  cloud: Float64Array
  size: number
  path: BandPoint[]
  counts: JudgedCount[]
  logLikelihood: number
  effective: number
  /** largest share of the particles that took a count for a jump of the number */
  jumped: number
  /** spread of the parameters before anything was seen */
  spreads: PopulationQuestion['spreads']
  checkpoints: Checkpoint[]
  /** hash of what the checkpoints hold for */
  basis: number
}

/** Whether somebody wants the work to stop; asked every few milliseconds. */
export type Stopped = () => boolean
/** Raised when it was stopped. */
export class StoppedError extends Error {
  constructor() {
    super('stopped')
  }
}

/** Which step an event belongs to: the nearest end of a step. */
const stepOf = (ms: number, q: PopulationQuestion) =>
  Math.max(0, Math.round((ms - q.startMs) / (q.rates.dtWeeks * WEEK_MS)))

/**
 * Fits a colony.
 * @param size particles
 * @param before an earlier fit of the same colony: when only later entries are new, the filter goes on from where they
 * begin
 * @param stopped asked between steps
 * @returns the same, to the last bit, with or without `before`
 */
export function fitPopulation(question: PopulationQuestion, size: number, before?: Fit, stopped?: Stopped): Fit {
  const { founders } = question
  const events = question.events.filter(e => e.at <= question.nowMs && e.at >= question.startMs)
  const last = stepOf(question.nowMs, question)
  const byStep = new Map<number, PopulationEvent[]>()
  for (const e of events) {
    const step = Math.min(stepOf(e.at, question), last)
    const list = byStep.get(step)
    if (list) list.push(e)
    else byStep.set(step, [e])
  }
  const basis = hashText(
    JSON.stringify([
      question.seed,
      question.startMs,
      founders,
      question.rates,
      question.spreads,
      question.ownBirths,
      size,
    ]),
  )
  const hashes = prefixHashes(byStep, last)

  const kept =
    before && before.basis === basis && before.size === size
      ? before.checkpoints.findLast(c => c.step <= last && c.seen === hashes[c.step])
      : undefined
  const state: Checkpoint = kept ? copy(kept) : opening(question, size)
  const taken = new Uint32Array(size)
  let spare: Float64Array = new Float64Array(FILTER_ROWS * size)
  // a new entry is of today most often; a correction, of the last weeks
  const wanted = new Set([last, last - 1, last - 6].filter(s => s > 0))
  const checkpoints = kept ? before!.checkpoints.filter(c => c.step <= kept.step) : []

  for (; state.step <= last; state.step++) {
    const { step } = state
    if (stopped?.()) throw new StoppedError()
    if (wanted.has(step) && checkpoints.at(-1)?.step !== step) checkpoints.push(copy({ ...state, seen: hashes[step]! }))
    const key = streamAt(question.seed, step)
    if (step > 0) stepCloud(state.cloud, size, question.rates, key, { recruitsFactor: question.ownBirths })
    for (const [nth, event] of (byStep.get(step) ?? []).entries()) {
      if (event.kind === 'step')
        applyStep(state.cloud, size, state.logWeights, event, question.rates, streamAt(key, nth, 1))
      else if (event.kind === 'broods')
        weighBroods(state.cloud, size, state.logWeights, event.seen, event, question.rates.broodSize)
      else if (event.kind === 'young') weighYoung(state.cloud, size, state.logWeights, event.amount)
      else count(state, question, event, size, streamAt(key, nth, 2))
    }
    const weights = weighed(state, size)
    for (let i = 0; i < size; i++) state.cloud[(ROWS + (step % LAG)) * size + i] = counted(state.cloud, size, i)
    if (step >= LAG - 1) drawPast(state, question, size, weights, step - LAG + 1)
    judge(state, weights, step, false)
    const n = effective(weights)
    state.effective = Math.min(state.effective, n)
    if (n < RESAMPLE_BELOW * size) {
      systematic(weights, uniformAt(streamAt(key, 3)), taken)
      gather(state.cloud, FILTER_ROWS, size, taken, spare)
      ;[state.cloud, spare] = [spare, state.cloud]
      for (const p of state.pending) p.slips = Float64Array.from(taken, i => p.slips[i]!)
      state.logLikelihood += normalise(state.logWeights)
      state.logWeights.fill(0)
      const jitter = streamAt(key, 4)
      refresh(state.cloud, size, PARAMETERS, (i, z) => normalFrom(at(jitter, i, z)))
    }
  }

  const weights = weighed(state, size)
  for (let step = Math.max(0, last - LAG + 2); step <= last; step++) drawPast(state, question, size, weights, step)
  judge(state, weights, last, true)
  systematic(weights, uniformAt(streamAt(question.seed, last, 5)), taken)
  const cloud = new Float64Array(ROWS * size)
  gather(state.cloud, ROWS, size, taken, cloud)
  return {
    cloud,
    size,
    path: state.path,
    counts: state.counts,
    logLikelihood: state.logLikelihood + normalise(state.logWeights),
    effective: state.effective,
    jumped: state.jumped,
    spreads: question.spreads,
    checkpoints,
    basis,
  }
}

/** A cloud of the first day: the founders, and parameters as the group has them. */
export function openingCloud(
  question: Pick<PopulationQuestion, 'seed' | 'founders' | 'rates' | 'spreads'>,
  size: number,
  rows = ROWS,
): Float64Array {
  const { founders: f, rates, spreads } = question
  const cloud = new Float64Array(rows * size)
  const key = streamAt(question.seed, -1)
  const females = (i: number) => {
    let n = 0
    // so few that each may be drawn: each one of the unsexed is a female by the share of females
    for (let k = 0; k < f.unsexed; k++) if (at(key, i, 20 + k) < rates.femaleShare) n++
    return n
  }
  for (let i = 0; i < size; i++) {
    const own = females(i)
    cloud[YOUNG_1 * size + i] = f.young
    cloud[YOUNG_2 * size + i] = f.halfGrown
    cloud[FEMALES * size + i] = f.females + own + (rates.needsMale ? 0 : f.males)
    cloud[MALES * size + i] = (rates.needsMale ? f.males : 0) + f.unsexed - own
    cloud[MOOD * size + i] = MOOD_SD * normalFrom(at(key, i, 0))
    cloud[RECRUITS * size + i] = spreads.recruits * normalFrom(at(key, i, 1))
    cloud[LOSSES * size + i] = spreads.losses * normalFrom(at(key, i, 2))
    cloud[ROOM * size + i] = spreads.room * normalFrom(at(key, i, 3))
    cloud[SEEN * size + i] = spreads.seen * normalFrom(at(key, i, 4))
    cloud[SIGHT * size + i] = spreads.sight * normalFrom(at(key, i, 5))
  }
  return cloud
}

function opening(question: PopulationQuestion, size: number): Checkpoint {
  return {
    step: 0,
    seen: 0,
    cloud: openingCloud(question, size, FILTER_ROWS),
    logWeights: new Float64Array(size),
    path: [],
    counts: [],
    pending: [],
    logLikelihood: 0,
    effective: size,
    jumped: 0,
    lastCountStep: 0,
  }
}

const copy = (c: Checkpoint): Checkpoint => ({
  ...c,
  cloud: c.cloud.slice(),
  logWeights: c.logWeights.slice(),
  path: [...c.path],
  counts: c.counts.map(x => ({ ...x })),
  pending: c.pending.map(p => ({ ...p, slips: p.slips.slice() })),
})

/** For each step, a hash of all events before it. */
function prefixHashes(byStep: ReadonlyMap<number, PopulationEvent[]>, last: number): number[] {
  const hashes = [0]
  for (let step = 0; step <= last; step++) {
    const here = byStep.get(step)
    hashes.push(here ? streamAt(hashes[step]!, step, hashText(JSON.stringify(here))) : hashes[step]!)
  }
  return hashes
}

function weighed(state: Checkpoint, size: number): Float64Array {
  const weights = state.logWeights.slice(0, size)
  normalise(weights)
  return weights
}

function count(
  state: Checkpoint,
  question: PopulationQuestion,
  event: Extract<PopulationEvent, { kind: 'count' }>,
  size: number,
  key: number,
) {
  const { cloud } = state
  const { evidence } = event
  const dt = question.rates.dtWeeks
  const expected = quantileSorted(
    drawSorted(
      i => counted(cloud, size, i) * (event.byEye ? Math.exp(cloud[SEEN * size + i]!) : 1),
      weighed(state, size),
      DRAWS,
    ),
    0.5,
  )
  const off = Math.abs((event.at - question.startMs) / (dt * WEEK_MS) - state.step) * dt
  const done = weighCount(
    cloud,
    size,
    state.logWeights,
    event,
    (state.step - state.lastCountStep) * dt,
    Math.abs(question.rates.growth) * off,
    key,
  )
  if (event.parts) weighParts(cloud, size, state.logWeights, event.parts)
  state.pending.push({ index: state.counts.length, step: state.step, slips: Float64Array.from(done.slips) })
  state.counts.push({
    entryId: event.entryId,
    at: event.at,
    seen: event.seen,
    method: event.method,
    weight: 'full',
    expected,
    value: evidence.value,
    low: evidence.low,
    high: evidence.high,
    notes: evidence.notes,
  })
  let jumped = 0
  const after = weighed(state, size)
  const least = Math.log(Math.max(expected, 0.5))
  // a jump is one when the number is no longer near what was expected
  for (let i = 0; i < size; i++)
    if (Math.abs(Math.log(Math.max(counted(cloud, size, i), 0.5)) - least) > 1) jumped += after[i]!
  state.jumped = Math.max(state.jumped * 0.8, jumped)
  state.lastCountStep = state.step
}

/** Says of counts that have waited long enough how much they were believed. */
function judge(state: Checkpoint, weights: Float64Array, step: number, all: boolean) {
  state.pending = state.pending.filter(p => {
    if (!all && step < p.step + LAG) return true
    let slip = 0
    for (let i = 0; i < weights.length; i++) slip += weights[i]! * p.slips[i]!
    state.counts[p.index]!.weight = slip > 0.5 ? 'none' : slip > 0.2 ? 'part' : 'full'
    return false
  })
}

/** Draws the number at a step that has waited long enough: quantiles over the particles whose ancestors lived then. */
function drawPast(state: Checkpoint, question: PopulationQuestion, size: number, weights: Float64Array, step: number) {
  const row = ROWS + (step % LAG)
  const sorted = drawSorted(i => state.cloud[row * size + i]!, weights, DRAWS)
  const q = (p: number) => quantileSorted(sorted, p)
  const moment = Math.min(question.nowMs, question.startMs + step * question.rates.dtWeeks * WEEK_MS)
  state.path.push({ at: moment, p10: q(0.1), p25: q(0.25), p50: q(0.5), p75: q(0.75), p90: q(0.9) })
}
