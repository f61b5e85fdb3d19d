import type { FeedingSchoolId } from '#core/groups'
import { type Glass, momentMs, type Water, WEEK_MS } from '#core/records'
import { pureWater } from '../chemistry/ions'
import { type BoxHabits, slowLaws } from './box'
import type { WaterStory } from './events'
import { clearDrift, type LearntHabits } from './habits'

/**
 * Evaporation where nothing was written down: a share of the water a day (from memory: covered glass in a heated room).
 */
const EVAPORATES_PER_DAY = 0.004

/** What a forecast is reckoned with, and what of it the log told. */
export interface UsualHabits extends BoxHabits {
  evaporationKnown: boolean
  topUpKnown: boolean
}

/**
 * What goes on in a glass from today if nothing is done: what its log taught, and defaults for the rest. Slow sources
 * and feeding are in the drift already once it is learnt. No changes: they are added by whoever asks.
 * @param feedingSchools options of the feeding schools of its colonies
 * @param pure the keeper's pure water, for top-ups that were never logged
 */
export function usualHabits({
  story,
  learnt,
  netL,
  glass,
  feedingSchools,
  pure,
  nowMs,
}: {
  story: Pick<WaterStory, 'events'>
  learnt: LearntHabits
  netL: number
  glass: Pick<Glass, 'carbonateG' | 'soilSince'> | null
  feedingSchools: readonly FeedingSchoolId[]
  pure: Water | null
  nowMs: number
}): UsualHabits {
  const driftPerWeek: BoxHabits['driftPerWeek'] = {}
  for (const [key, rate] of Object.entries(learnt.driftPerWeek))
    driftPerWeek[key as keyof BoxHabits['driftPerWeek']] = clearDrift(rate)
  const lastTopUp = story.events.findLast(e => e.kind === 'topUp' && e.water)
  return {
    evaporationLPerDay: learnt.evaporationLPerDay?.value ?? EVAPORATES_PER_DAY * netL,
    evaporationKnown: learnt.evaporationLPerDay !== null,
    topUp: lastTopUp?.water ?? pure ?? { ...pureWater },
    topUpKnown: lastTopUp !== undefined,
    change: null,
    nitrateMgLPerWeek:
      driftPerWeek.nitrateMgL === undefined
        ? Math.max(0, ...feedingSchools.map(id => slowLaws.feedingNitrateMgLPerWeek[id]))
        : 0,
    carbonateGL: driftPerWeek.khDh === undefined && glass?.carbonateG ? glass.carbonateG / netL : 0,
    soilAgeWeeks:
      driftPerWeek.khDh === undefined && glass?.soilSince ? (nowMs - momentMs(glass.soilSince)) / WEEK_MS : null,
    driftPerWeek,
  }
}
