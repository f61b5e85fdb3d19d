import type { ResolvedGroup } from '#core/groups'
import type { MoltWatch } from '#core/molts'
import { type PopulationAnswer, STEADY, SURE } from '#core/population'
import type { Evidence, Message, VerdictState } from '#core/records'
import { failedOf } from './moltStatement'
import { msg, type Statement, type StatementKey } from './statement'

/** A colony that fills so much of its room is called full. */
const FULL = 0.85
/** Fewer than so many are told as animals. */
const FEW = 8
/** What fell is told as falling until so many futures turn. */
const TURNS = 0.6
/** Where so many of the dead died in a molt it is told as molt trouble. */
const IN_MOLT = 0.5
/** Steady is said where so many futures hold within the narrow band that the word means; the rest lie about it. */
const LIKELY = 0.45

type HeadingOf = Pick<ResolvedGroup, 'group' | 'growthPerWeek' | 'batch'>

/**
 * Where the number is heading, and why that is thought.
 * @param molts of the colony, where they are watched
 */
export function headingStatement(
  p: PopulationAnswer,
  { group, growthPerWeek, batch }: HeadingOf,
  molts: MoltWatch | null = null,
): Statement {
  const { value } = p.growthPerWeek
  // what has fallen for weeks is told by how fast it fell: the coming weeks may bring a turn for the better, but that
  // is a hope
  const fell = p.recent !== null && p.recent.perWeek.high < 0 && p.rising < TURNS && p.recent.perWeek.value < value
  const told = fell ? p.recent!.perWeek : p.growthPerWeek
  const numbers = { value: told.value, low: told.low, high: told.high }
  const reasons = p.firstLook ? [] : headingReasons(p, group, fell, molts?.trouble != null)
  // where young do not grow up in place a number that falls as fast as the group's is no alarm, and a batch ends anyway
  const asExpected =
    batch || (!group.life.breedsInPlace && Math.log1p(told.value) > growthPerWeek.value - 2 * growthPerWeek.sd)
  const evidence: Evidence[] = [
    { key: 'evidence.ownShare', values: { share: p.ownEvidence } },
    { key: 'evidence.capacity', values: { capacity: p.capacity } },
  ]

  const say = (
    state: VerdictState,
    key: StatementKey,
    values: Record<string, number> = numbers,
    actions: Statement['actions'] = [],
  ): Statement => ({
    // a first look is too rough to call anybody for a number
    state: p.firstLook && state === 'off' ? 'drifting' : state,
    conclusion: msg(key, values),
    reasons,
    actions,
    evidence,
  })
  // more dead than usual comes before all that would be said otherwise
  if (p.deaths.alarm) {
    const inMolt = p.deaths.molts >= IN_MOLT * p.deaths.found
    const { found, usual, sinceMs } = p.deaths
    return say(
      'off',
      inMolt ? 'heading.dyingInMolt' : 'heading.dying',
      { found, usual, since: sinceMs },
      p.firstLook ? [] : [msg(inMolt ? 'heading.lookAtMolts' : 'heading.lookAtDying', {})],
    )
  }
  if (molts?.trouble) return say('off', 'molts.tooMany', failedOf(molts), [msg('heading.lookAtMolts', {})])
  // nobody ever counted: what is known is known of others
  if (p.counts.length === 0 && group.life.breedsInPlace && p.now.low < p.now.high)
    return say('unknown', 'heading.usually')
  const shrinking = () => say(asExpected ? 'onTarget' : told.value < -0.03 ? 'off' : 'drifting', 'heading.shrinking')
  if (p.now.value >= FEW && fell && told.value < -STEADY) return shrinking()
  // what is so little more or less that nobody could tell is steady, whichever way it leans
  if (p.steady >= LIKELY)
    return say('onTarget', p.roomKnown && p.now.value > FULL * p.capacity ? 'heading.full' : 'heading.steady')
  if (p.now.value < FEW) return fewAhead(p, say, asExpected)
  if (p.rising > SURE) return say('onTarget', 'heading.growing')
  if (p.rising < 1 - SURE) return shrinking()
  return say('unknown', 'heading.unclear')
}

/** Few animals are told as animals: a share of a week means nothing of four crabs. */
function fewAhead(
  p: PopulationAnswer,
  say: (state: VerdictState, key: StatementKey, values?: Record<string, number>) => Statement,
  asExpected: boolean,
): Statement {
  const end = p.fan.at(-1)!
  const more = Math.round(end.p50 - p.now.value)
  const values = { number: Math.abs(more), at: end.at }
  if (more === 0) return say('onTarget', 'heading.fewAsMany', values)
  if (more > 0) return say('onTarget', 'heading.fewMore', values)
  return say(asExpected || p.rising > 1 - SURE ? 'onTarget' : 'drifting', 'heading.fewFewer', values)
}

function headingReasons(
  p: PopulationAnswer,
  group: HeadingOf['group'],
  fell: boolean,
  moltTrouble: boolean,
): Message<StatementKey>[] {
  const end = p.fan.at(-1)!
  const reasons: Message<StatementKey>[] = []
  if (p.doublingWeeks !== null && !p.deaths.alarm && !moltTrouble)
    reasons.push(msg('heading.reasonDoubling', { weeks: p.doublingWeeks }))
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
  const { alarm, found, usual, sinceMs } = p.deaths
  if (!alarm && found > 0) reasons.push(msg('heading.reasonDeaths', { n: found, usual, since: sinceMs }))
  if (!group.life.breedsInPlace)
    reasons.push(msg(p.growthPerWeek.value < -STEADY ? 'heading.reasonNotBreeding' : 'heading.reasonNoYoung', {}))
  reasons.push(
    msg(p.ownEvidence < 0.4 ? 'heading.reasonDefault' : 'heading.reasonOwn', {
      share: p.ownEvidence,
      n: p.counts.length,
    }),
  )
  return reasons
}
