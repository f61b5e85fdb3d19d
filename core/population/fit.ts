import { WEEK_MS } from '#core/records'
import { gammaMean, hashText, normalFrom, streamAt, uniformAt } from '#core/stats'
import { type Checkpoint, copy, DIED, FILTER_ROWS, LAG, opening, prefixHashes } from './checkpoint'
import { applyStep } from './comeAndGo'
import { bury, foundDead, layOut, learnFound, type Toll, usualDead } from './deaths'
import { luckAt } from './luck'
import { effective, gather, normalise, refresh, systematic } from './particles'
import { drawPast, judge, remember, takeCount, weighed } from './pastNumbers'
import type { BandPoint, GrownPoint, JudgedCount, PopulationEvent, PopulationQuestion } from './question'
import type { StageRates } from './rates'
import { PARAMETERS, ROWS } from './stages'
import { type Step, stepOf as livingStepOf } from './step'
import { weighBroods, weighYoung } from './weighLooks'

/**
 * Fits the stage model to a colony's log by a particle filter: thousands of possible colonies live through the weeks of
 * the log, each with its own luck and its own rates; those that fit what was seen are kept and multiply.
 * Sources: Gordon, Salmond & Smith (1993), IEE Proc. F 140: 107 (bootstrap filter); Liu & West (2001) for the
 * parameters; Kitagawa (1987), J. Am. Stat. Assoc. 82: 1032 for the fixed-lag smoothing of the past.
 */

/** Particles are resampled when fewer than this share of them still count. */
const RESAMPLE_BELOW = 0.5

/**
 * Steps that no longer matter are lived through by fewer colonies: their counts speak of today only through what was
 * learnt. The part in full begins anew only once in a block of steps, so that a fit goes on from an earlier one until
 * then.
 */
const FULL_STEPS = 52
const BLOCK_STEPS = 26
const OLD_SHARE = 0.25

/** First step that is lived through by all particles. */
const fullFrom = (last: number): number => Math.max(0, Math.floor((last - FULL_STEPS) / BLOCK_STEPS)) * BLOCK_STEPS

/** What the fit leaves: a cloud of equally likely colonies today, and what was learnt on the way. */
export interface Fit {
  cloud: Float64Array
  size: number
  path: BandPoint[]
  grown: GrownPoint[]
  counts: JudgedCount[]
  /** the dead of each step */
  toll: Toll[]
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

/** What a fit can go on from. */
export type Begun = Pick<Fit, 'basis' | 'size' | 'checkpoints'>

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
 * @param size particles, of the last weeks
 * @param before an earlier fit of the same colony: when only later entries are new, the filter goes on from where they
 * begin
 * @param stopped asked between steps
 * @returns the same, to the last bit, with or without `before`
 */
export function fitPopulation(question: PopulationQuestion, size: number, before?: Begun, stopped?: Stopped): Fit {
  const last = stepOf(question.nowMs, question)
  const byStep = eventsByStep(question, last)
  const ratesOf = ratesByStep(question)
  const hashes = prefixHashes(byStep, last, step => ratesOf(step).adultHazard)
  const { seed, startMs, founders, foundersSd, rates, spreads, ownBirths } = question
  const full = fullFrom(last)
  const sizeAt = (step: number) => (step < full ? Math.ceil(OLD_SHARE * size) : size)
  const basis = hashText(JSON.stringify([seed, startMs, founders, foundersSd, rates, spreads, ownBirths, size, full]))
  const fits = before?.basis === basis && before.size === size
  const kept = fits ? before.checkpoints.findLast(c => c.step <= last && c.seen === hashes[c.step]) : undefined
  const state: Checkpoint = kept ? copy(kept) : opening(question, sizeAt(0))
  const checkpoints = kept ? before!.checkpoints.filter(c => c.step <= kept.step) : []
  // a new entry is of today most often; a correction, of the last weeks
  const wanted = new Set([last, last - 1, last - 6].filter(s => s > 0))
  const resample = resampling()
  const live = stepsByRates()

  for (; state.step <= last; state.step++) {
    const { step } = state
    if (stopped?.()) throw new StoppedError()
    if (wanted.has(step) && checkpoints.at(-1)?.step !== step) checkpoints.push(copy({ ...state, seen: hashes[step]! }))
    const key = streamAt(seed, step)
    const events = byStep.get(step) ?? []
    const died = new Float64Array(state.size)
    if (step > 0) live(ratesOf(step))(state, key, { recruitsFactor: ownBirths, died })
    seeDead(state, ratesOf(step), { died, events }, streamAt(key, 6))
    for (const [nth, event] of events.entries()) see(state, question, event, of => streamAt(key, nth, of))
    const weights = weighed(state)
    remember(state)
    if (step >= LAG - 1) drawPast(state, question, weights, step - LAG + 1)
    judge(state, weights, step, false)
    const share = effective(weights) / state.size
    state.effective = Math.min(state.effective, share * size)
    const next = sizeAt(step + 1)
    if (share < RESAMPLE_BELOW || next !== state.size) resample(state, weights, { size: next, key })
  }
  const weights = weighed(state)
  for (let step = Math.max(0, last - LAG + 2); step <= last; step++) drawPast(state, question, weights, step)
  judge(state, weights, last, true)
  const { path, grown, counts, toll, jumped } = state
  return {
    cloud: equallyLikely(state, weights, uniformAt(streamAt(seed, last, 5))),
    size,
    path,
    grown,
    counts,
    toll,
    logLikelihood: state.logLikelihood + normalise(state.logWeights),
    effective: state.effective,
    jumped,
    spreads,
    checkpoints,
    basis,
  }
}

/** The rates that a step of the log was lived by: of the stretch in which it ended. */
function ratesByStep({ startMs, rates, pastRates = [] }: PopulationQuestion): (step: number) => StageRates {
  return step => {
    const end = startMs + step * rates.dtWeeks * WEEK_MS
    return pastRates.find(p => end <= p.untilMs)?.rates ?? rates
  }
}

/** Steps, each with the room that it needs: one for all that is lived by the same rates. */
function stepsByRates(): (rates: StageRates) => Step {
  const made = new Map<StageRates, Step>()
  return rates => {
    const known = made.get(rates) ?? livingStepOf(rates)
    made.set(rates, known)
    return known
  }
}

/** The events up to now by the step whose end they are nearest to. */
function eventsByStep(question: PopulationQuestion, last: number): Map<number, PopulationEvent[]> {
  const byStep = new Map<number, PopulationEvent[]>()
  for (const e of question.events) {
    if (e.at > question.nowMs || e.at < question.startMs) continue
    const step = Math.min(stepOf(e.at, question), last)
    const list = byStep.get(step)
    if (list) list.push(e)
    else byStep.set(step, [e])
  }
  return byStep
}

/** Holds the dead that were found in a step against those of each particle, and learns what share is found. */
function seeDead(
  state: Checkpoint,
  rates: StageRates,
  { died, events }: { died: Float64Array; events: readonly PopulationEvent[] },
  key: number,
): void {
  const bodies = state.cloud.subarray(DIED * state.size, (DIED + 1) * state.size)
  layOut(bodies, died, rates.dtWeeks)
  const usual = usualDead(state, rates)
  const { found, molts } = foundDead(events)
  const share = gammaMean(state.found.belief)
  const excess = bury(state, bodies, { found, usual, share }, key)
  state.toll.push({ usual, share, found, molts, excess })
  state.found = learnFound(state.found, { found, usual })
}

/** What an entry of the log does to the particles: it weighs them, or changes the animals in them. */
function see(
  state: Checkpoint,
  question: PopulationQuestion,
  event: PopulationEvent,
  luck: (of: number) => number,
): void {
  if (event.kind === 'step') {
    // the dead of a step were seen together
    if (!event.death) applyStep(state, event, question.rates, luck(1))
  } else if (event.kind === 'broods') weighBroods(state, event)
  else if (event.kind === 'young') weighYoung(state, event.amount)
  else takeCount(state, question, event, luck(2))
}

/**
 * Resampling, with the room that it needs: particles that fit are taken more often, as many as are wanted from now on,
 * and their parameters are spread.
 */
function resampling() {
  let spare: Float64Array = new Float64Array(0)
  return (state: Checkpoint, weights: Float64Array, { size, key }: { size: number; key: number }): void => {
    const taken = new Uint32Array(size)
    systematic(weights, uniformAt(streamAt(key, 3)), taken)
    if (spare.length !== FILTER_ROWS * size) spare = new Float64Array(FILTER_ROWS * size)
    gather(state, FILTER_ROWS, taken, spare)
    ;[state.cloud, spare] = [spare, state.cloud]
    for (const p of state.pending) p.stories = Uint8Array.from(taken, i => p.stories[i]!)
    state.logLikelihood += normalise(state.logWeights)
    state.size = size
    state.logWeights = new Float64Array(size)
    const jitter = streamAt(key, 4)
    refresh(state, PARAMETERS, (i, z) => normalFrom(luckAt(jitter, i, z)))
  }
}

/** The rows of today, each particle as often as it is likely. */
function equallyLikely(state: Checkpoint, weights: Float64Array, u: number): Float64Array {
  const taken = new Uint32Array(state.size)
  systematic(weights, u, taken)
  const today = new Float64Array(ROWS * state.size)
  gather(state, ROWS, taken, today)
  return today
}
