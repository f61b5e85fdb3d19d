import type { Message, VerdictState } from '#core/records'
import { type ColonyStatements, type StatementKey, urgency } from '#core/statements'
import type { WaterMessageKey } from '#core/water'

/** Something that needs the keeper: one for a colony, its most urgent matter first. */
export interface Attention {
  colonyId: string
  state: VerdictState
  /** to be done today; what drifts or grows old is only to be watched */
  today: boolean
  title: Message<WaterMessageKey | StatementKey>
  /** what else is wrong beside it: water, deaths and a lost number hang together, and are told in one sentence */
  also: Message<WaterMessageKey | StatementKey> | null
  reason: Message<WaterMessageKey | StatementKey> | null
  action: Message<WaterMessageKey | StatementKey> | null
  /** higher comes first */
  weight: number
}

/**
 * What needs the keeper today, and what is to be watched, most urgent first: deaths, water that is off, numbers that
 * are lost or in question, colonies that shrink, water that drifts, too many males, water or numbers that are not known
 * any more.
 * @param statements of all colonies, in any order; ties keep their order
 */
export function needsAttention(statements: readonly ColonyStatements[]): Attention[] {
  return statements.flatMap(s => mostUrgent(s) ?? []).sort((a, b) => b.weight - a.weight)
}

/** The states that a glass is drawn by: of its water the worst, of the numbers only an alarm. */
export const drawnStates = ({ water, number, heading }: ColonyStatements): VerdictState[] => [
  water.state,
  ...[number.state, heading.state].filter(state => state === 'off'),
]

type Need = Omit<Attention, 'colonyId' | 'today' | 'also'>

/** What is off, and a poison of which nobody knows whether it is still there. */
const isForToday = ({ state, title }: Need) => state === 'off' || title.key === 'water.poisonOld'

/** The most urgent matter of a colony: the first of these that is one. */
function mostUrgent(s: ColonyStatements): Attention | null {
  const needs = [
    waterOff,
    dying,
    numberOff,
    shrinking,
    otherWaterOff,
    waterDrifts,
    manyMales,
    waterOld,
    numberOld,
  ].flatMap(need => need(s) ?? [])
  const [first, second] = needs
  if (!first) return null
  const together = first.state === 'off' && (second?.state === 'off' || second?.state === 'drifting')
  return { colonyId: s.colonyId, ...first, today: isForToday(first), also: together ? second!.title : null }
}

// among equals the value that kills sooner comes first
const sooner = ({ water: { worst } }: ColonyStatements) => (worst ? urgency.indexOf(worst.key) / 2 : 0)

function ofWater(s: ColonyStatements, state: VerdictState, weight: number, value = s.water.worst): Need | null {
  if (value?.state !== state) return null
  return {
    state,
    title: value.conclusion,
    reason: state === 'unknown' ? null : (value.reasons[0] ?? null),
    action: value.actions[0] ?? null,
    weight: weight - sooner(s),
  }
}
const waterOff = (s: ColonyStatements) => ofWater(s, 'off', 100)
const otherWaterOff = (s: ColonyStatements) => ofWater(s, 'off', 100, s.water.second)
const waterDrifts = (s: ColonyStatements) => ofWater(s, 'drifting', 60)
const waterOld = (s: ColonyStatements): Need | null =>
  s.water.worst && !s.water.worst.latest
    ? { state: 'unknown', title: { key: 'water.nothingKnown', values: {} }, reason: null, action: null, weight: 35 }
    : ofWater(s, 'unknown', 40)

/** A count that asks for another one, or animals that are missing. */
const numberOff = ({ number }: ColonyStatements): Need | null =>
  number.state === 'off'
    ? {
        state: 'off',
        title: number.reasons[0]!,
        reason: number.reasons[1] ?? null,
        action: number.actions[0] ?? null,
        weight: 90,
      }
    : null

const ofHeading = (s: ColonyStatements, weight: number): Need | null => {
  const { heading } = s
  return heading.state === 'off'
    ? {
        state: 'off',
        title: heading.conclusion,
        // where they die nobody asks how many there may be in spring
        reason: inTrouble(s) ? null : (heading.reasons[0] ?? null),
        action: heading.actions[0] ?? null,
        weight,
      }
    : null
}
/** More are found dead than usual, or molts fail too often. */
const inTrouble = ({ population, molts }: ColonyStatements) =>
  population.deaths.alarm || (molts !== null && molts.watch.trouble !== null)
const dying = (s: ColonyStatements) => (inTrouble(s) ? ofHeading(s, 105) : null)
const shrinking = (s: ColonyStatements) => (inTrouble(s) ? null : ofHeading(s, 80))

const manyMales = ({ number }: ColonyStatements): Need | null => {
  const action = number.actions.find(a => a.key === 'number.doFewerMales')
  const title = number.reasons.find(r => r.key === 'number.reasonSexes')
  return action && title ? { state: 'drifting', title, reason: null, action, weight: 45 } : null
}

const numberOld = ({ number }: ColonyStatements): Need | null =>
  number.state === 'unknown'
    ? {
        state: 'unknown',
        title: number.reasons.find(r => r.key === 'number.reasonOld') ?? number.conclusion,
        reason: null,
        action: number.actions[0] ?? null,
        weight: 20,
      }
    : null
