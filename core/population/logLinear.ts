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

/** Variance of the level after a shift that two counts agree on: anything within a factor of e³ is possible. */
const SHIFT_VAR = 2.25

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
 * A count far off is named and left out; if the next count agrees with it, the level is taken to have shifted.
 * @returns fit with the smoothed past
 * @throws RangeError when there are no founders
 */
export function fitLogLinear(question: PopulationQuestion): LogLinearFit {
  if (!(question.founders > 0)) throw new RangeError(`founders must be above 0, got ${question.founders}`)
  const shifts = new Set<string>()
  for (;;) {
    const run = runFilter(question, shifts)
    if (run.shiftAt === null) return run.fit
    shifts.add(run.shiftAt)
  }
}

function runFilter(question: PopulationQuestion, shifts: ReadonlySet<string>): { fit: LogLinearFit, shiftAt: string | null } {
  const { growthPrior, turnoverPerWeek, counting, startMs } = question
  const events = question.events.filter(e => e.at <= question.nowMs && e.at >= startMs)
  const capacity = Math.max(question.capacity, ...events.filter(e => e.kind === 'count').map(e => 1.3 * e.number))
  const nodes = timeline(startMs, question.nowMs, events)

  let state: State = { m0: Math.log(question.founders), m1: growthPrior.value, p00: 1e-4, p01: 0, p11: growthPrior.sd ** 2 }
  let at = startMs
  const transitions: Transition[] = []
  const predictions: State[] = []
  const filtered: State[] = [state]
  const counts: JudgedCount[] = []
  let doubted: { entryId: string, side: number } | null = null
  let shiftAt: string | null = null

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
    if (event?.kind === 'step') move(knownStep(state, event.change))
    if (event?.kind === 'count') {
      if (shifts.has(event.entryId)) move({ f00: 1, f01: 0, f11: 1, b0: 0, b1: 0, q00: SHIFT_VAR, q11: 0 })
      const { y, r } = observeCount(event.number, event.method, counting, event.share)
      const z = (y - state.m0) / Math.sqrt(state.p00 + r)
      const weight = Math.abs(z) <= NEAR_Z ? 'full' : Math.abs(z) <= FAR_Z ? 'part' : 'none'
      counts.push({
        entryId: event.entryId, at: event.at, seen: event.number, method: event.method, weight, expected: Math.exp(state.m0),
        implied: Math.exp(y), low: Math.exp(y - Z80 * Math.sqrt(r)), high: Math.exp(y + Z80 * Math.sqrt(r)),
      })
      if (weight === 'none') {
        if (doubted && doubted.side === Math.sign(z) && shiftAt === null) shiftAt = doubted.entryId
        doubted = { entryId: event.entryId, side: Math.sign(z) }
      }
      else {
        doubted = null
        // Huber: the count is given the doubt that brings it to NEAR_Z, so its pull has a bound
        const doubt = weight === 'full' ? r : (y - state.m0) ** 2 / NEAR_Z ** 2 - state.p00
        state = update(state, y, doubt).state
        filtered[filtered.length - 1] = state
      }
    }
  }

  return {
    shiftAt: shiftAt !== null && !shifts.has(shiftAt) ? shiftAt : null,
    fit: { state, capacity, deathRatePerWeek: deathRate(events, question.nowMs, Math.exp(state.m0)), counts, path: smoothPath(nodes, filtered, predictions, transitions) },
  }
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

function smoothPath(nodes: readonly Node[], filtered: readonly State[], predictions: readonly State[], transitions: readonly Transition[]): BandPoint[] {
  // moves outnumber nodes (a step adds one): walk back through moves and keep the state after each node's last move
  const smoothed: State[] = Array.from({ length: filtered.length })
  smoothed[filtered.length - 1] = filtered.at(-1)!
  for (let i = filtered.length - 2; i >= 0; i--) smoothed[i] = smooth(filtered[i]!, predictions[i]!, smoothed[i + 1]!, transitions[i]!)
  const path: BandPoint[] = []
  let move = 0
  for (const node of nodes) {
    move++
    if (node.event?.kind === 'step') {
      path.push(bandPoint(node.at, smoothed[move]!))
      move++
    }
    while (move < transitions.length && transitions[move]!.q00 === SHIFT_VAR) move++
    path.push(bandPoint(node.at, smoothed[move]!))
  }
  return path
}

function bandPoint(at: number, s: State): BandPoint {
  const sd = Math.sqrt(Math.max(0, s.p00))
  const q = (z: number) => Math.exp(s.m0 + z * sd)
  return { at, p10: q(-Z80), p25: q(-Z50), p50: q(0), p75: q(Z50), p90: q(Z80) }
}

export { FORGET_WEEKS, WEATHER_SD }
