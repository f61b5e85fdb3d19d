import { type ResolvedGroup, resolveGroup, type Target } from '#core/groups'
import {
  deathsSince,
  type FittedColony,
  type PopulationAnswer,
  type PopulationQuestion,
  stageModel,
  SURE,
} from '#core/population'
import {
  type Colony,
  currentEntries,
  DAY_MS,
  type Entry,
  type Evidence,
  type Glass,
  type Message,
  momentMs,
  netLitres,
  stateRank,
  type ValueKey,
  valueKeys,
  type Verdict,
  type VerdictState,
} from '#core/records'
import { judgeValue, phSwing, recipeKeys, type ValueVerdict, type WaterStory, waterStory, withSwing } from '#core/water'
import { questionOf } from './questionOf'

export type StatementKey =
  | 'number.about'
  | 'number.exact'
  | 'number.neverCounted'
  | 'number.none'
  | 'number.reasonCounts'
  | 'number.reasonDoubted'
  | 'number.reasonOld'
  | 'number.reasonLeftOut'
  | 'number.doCount'
  | 'heading.growing'
  | 'heading.shrinking'
  | 'heading.steady'
  | 'heading.unclear'
  | 'heading.full'
  | 'heading.reasonDefault'
  | 'heading.reasonOwn'
  | 'heading.reasonDoubling'
  | 'heading.reasonHalving'
  | 'heading.reasonDeaths'
  | 'heading.reasonAhead'
  | 'heading.reasonRecent'
  | 'heading.reasonNotBreeding'
  | 'heading.reasonNoYoung'
  | 'surplus.some'
  | 'surplus.none'
  | 'surplus.reasonKeep'
  | 'surplus.reasonShrinking'
  | 'surplus.reasonUnder'
  | 'surplus.reasonDoubt'
  | 'surplus.reasonWaterOff'
  | 'surplus.later'
  | 'water.allGood'
  | 'water.nothingKnown'

/** One of the four sentences of a colony, with what stands behind it. */
export type Statement = Verdict<StatementKey>

/**
 * The four statements of one colony and the numbers that its pictures are drawn from. Plain data: it crosses to and
 * from a worker and is stored.
 */
export interface ColonyStatements {
  colonyId: string
  asOf: number
  netL: number
  changeL: number
  number: Statement
  heading: Statement
  surplus: Statement
  water: {
    state: VerdictState
    /** the value that speaks for the glass: the worst one */
    worst: ValueVerdict | null
    /** set when there is no single value to speak of; null when `worst` speaks */
    conclusion: Message<'water.allGood' | 'water.nothingKnown'> | null
    values: ValueVerdict[]
    /** whether a value that a recipe can steer is off or drifting */
    correctable: boolean
  }
  population: PopulationAnswer
}

/** Everything that the statements of a colony follow from. */
export interface StatementInput {
  colony: Colony
  /** where it stands: its litres are the room that it has */
  glass: Glass
  /** whose water it lives in: the glass's own, or that of the host in which a box hangs */
  water: Glass
  /** all entries of the colony, and all of its water; superseded ones are sorted out here */
  colonyEntries: readonly Entry[]
  glassEntries: readonly Entry[]
  /** the waters of glasses where it stood before, with what was logged of them in that time */
  earlier: readonly { water: Glass; entries: readonly Entry[] }[]
  nowMs: number
  /** where the keeper lives, as an IANA name: dawn and dusk are told by its clock */
  zone: string
}

/** Growth within this share of nothing per week is called steady (half a per cent: a colony of 200 gains one). */
const STEADY = 0.005
/** Days after which a count is called old (from memory). */
const OLD_COUNT_DAYS = 56

/**
 * Values that kill first are named first; then those that most molts hang on (common practice: GH and KH, then the
 * rest).
 */
export const urgency: readonly ValueKey[] = [
  'ammoniaMgL',
  'nitriteMgL',
  'copperMgL',
  'khDh',
  'ghDh',
  'salinityGKg',
  'temperatureC',
  'ph',
  'conductivityUsCm',
  'humidityPct',
  'calciumMgL',
  'nitrateMgL',
]

/** The question of a colony and the readings of its glass, from the raw logs of both. */
export function questionFrom(input: StatementInput): {
  question: PopulationQuestion
  readings: WaterStory['readings']
} {
  const { colony, glass, water, colonyEntries, glassEntries, earlier, nowMs } = input
  const readingsOf = (of: Glass, entries: readonly Entry[]) =>
    waterStory(currentEntries(entries), netLitres(of), nowMs).readings
  const readings = readingsOf(water, glassEntries)
  // the pace of life follows the waters in which the colony stood, each in its time
  const arrived = momentMs(colony.stays.at(-1)!.from)
  const before = earlier.flatMap(e => readingsOf(e.water, e.entries).get('temperatureC') ?? [])
  const here = (readings.get('temperatureC') ?? []).filter(r => earlier.length === 0 || r.at >= arrived)
  return { question: questionOf(colony, glass, currentEntries(colonyEntries), [...before, ...here], nowMs), readings }
}

/**
 * How many there are, where it is heading, what can go, and what the water needs.
 * @param input records and all entries of the colony and its glass
 * @param before an earlier fit of the same colony: the fit goes on from it where only later entries are new
 * @returns the statements, and the fit for the next time
 */
export function colonyStatements(
  input: StatementInput,
  before?: FittedColony,
): { statements: ColonyStatements; fit: FittedColony } {
  const { colony, nowMs } = input
  const group = resolveGroup(colony)
  const netL = netLitres(input.water)
  const changeL = netL * (group.change?.share ?? 0.1)

  const { question, readings } = questionFrom(input)
  const fit = before ? before.resume(question) : stageModel.fit(question)
  const population = fit.explain()
  const values: ValueVerdict[] = []
  for (const key of valueKeys) {
    const target: Target | undefined = group.targets[key]
    if (!target) continue
    const verdict = judgeValue(key, target, readings.get(key) ?? [], nowMs, group.largestStepPerWeek[key]?.value)
    values.push(key === 'ph' ? withSwing(verdict, phSwing(readings.get('ph') ?? [], nowMs, input.zone)) : verdict)
  }
  const water = waterStatement(values)
  const statements: ColonyStatements = {
    colonyId: colony.id,
    asOf: nowMs,
    netL,
    changeL,
    number: numberStatement(population, nowMs),
    heading: headingStatement(population, group),
    surplus: surplusStatement(population, water.state),
    water,
    population,
  }
  return { statements, fit }
}

function numberStatement(p: PopulationAnswer, nowMs: number): Statement {
  const { value, low, high } = p.now
  const last = p.counts.at(-1)
  const numbers = { value, low, high }
  const evidence: Evidence[] = p.counts
    .slice(-8)
    .toReversed()
    .map(c => ({
      key: 'evidence.count',
      entryId: c.entryId,
      values: {
        at: c.at,
        seen: c.seen,
        method: c.method,
        implied: c.value,
        low: c.low,
        high: c.high,
        weight: c.weight,
        expected: c.expected,
      },
    }))
  if (!last)
    return {
      state: 'unknown',
      conclusion: msg('number.neverCounted', numbers),
      reasons: [],
      actions: [msg('number.doCount', p.ifCountedToday)],
      evidence,
    }
  const days = (nowMs - last.at) / DAY_MS
  const reasons = [msg('number.reasonCounts', { n: p.counts.length, days, seen: last.seen, method: last.method })]
  const doubted = p.counts.filter(c => c.weight === 'none').at(-1)
  if (doubted)
    reasons.push(
      msg('number.reasonDoubted', {
        seen: doubted.seen,
        expected: doubted.expected,
        at: doubted.at,
        method: doubted.method,
      }),
    )
  if (p.leftOutBefore !== null) reasons.push(msg('number.reasonLeftOut', { at: p.leftOutBefore }))
  const old = days > OLD_COUNT_DAYS
  if (old) reasons.push(msg('number.reasonOld', { days }))
  const wide = high > 1.6 * low
  const conclusion =
    value < 0.6 ? 'number.none' : Math.round(low) === Math.round(high) ? 'number.exact' : 'number.about'
  return {
    state: old ? 'unknown' : wide ? 'drifting' : 'onTarget',
    conclusion: msg(conclusion, numbers),
    reasons,
    actions: old || wide ? [msg('number.doCount', p.ifCountedToday)] : [],
    evidence,
  }
}

function headingStatement(p: PopulationAnswer, { group, growthPerWeek }: ResolvedGroup): Statement {
  const { value, low, high } = p.growthPerWeek
  // what has fallen for weeks is told by how fast it fell: the coming weeks may bring a turn for the better, but that
  // is a hope
  const fell = p.recent !== null && p.recent.perWeek.high < 0 && p.rising < 0.5 && p.recent.perWeek.value < value
  const told = fell ? p.recent!.perWeek : p.growthPerWeek
  const numbers = { value: told.value, low: told.low, high: told.high }
  const end = p.fan.at(-1)!
  const reasons: Message<StatementKey>[] = []
  if (p.doublingWeeks !== null) reasons.push(msg('heading.reasonDoubling', { weeks: p.doublingWeeks }))
  if (p.halvingWeeks !== null && !fell) reasons.push(msg('heading.reasonHalving', { weeks: p.halvingWeeks }))
  if (fell)
    reasons.push(
      msg('heading.reasonRecent', {
        from: p.recent!.from,
        to: p.now.value,
        weeks: p.recent!.weeks,
        moved: p.recent!.moved,
      }),
    )
  reasons.push(msg('heading.reasonAhead', { low: end.p10, high: end.p90, at: end.at }))
  const deaths = deathsSince(p, p.fan[0]!.at - 84 * DAY_MS)
  if (deaths > 0) reasons.push(msg('heading.reasonDeaths', { n: deaths }))
  // where young do not grow up in place a number that falls as fast as the group's is no alarm
  const { breedsInPlace } = group.life
  const falls = value < -STEADY
  const asExpected = !breedsInPlace && Math.log1p(told.value) > growthPerWeek.value - 2 * growthPerWeek.sd
  if (!breedsInPlace) reasons.push(msg(falls ? 'heading.reasonNotBreeding' : 'heading.reasonNoYoung', {}))
  reasons.push(
    msg(p.ownEvidence < 0.4 ? 'heading.reasonDefault' : 'heading.reasonOwn', {
      share: p.ownEvidence,
      n: p.counts.length,
    }),
  )
  const evidence: Evidence[] = [
    { key: 'evidence.ownShare', values: { share: p.ownEvidence } },
    { key: 'evidence.capacity', values: { capacity: p.capacity } },
  ]

  const at = (state: VerdictState, key: StatementKey): Statement => ({
    state,
    conclusion: msg(key, numbers),
    reasons,
    actions: [],
    evidence,
  })
  if (p.now.value > 0.85 * p.capacity && value < 0.02 && value > -0.02) return at('onTarget', 'heading.full')
  if (p.rising > SURE) return value < STEADY ? at('onTarget', 'heading.steady') : at('onTarget', 'heading.growing')
  if (p.rising < 1 - SURE)
    return value > -STEADY
      ? at('onTarget', 'heading.steady')
      : at(asExpected ? 'onTarget' : told.value < -0.03 ? 'off' : 'drifting', 'heading.shrinking')
  if (fell && told.value < -STEADY)
    return at(asExpected ? 'onTarget' : told.value < -0.03 ? 'off' : 'drifting', 'heading.shrinking')
  return Math.max(high, -low) < 3 * STEADY ? at('onTarget', 'heading.steady') : at('unknown', 'heading.unclear')
}

function surplusStatement(p: PopulationAnswer, water: VerdictState): Statement {
  const { take, minimumKeep, riskNow, riskAfter, allowedRisk } = p.surplus
  const keep = { keep: minimumKeep, risk: take > 0 ? riskAfter : riskNow, allowed: allowedRisk }
  const evidence: Evidence[] = [
    { key: 'evidence.risk', values: { now: riskNow, after: riskAfter, allowed: allowedRisk } },
    { key: 'evidence.minimum', values: { keep: minimumKeep } },
  ]
  // animals that come from bad water travel badly, and the futures know nothing of what the water will do to the rest
  const first = water === 'off' ? [msg('surplus.reasonWaterOff', {})] : []
  if (take > 0)
    return {
      state: water === 'off' ? 'drifting' : 'onTarget',
      conclusion: msg('surplus.some', { take }),
      reasons: [...first, msg('surplus.reasonKeep', keep)],
      actions: [],
      evidence,
    }
  const reasons: Message<StatementKey>[] = []
  if (p.now.value < minimumKeep) reasons.push(msg('surplus.reasonUnder', { keep: minimumKeep, value: p.now.value }))
  else if (p.growthPerWeek.value < -STEADY) reasons.push(msg('surplus.reasonShrinking', keep))
  else reasons.push(msg('surplus.reasonDoubt', keep))
  const later = p.fan.find(point => point.p25 > minimumKeep * 1.25)
  if (later && later.at > p.fan[0]!.at) reasons.push(msg('surplus.later', { at: later.at, keep: minimumKeep }))
  return { state: 'unknown', conclusion: msg('surplus.none', keep), reasons, actions: [], evidence }
}

function waterStatement(values: ValueVerdict[]): ColonyStatements['water'] {
  const worst = worstOf(values)
  const state = worst?.state ?? 'unknown'
  const known = values.some(v => v.latest)
  return {
    state,
    worst,
    conclusion:
      state === 'onTarget'
        ? { key: 'water.allGood', values: { n: values.filter(v => v.state === 'onTarget').length } }
        : known
          ? null
          : { key: 'water.nothingKnown', values: {} },
    values,
    correctable: values.some(
      v =>
        (recipeKeys as readonly ValueKey[]).includes(v.key) &&
        v.latest &&
        (v.state === 'off' || v.state === 'drifting'),
    ),
  }
}

/**
 * The value that speaks for the water: the worst state, the more urgent value first.
 * A value that was never tested speaks only when nothing else was tested either: not every keeper owns every kit, and a
 * room full of open rings says nothing.
 */
function worstOf(values: readonly ValueVerdict[]): ValueVerdict | null {
  const tested = values.filter(v => v.latest !== null)
  const pool = tested.length > 0 ? tested : values
  return (
    pool.toSorted(
      (a, b) => stateRank[b.state] - stateRank[a.state] || urgency.indexOf(a.key) - urgency.indexOf(b.key),
    )[0] ?? null
  )
}

const msg = (key: StatementKey, values: Record<string, number | string>): Message<StatementKey> => ({ key, values })
