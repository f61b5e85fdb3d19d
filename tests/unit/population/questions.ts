import { byEye, countEvidence } from '#core/abundance'
import { groupOf, preferredC, resolveGroup } from '#core/groups'
import { spreadsOf, stageRates, type PopulationEvent, type PopulationQuestion } from '#core/population'
import { type Heads, WEEK_MS } from '#core/records'
import { NOW } from '../../make'

/** Questions to the population model, in one short call each. */
export const heads = (parts: Partial<Heads>): Heads => ({
  females: 0,
  males: 0,
  unsexed: 0,
  halfGrown: 0,
  young: 0,
  ...parts,
})
export const resolvedOf = (groupId: string, more: object = {}) =>
  resolveGroup({ groupId, schools: {}, targets: {}, life: {}, ...more })
export const ratesOf = (groupId: string, capacity = 600, more: object = {}) =>
  stageRates(resolvedOf(groupId, more), { temperatureC: preferredC(resolvedOf(groupId, more)), capacity })

let made = 0
type Count = Extract<PopulationEvent, { kind: 'count' }>
/** A count of Neocaridina so many weeks ago. */
export const counted = (
  weeksAgo: number,
  seen: number,
  method: Count['method'] = 'allSeen',
  more: Partial<Count> = {},
): PopulationEvent => ({
  kind: 'count',
  entryId: `c${++made}`,
  at: NOW - weeksAgo * WEEK_MS,
  seen,
  method,
  byEye: (byEye as readonly string[]).includes(method),
  evidence: countEvidence({ number: seen, method }, groupOf('neocaridina').counting, true),
  ...more,
})
export const step = (
  weeksAgo: number,
  change: number,
  more: { death?: boolean; molt?: boolean; hatched?: boolean; parts?: Heads } = {},
): PopulationEvent => ({
  kind: 'step',
  entryId: `s${++made}`,
  at: NOW - weeksAgo * WEEK_MS,
  change,
  death: false,
  hatched: false,
  ...more,
})

/** A colony of Neocaridina, 40 weeks old, of twenty founders. */
export function ask(
  events: readonly PopulationEvent[],
  more: Partial<PopulationQuestion> & { groupId?: string } = {},
): PopulationQuestion {
  const { groupId = 'neocaridina', ...rest } = more
  const rates = rest.rates ?? ratesOf(groupId)
  return {
    seed: 5,
    startMs: NOW - 40 * WEEK_MS,
    nowMs: NOW,
    founders: heads({ females: 12, males: 8 }),
    events: [...events].sort((a, b) => a.at - b.at),
    rates,
    spreads: spreadsOf(resolvedOf(groupId), rates),
    temperatureC: 23.5,
    ownBirths: 1,
    minimumKeep: 30,
    minimumFemales: 0,
    femalesAreOwn: false,
    allowedRisk: 0.1,
    fullCount: { share: 0.88, sdLog: 0.1 },
    broodSight: { share: 0.6, sdLog: 0.7 },
    ...rest,
  }
}
/** Full counts of a colony that doubles every 14 weeks, as 88 % of them are found. */
export const doubling = [36, 32, 28, 24, 20, 16, 12, 8, 4, 1].map(w =>
  counted(w, Math.round(0.88 * 20 * 2 ** ((40 - w) / 14))),
)
