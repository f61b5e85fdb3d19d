import type { ResolvedGroup } from '#core/groups'
import { deathsSince, type PopulationAnswer, SURE } from '#core/population'
import { DAY_MS, type Evidence, type Message, type VerdictState } from '#core/records'
import { msg, type Statement, type StatementKey, STEADY } from './statement'

type HeadingOf = Pick<ResolvedGroup, 'group' | 'growthPerWeek'>

/** Where the number is heading, and why that is thought. */
export function headingStatement(p: PopulationAnswer, { group, growthPerWeek }: HeadingOf): Statement {
  const { value, low, high } = p.growthPerWeek
  // what has fallen for weeks is told by how fast it fell: the coming weeks may bring a turn for the better, but that
  // is a hope
  const fell = p.recent !== null && p.recent.perWeek.high < 0 && p.rising < 0.5 && p.recent.perWeek.value < value
  const told = fell ? p.recent!.perWeek : p.growthPerWeek
  const numbers = { value: told.value, low: told.low, high: told.high }
  const reasons = p.firstLook ? [] : headingReasons(p, { group, growthPerWeek }, fell)
  // where young do not grow up in place a number that falls as fast as the group's is no alarm
  const asExpected = !group.life.breedsInPlace && Math.log1p(told.value) > growthPerWeek.value - 2 * growthPerWeek.sd
  const evidence: Evidence[] = [
    { key: 'evidence.ownShare', values: { share: p.ownEvidence } },
    { key: 'evidence.capacity', values: { capacity: p.capacity } },
  ]

  const say = (state: VerdictState, key: StatementKey): Statement => ({
    // a first look is too rough to call anybody for a number
    state: p.firstLook && state === 'off' ? 'drifting' : state,
    conclusion: msg(key, numbers),
    reasons,
    actions: [],
    evidence,
  })
  if (p.now.value > 0.85 * p.capacity && value < 0.02 && value > -0.02) return say('onTarget', 'heading.full')
  if (p.rising > SURE) return value < STEADY ? say('onTarget', 'heading.steady') : say('onTarget', 'heading.growing')
  if (p.rising < 1 - SURE)
    return value > -STEADY
      ? say('onTarget', 'heading.steady')
      : say(asExpected ? 'onTarget' : told.value < -0.03 ? 'off' : 'drifting', 'heading.shrinking')
  if (fell && told.value < -STEADY)
    return say(asExpected ? 'onTarget' : told.value < -0.03 ? 'off' : 'drifting', 'heading.shrinking')
  return Math.max(high, -low) < 3 * STEADY ? say('onTarget', 'heading.steady') : say('unknown', 'heading.unclear')
}

function headingReasons(p: PopulationAnswer, { group }: HeadingOf, fell: boolean): Message<StatementKey>[] {
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
