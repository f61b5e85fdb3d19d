import { preferredC, type ResolvedGroup } from '#core/groups'
import { openingCloud } from './checkpoint'
import { liveFutures, type WeeksToReach, weeksToReach } from './futures'
import { stageRates } from './rates'
import { spreadsOf } from './spreads'

/** What is asked of a starting number. */
export interface StarterQuestion {
  starters: number
  /** animals wanted */ number: number
  /** animals that the glass can carry */ capacity: number
}

const FUTURES = 200
/** Three years. */
const WEEKS = 156

/**
 * Weeks until a number is there from a number of grown starters, half of them females, in a group's own temperature.
 * All starting numbers share their luck, so that differences are real.
 * @throws RangeError for less than one starter
 */
export function weeksFromStarters(
  resolved: Pick<ResolvedGroup, 'group' | 'growthPerWeek' | 'targets' | 'counting'>,
  { starters, number, capacity }: StarterQuestion,
): WeeksToReach {
  if (!(starters >= 1)) throw new RangeError(`starters must be 1 or more, got ${starters}`)
  const rates = stageRates(resolved, { temperatureC: preferredC(resolved), capacity })
  const cloud = openingCloud(
    {
      seed: 3,
      founders: { females: 0, males: 0, unsexed: starters, halfGrown: 0, young: 0 },
      rates,
      spreads: spreadsOf(resolved, rates),
    },
    FUTURES,
  )
  const futures = liveFutures({ start: { cloud, size: FUTURES }, size: FUTURES, weeks: WEEKS, rates, seed: 3 })
  return weeksToReach(futures.totals, futures, number)
}
