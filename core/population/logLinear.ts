import { WEEK_MS } from '#core/records'
import { Z50, Z80 } from '#core/stats'
import { predict, smooth, type State, type Transition, update } from './kalman'
import { observeCount } from './observation'
import type { BandPoint, JudgedCount, PopulationEvent, PopulationQuestion } from './population'

/**
 * Growth wanders around the group's default and forgets in about this many weeks; spread of the level from week to week
 * that is not chance of births and deaths. Both from memory.
 */
const FORGET_WEEKS = 20
const WEATHER_SD = 0.02

/** Below this |z| a count is believed fully, up to FAR_Z in part (Huber), beyond not at all unless the next one agrees. */
const NEAR_Z = 2
const FAR_Z = 3.2

/** Two counts in a row off to the same side, by so many standard deviations each and together, may mean a change. */
const PAIR_EACH_Z = 0.8
const PAIR_SUM_Z = 3.1
/** Gain in log-likelihood that a change must bring to be believed; about half of BIC's price for two parameters at 20 counts. */
const CHANGE_GAIN = 2.5

/** How fast a number may move between two surprising counts that still agree with each other, per week on the log scale (from memory). */
const AGREE_PER_WEEK = 0.05

/** Variance of the level after a shift that two counts agree on: anything within a factor of e³ is possible. */
const SHIFT_VAR = 2.25

/** Chance that a count too far off to be believed is true after all (from memory). */
const SLIP_TRUE = 0.1

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

/** Share of the intrinsic growth that is left when n animals use a capacity (logistic); decline is not damped. */
export function crowding(n: number, capacity: number, growth: number): number {
  return growth > 0 ? Math.max(0.05, 1 - n / capacity) : 1
}

interface Node { at: number, event: PopulationEvent | null }

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
        state = torn(state, surprise.y - state.m0, dtSince(counts, startMs), weight === 'part' ? 0.5 : SLIP_TRUE)
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

/** A count that was not quite expected, by z standard deviations, and the count before it. */
interface Surprise { entryId: string, before: string | null, at: number, z: number, y: number, r: number }

/** Weeks from the count before the newest one, or from the start, to the newest one. */
const dtSince = (counts: readonly JudgedCount[], startMs: number): number => Math.max(1, (counts.at(-1)!.at - (counts.at(-2)?.at ?? startMs)) / WEEK_MS)

/**
 * A state torn between two stories: the newest count is a slip, or things have changed since the count before. Until
 * another count settles it the spread of the mixture is added (moment matching), along the line from one to the other.
 * @param gap from the state's level to the count's, log scale
 * @param weeks in which the change would have come about
 * @param chance that things have changed
 */
function torn(s: State, gap: number, weeks: number, chance: number): State {
  const mix = chance * (1 - chance) * gap * gap
  return { ...s, p00: s.p00 + mix, p01: s.p01 + mix / weeks, p11: s.p11 + mix / (weeks * weeks) }
}

/** Nothing moves, but level and growth become less certain. */
const opening = (levelVar: number, growthVar: number): Transition => ({ f00: 1, f01: 0, f11: 1, b0: 0, b1: 0, q00: levelVar, q11: growthVar })

/** A glass that was counted fuller than the group's default carries more; the largest count alone may be a slip. */
function capacityShown(capacity: number, events: readonly PopulationEvent[]): number {
  const numbers = events.flatMap(e => (e.kind === 'count' ? [e.number] : [])).sort((a, b) => b - a)
  return Math.max(capacity, 1.3 * (numbers[1] ?? 0))
}

/** Whether two surprising counts tell the same story: off to the same side, and near each other. */
function agree(a: Surprise, b: Surprise): boolean {
  const drift = AGREE_PER_WEEK * (b.at - a.at) / WEEK_MS
  return Math.sign(a.z) === Math.sign(b.z) && Math.abs(a.z + b.z) > PAIR_SUM_Z && Math.abs(b.y - a.y) <= NEAR_Z * Math.sqrt(a.r + b.r + drift * drift)
}

/** Every event, and a node each week back from today, so that drawn weeks line up with today. */
function timeline(startMs: number, nowMs: number, events: readonly PopulationEvent[]): Node[] {
  const nodes: Node[] = events.map(event => ({ at: event.at, event }))
  for (let at = nowMs; at >= startMs; at -= WEEK_MS) nodes.push({ at, event: null })
  // at the same moment animals that come or go are known before a count is made
  const rank = (n: Node) => (n.event === null ? 2 : n.event.kind === 'count' ? 1 : 0)
  return nodes.sort((a, b) => a.at - b.at || rank(a) - rank(b))
}

function drift(s: State, dt: number, capacity: number, prior: PopulationQuestion['growthPrior'], turnover: number): Transition {
  const n = Math.exp(s.m0)
  const keep = Math.exp(-dt / FORGET_WEEKS)
  return {
    f00: 1,
    f01: dt * crowding(n, capacity, s.m1),
    f11: keep,
    b0: 0,
    b1: (1 - keep) * prior.value,
    q00: dt * (turnover / Math.max(n, 1) + WEATHER_SD ** 2),
    q11: (1 - keep * keep) * prior.sd ** 2,
  }
}

/** Adds a known number of animals: log N' = log(N + k), linearised about the present mean. */
function knownStep(s: State, change: number): Transition {
  const n = Math.exp(s.m0)
  // more taken out than were thought to be there: what is left is small and badly known, never nothing
  const after = Math.max(n + change, 1, 0.05 * n)
  const f00 = Math.min(n / after, 4)
  return { f00, f01: 0, f11: 1, b0: Math.log(after) - f00 * s.m0, b1: 0, q00: n + change < 1 ? 0.25 : 0, q11: 0 }
}

/** Logged deaths of the last twelve weeks as a weekly share: the futures must go on losing them. */
function deathRate(events: readonly PopulationEvent[], nowMs: number, n: number): number {
  const weeks = 12
  let deaths = 0
  for (const e of events) if (e.kind === 'step' && e.death && e.at > nowMs - weeks * WEEK_MS) deaths -= e.change
  return Math.min(0.2, deaths / weeks / Math.max(n, 1))
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

export { FORGET_WEEKS, WEATHER_SD }
