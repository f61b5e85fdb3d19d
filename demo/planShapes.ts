import type { AnimalSex, CountMethod, EntryKind, Glass, Heads, TestMethod, ValueKey } from '#core/records'

/**
 * How a water value behaves in the invented room. Weeks count back from the end of the records: −8 is eight weeks
 * before.
 */
export interface WaterPlan {
  base: number
  /** change per week from `from` weeks on */
  drift?: { from: number; perWeek: number }
  /** half the seasonal swing, warmest in August */
  season?: number
  /** added to every reading taken in the evening */
  dusk?: number
  method: TestMethod
  /** weeks between tests */
  every: number
  /** weeks before the end from which no test was made */
  stopped?: number
}

/** A colony of the invented room: what is true of it, and how its keepers count it. */
export interface ColonyPlan {
  name: string
  groupId: string
  schools?: Record<string, string>
  /** a pool of dry eggs: those that hatched are true, and nobody knew their number */
  form?: 'batch'
  founders: Partial<Heads>
  /** weeks before the end when it began */
  began: number
  /** true births per animal and week in an empty tank, and true deaths */
  births: number
  deaths: number
  capacity: number
  /** from so many weeks before the end these rates hold instead */
  turn?: { from: number; births: number; deaths: number }
  counts: { method: CountMethod; every: number; share?: number }
  sales?: { every: number; number: number; from: number; outlet: 'sold' | 'given' | 'fed' }
  /** animals that come in from the same room: hatched clutches, picked young */
  arrivals?: { week: number; number: number; text: string }[]
  deathsLogged?: { week: number; number: number; sign: 'failedMolt' | 'unknown' | 'old'; text?: string }[]
  /** a count that is far off */
  wildCount?: { week: number; times: number; method: CountMethod; text: string }
  /** a slip of the pen that was put right */
  slip?: { week: number }
  notes?: { week: number; text: string }[]
  minimumKeep?: number
  followed?: FollowedPlan[]
}

/** An animal that is known by its name: when it was born or came, in weeks before the end, and what was logged. */
export interface FollowedPlan {
  name: string
  sex: AnimalSex
  bornWeeks?: number
  cameWeeks?: number
  marks?: string
  /** others of the same colony that are its parents */
  sire?: string
  dam?: string
  log: ({ week: number; kind: EntryKind } & Record<string, unknown>)[]
}

export interface GlassPlan {
  name: string
  kind: 'tank' | 'jar' | 'tub' | 'paludarium'
  grossL: number
  fillShare: number
  water: Partial<Record<ValueKey, WaterPlan>>
  colonies: ColonyPlan[]
  inside?: Glass['inside']
  substrate?: Glass['substrate']
  carbonateG?: number
  /** weeks since active soil went in */
  soilWeeks?: number
  /** changes that the keepers wrote down: how much, how often, since when; nobody wrote down what was in the water */
  changes?: { share: number; every: number; from: number }
  /** top-ups that were written down: litres of pure water a week, and of tap water since a week */
  topUps?: { pureL: number; from: number; tap?: { litres: number; from: number } }
  /** clutches on the way */
  clutches?: { daysAgo: number; place: 'inPlace' | 'incubator'; text?: string }[]
  /** whether the last round found the intake sponge off */
  broken?: boolean
  /** a glass that is being cured, with the plan behind it */
  curing?: { weeks: number; groupId: string; planName: string; starters: number }
}

export interface RackPlan {
  name: string
  kind: 'rack' | 'windowsill' | 'floor'
  shelves: GlassPlan[][]
}
