import { WEEK_MS } from '#core/records'
import { Z50, Z80 } from '#core/stats'
import { predict, smooth, type State, type Transition, update } from './kalman'
import { observeCount } from './observation'
import type { BandPoint, JudgedCount, PopulationQuestion } from './population'
import { agree, FAR_Z, NEAR_Z, PAIR_EACH_Z, SLIP_TRUE, type Surprise, torn, weeksBefore } from './surprise'
import { capacityShown, deathRate, timeline } from './events'
import { drift, knownStep, opening } from './transitions'

/** Gain in log-likelihood that a change must bring to be believed; about half of BIC's price for two parameters at 20 counts. */
const CHANGE_GAIN = 2.5

/** Variance of the level after a shift that two counts agree on: anything within a factor of e³ is possible. */
const SHIFT_VAR = 2.25

/** Spread of the growth after a turn, per week: a colony may go from growing to losing a tenth a week (from memory). */
const TURN_SD = 0.1

/** What the fit leaves for the futures and the statements. */
export interface LogLinearFit {
  /** log number and intrinsic growth today */
  state: State
  capacity: number
  deathRatePerWeek: number
  path: BandPoint[]
  counts: JudgedCount[]
}

/**
 * Fits level and growth on the log scale to a colony's counts, with additions and removals as known steps.
 *
 * State: logarithm of the number, and intrinsic growth per week. The level moves with growth times crowding and with
 * chance (variance turnover/N for births and deaths, and a little weather); growth wanders around the group's default.
 * A known step moves the number by so many animals; its effect on the spread follows by the delta method.
 * A count far off is named and left out, one somewhat off has a bounded pull. Two counts in a row that are off to the
 * same side and agree with each other may mean that things have changed: the number jumped at the first of the two
 * (animals died, or were missed before), or growth turned at the count before. Both stories are tried against no
 * change, and the likeliest stays.
 * @returns fit with the smoothed past
 * @throws RangeError when there are no founders
 */
export function fitLogLinear(question: PopulationQuestion): LogLinearFit {
  if (!(question.founders > 0)) throw new RangeError(`founders must be above 0, got ${question.founders}`)
  let changes: Changes = new Map()
  let run = runFilter(question, changes)
  // every round settles one more count, so there are at most as many rounds as counts
  while (run.changeAt !== null) {
    const { entryId, before } = run.changeAt
    const jump: Changes = new Map(changes).set(entryId, 'jump')
    const turn: Changes | null = before === null || changes.has(before) ? null : new Map(changes).set(entryId, 'settled').set(before, 'turn')
    const tries = turn ? [jump, turn] : [jump]
    const runs = tries.map(t => runFilter(question, t))
    const best = runs[1] && runs[1].logLik > runs[0]!.logLik ? 1 : 0
    const changed = runs[best]!.logLik > run.logLik + CHANGE_GAIN
    changes = changed ? tries[best]! : new Map(changes).set(entryId, 'settled')
    run = changed ? runs[best]! : runFilter(question, changes)
  }
  return run.finish()
}

/** What changed at a count: the number jumped, growth turned after it, or its surprise is settled otherwise. */
type Change = 'jump' | 'turn' | 'settled'
type Changes = ReadonlyMap<string, Change>

/** One pass of the filter. `finish` smooths the past, which only the pass that stays needs. */
interface Run { finish: () => LogLinearFit, logLik: number, changeAt: { entryId: string, before: string | null } | null }

function runFilter(question: PopulationQuestion, changes: Changes): Run {
  const { growthPrior, turnoverPerWeek, counting, startMs } = question
  const events = question.events.filter(e => e.at <= question.nowMs && e.at >= startMs)
  const capacity = capacityShown(question.capacity, events)
  const nodes = timeline(startMs, question.nowMs, events)

  let state: State = { m0: Math.log(question.founders), m1: growthPrior.value, p00: 1e-4, p01: 0, p11: growthPrior.sd ** 2 }
  let at = startMs
  let logLik = 0
  const transitions: Transition[] = []
  const predictions: State[] = []
  const filtered: State[] = [state]
  /** points to draw: moment, and the move after which the state is drawn */
  const drawn: { at: number, move: number }[] = []
  const counts: JudgedCount[] = []
  const newest = events.findLast(e => e.kind === 'count')?.entryId
  let doubted: Surprise | null = null
  let changeAt: Run['changeAt'] = null

  const move = (t: Transition) => {
    transitions.push(t)
    state = predict(state, t)
    predictions.push(state)
    filtered.push(state)
  }
  for (const node of nodes) {
    const dt = Math.max(0, (node.at - at) / WEEK_MS)
    move(drift(state, dt, capacity, growthPrior, turnoverPerWeek))
    at = node.at
    const { event } = node
    if (event?.kind === 'step') {
      drawn.push({ at, move: transitions.length })
      move(knownStep(state, event.change))
    }
    if (event?.kind === 'count') {
      const change = changes.get(event.entryId)
      if (change === 'jump') move(opening(SHIFT_VAR, growthPrior.sd ** 2))
      const { y, r } = observeCount(event.number, event.method, counting, event.share)
      const spread = Math.sqrt(state.p00 + r)
      const z = (y - state.m0) / spread
      const weight = Math.abs(z) <= NEAR_Z ? 'full' : Math.abs(z) <= FAR_Z ? 'part' : 'none'
      const before = counts.at(-1)?.entryId ?? null
      counts.push({
        entryId: event.entryId, at: event.at, seen: event.number, method: event.method, weight, expected: Math.exp(state.m0),
        implied: Math.exp(y), low: Math.exp(y - Z80 * Math.sqrt(r)), high: Math.exp(y + Z80 * Math.sqrt(r)),
      })
      // beyond FAR_Z every count is equally unlikely: a slip of the pen must not decide between two stories
      const bounded = Math.min(Math.abs(z), FAR_Z)
      logLik -= Math.log(spread) + bounded * bounded / 2
      const surprise: Surprise | null = Math.abs(z) < PAIR_EACH_Z ? null : { entryId: event.entryId, before, at, z, y, r }
      if (surprise && doubted && changeAt === null && !changes.has(doubted.entryId) && agree(doubted, surprise)) changeAt = { entryId: doubted.entryId, before: doubted.before }
      doubted = surprise
      if (weight !== 'none') {
        // Huber: the count is given the doubt that brings it to NEAR_Z, so its pull has a bound
        const doubt = weight === 'full' ? r : (y - state.m0) ** 2 / NEAR_Z ** 2 - state.p00
        state = update(state, y, doubt).state
        filtered[filtered.length - 1] = state
      }
      if (surprise && weight !== 'full' && event.entryId === newest) {
        state = torn(state, surprise.y - state.m0, weeksBefore(counts, startMs), weight === 'part' ? 0.5 : SLIP_TRUE)
        filtered[filtered.length - 1] = state
      }
      if (change === 'turn') move(opening(0, Math.max(TURN_SD, 2 * growthPrior.sd) ** 2))
    }
    drawn.push({ at, move: transitions.length })
  }

  return {
    changeAt,
    logLik,
    finish: () => ({ state, capacity, deathRatePerWeek: deathRate(events, question.nowMs, Math.exp(state.m0)), counts, path: smoothPath(drawn, filtered, predictions, transitions) }),
  }
}

function smoothPath(drawn: readonly { at: number, move: number }[], filtered: readonly State[], predictions: readonly State[], transitions: readonly Transition[]): BandPoint[] {
  const smoothed: State[] = Array.from({ length: filtered.length })
  smoothed[filtered.length - 1] = filtered.at(-1)!
  for (let i = filtered.length - 2; i >= 0; i--) smoothed[i] = smooth(filtered[i]!, predictions[i]!, smoothed[i + 1]!, transitions[i]!)
  return drawn.map(({ at, move }) => bandPoint(at, smoothed[move]!))
}

function bandPoint(at: number, s: State): BandPoint {
  const sd = Math.sqrt(Math.max(0, s.p00))
  const q = (z: number) => Math.exp(s.m0 + z * sd)
  return { at, p10: q(-Z80), p25: q(-Z50), p50: q(0), p75: q(Z50), p90: q(Z80) }
}
