import type { ResolvedGroup } from '#core/groups'
import type { Spreads } from './question'
import type { StageRates } from './rates'

/**
 * Part of a count's spread that stays the same from count to count: the keeper's eye and the glass's cover (from
 * memory).
 */
export const OWN_SHARE = 0.5
/** Spread of deaths about the group's, where births and deaths are both uncertain (from memory). */
const LOSSES_SD = 0.45
/** Spread of the room about the litres' default (from memory). */
const ROOM_SD = 0.65

/** Spread of the power of crowding, about Ricker's straight one (from memory). */
const SHAPE_SD = 0.5

/**
 * Spread of the share of broods that this keeper sees in this glass: it differs far more than it changes (from memory).
 */
const SIGHT_SD = 0.7

/** How far a colony may lie from its group's defaults, so that growth in an empty glass has the group's spread. */
export function spreadsOf(resolved: Pick<ResolvedGroup, 'growthPerWeek' | 'counting'>, rates: StageRates): Spreads {
  const { sd } = resolved.growthPerWeek
  const losses =
    rates.growthByRecruits > 0
      ? LOSSES_SD
      : Math.min(1.2, Math.max(0.2, sd / Math.max(1e-6, Math.abs(rates.growthByLosses))))
  const recruits = rates.growthByRecruits > 0 ? Math.min(1.6, Math.max(0.15, sd / rates.growthByRecruits)) : 0
  return {
    recruits,
    losses,
    room: ROOM_SD,
    seen: OWN_SHARE * resolved.counting.allSeen.sdLog,
    sight: SIGHT_SD,
    shape: SHAPE_SD,
  }
}
