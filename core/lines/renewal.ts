import type { SpeciesGroup } from '#core/groups'
import { weeksUntilGrown } from './weeksUntilGrown'

/** How the grown of a colony that breeds all the time make way for its young. */
export interface Renewal {
  /** from when an animal was laid until it is grown, weeks */
  grownAfterWeeks: number
  /** mean age of the parents of what is laid, from when they were laid themselves, weeks: the length of a generation */
  parentsAgeWeeks: number
  /** part of the grown that live on for so many weeks */
  surviving(weeks: number): number
  /** part of the grown that came in the last so many weeks, where nobody knows their numbers */
  newWithin(weeks: number): number
  /** weeks in which half of the grown are new: before that another grading sees the same animals */
  halfNewWeeks: number
}

/**
 * Renewal of a colony as it is usual for its group. The grown die at a rate, and those that come are so many that the
 * colony would grow as usual: as long as it does, or as long as what it grows is taken out, the young are a share of
 * 1 − exp(−(1/life + growth) weeks), and parents have been grown for 1/(1/life + growth) weeks in the mean (stable
 * population; Caswell 2001, Matrix Population Models, § 5.3). A crowded colony renews itself more slowly.
 */
export function renewalOf({ stages, life }: Pick<SpeciesGroup, 'stages' | 'life'>): Renewal {
  const grownAfterWeeks = weeksUntilGrown(stages)
  const rate = 1 / stages.adultWeeks.value + Math.max(0, life.growthPerWeek.value)
  return {
    grownAfterWeeks,
    parentsAgeWeeks: grownAfterWeeks + 1 / rate,
    surviving: weeks => Math.exp(-Math.max(0, weeks) / stages.adultWeeks.value),
    halfNewWeeks: Math.LN2 / rate,
    newWithin: weeks => 1 - Math.exp(-rate * Math.max(0, weeks)),
  }
}
