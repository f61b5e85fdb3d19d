import { CP, M, prior, target } from './basis'
import type { SchoolOption } from './group'
import type { FeedingSchoolId, SchoolId } from './schoolIds'
import type { z } from 'zod'

type Option = z.infer<typeof SchoolOption>

const change = (id: SchoolId<'waterChange'>, name: string, share: number, everyDays: number): Option => ({
  id,
  name,
  change: { share, everyDays },
  basis: CP,
})

const smallWeekly = change('smallWeekly', 'Small weekly, 10 %', 0.1, 7)
const moderateWeekly = change('moderateWeekly', 'Moderate weekly, 15 %', 0.15, 7)
const fortnightly = change('fortnightly', 'Fortnightly, 25 to 30 %', 0.27, 14)
const topUpOnly: Option = { id: 'topUpOnly', name: 'Top up only, with pure water', basis: CP }

/** Water changes. A day early or late never matters; a jump in values does. */
export const waterChange = {
  weekly: [smallWeekly, moderateWeekly, fortnightly, topUpOnly],
  moderate: [moderateWeekly, smallWeekly, fortnightly, topUpOnly],
  topUp: [topUpOnly, smallWeekly, moderateWeekly, fortnightly],
}

const feed = (id: FeedingSchoolId, name: string, rhythm: NonNullable<Option['feed']>): Option => ({
  id,
  name,
  feed: rhythm,
  basis: CP,
})
const sparse = feed('sparse', 'Sparse: every few days, biofilm does the rest', { everyDays: 3, portion: 1 })
const dailySmall = feed('dailySmall', 'Daily small', { everyDays: 1, portion: 0.5 })
const twiceDaily = feed('twiceDaily', 'Twice daily, eaten within an hour', { everyDays: 0.5, portion: 0.7 })
const powder = feed('powder', 'Powder for young, daily while young are seen', { everyDays: 2, portion: 0.7 })
const heavy = feed('heavy', 'Heavy, with more water changes', { everyDays: 1, portion: 2 })
const pool = feed('brackishPool', 'Brackish pool: nothing for one to two months, then a 3 mm pellet a week in 38 L', {
  everyDays: 7,
  portion: 1,
  restWeeks: 6,
})

export const feeding = {
  shrimp: [dailySmall, sparse, twiceDaily, powder],
  snail: [dailySmall, sparse, heavy],
  // two well-fed ramshorns reach about a thousand in a couple of months (common practice): ln(1000/2)/9 weeks = 0.69
  ramshorn: [dailySmall, sparse, { ...heavy, growthPerWeek: prior(0.69, 0.2, CP) }],
  pool: [pool, sparse],
  sparse: [sparse, dailySmall],
}

/**
 * Breeding colonies are kept without fish; small peaceful fish cost most of the young. The rate with fish is from
 * memory.
 */
export const fish = (withFish: number): Option[] => [
  { id: 'none', name: 'No fish', basis: CP },
  { id: 'peaceful', name: 'Small peaceful fish', growthPerWeek: prior(withFish, 0.02, M), basis: CP },
]

export const clutches: Option[] = [
  { id: 'leave', name: 'Leave clutches in place', basis: CP },
  { id: 'incubator', name: 'Bring clutches to a floating incubator', basis: CP },
]

export const branchiopodStart: Option[] = [
  { id: 'reflooded', name: 'Cured, dried and reflooded substrate', basis: CP },
  { id: 'cycled', name: 'Cycled tank', basis: CP },
  { id: 'dayOne', name: 'Eggs from day one, sparse food', basis: CP },
]

/**
 * Temperature schools of *Neocaridina*. Warmer is faster and shorter (common practice); the growth figures are from
 * memory.
 */
export const neocaridinaTemperature: Option[] = [
  { id: 'mixed', name: 'Mixed, 22 to 25 °C', basis: CP },
  {
    id: 'cool',
    name: 'Cool and long-lived, 20 to 21 °C',
    targets: { temperatureC: target(CP, [20, 21], [18, 25]) },
    growthPerWeek: prior(0.035, 0.03, M),
    basis: CP,
  },
  {
    id: 'warm',
    name: 'Warm and fast, 24.5 to 25.5 °C',
    targets: { temperatureC: target(CP, [24.5, 25.5], [20, 28]) },
    growthPerWeek: prior(0.09, 0.05, M),
    basis: CP,
  },
]

export const neocaridinaHardness: Option[] = [
  { id: 'group', name: 'Middle: GH 6 to 8, KH 3 to 8', basis: CP },
  {
    id: 'hard',
    name: 'Hard: GH above 5, KH above 3, pH 7 and more',
    targets: { ghDh: target(CP, [5, 12]), khDh: target(CP, [3, 15]), ph: target(CP, [7, 8]) },
    basis: CP,
  },
  {
    id: 'wide',
    name: 'Wide: GH 4 to 8, KH 2 to 15',
    targets: { ghDh: target(CP, [4, 8]), khDh: target(CP, [2, 15]), ph: target(CP, [6.5, 7.5]) },
    basis: CP,
  },
  {
    id: 'soft',
    name: 'Soft-leaning: 2 to 12 °dH',
    targets: { ghDh: target(CP, [2, 12]), ph: target(CP, [6.5, 8]) },
    basis: CP,
  },
]

/** Temperature classes of temporary-pool branchiopods; figures from memory. */
export const branchiopodTemperature: Option[] = [
  {
    id: 'warm',
    name: 'Warm pools: room temperature and above',
    targets: { temperatureC: target(M, [20, 27], [18, 32]) },
    basis: CP,
  },
  { id: 'cool', name: 'Cool pools', targets: { temperatureC: target(M, [14, 20], [10, 23]) }, basis: CP },
  { id: 'cold', name: 'Cold pools', targets: { temperatureC: target(M, [5, 14], [3, 18]) }, basis: CP },
]

/** Cation classes of branchiopods: which salt their pool is made of; figures from memory. */
export const branchiopodHardness: Option[] = [
  {
    id: 'calcium',
    name: 'Calcium type',
    targets: { ghDh: target(M, [4, 10], [2, 15]), conductivityUsCm: target(M, [100, 400], [40, 800]) },
    basis: CP,
  },
  {
    id: 'sodium',
    name: 'Sodium type',
    targets: { ghDh: target(M, [1, 6], [0, 12]), conductivityUsCm: target(M, [300, 2000], [100, 5000]) },
    basis: CP,
  },
]
