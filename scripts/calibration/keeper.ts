import type { ResolvedGroup } from '#core/groups'
import { type Colony, type CountMethod, DAY_MS, Entry, type Heads, toMoment } from '#core/records'
import type { Random } from '#core/stats'
import type { Luck } from './colonies'
import { countable, type LivingColony, look, seen, shareToday, type Told } from './living'

/**
 * What a keeper writes down: everything; counts and what came and went alone; sightings of broods and young alone; a
 * count or two in all; or counts in which the young are told apart.
 */
export const variants = ['all', 'countsOnly', 'sightingsOnly', 'little', 'youngApart'] as const
export type Variant = (typeof variants)[number]

/** A colony that is lived through while its keeper writes. */
export interface Kept {
  living: LivingColony
  colony: Colony
  resolved: ResolvedGroup
  weeks: number
  began: number
  id: () => string
  variant: Variant
  dieOff: DieOff | null
}

/** From a day on so large a share of the grown dies within so many days; or in one night of all, and leaves no body. */
export interface DieOff {
  day: number
  days: number
  share: number
  bodies: boolean
}

/** A colony that ran away so far is drawn anew: nobody keeps a log of it. */
const RAN_AWAY = 20_000
/** How many hatchlings a look finds, against those that can be counted. */
const HATCHLINGS_SEEN = 0.4
/** A slip of the pen: three times as many, more often a third. */
const SLIPS = { chance: 0.02, up: 0.3 }

/** How this keeper works: weeks between full looks, how counts are made, whether animals are sold. */
interface Habits {
  every: number
  usual: CountMethod
  sells: boolean
  /** factor of this glass and these eyes on what is found */
  eye: number
  /** share of the bodies that a look finds and that are written down; nothing by those who never do */
  finds: number
}

/** On so many days somebody looks, and so many bodies are still there the day after. */
const LOOKS = 0.5
const BODIES_LEFT = 0.6

/** Lives a colony to its last day and writes what its keeper saw of it. */
export function keepLog(kept: Kept, luck: Luck): Entry[] {
  const { living, colony, weeks, began, id, variant, dieOff } = kept
  const { random, lognormal } = luck
  const { group, counting } = kept.resolved
  const entries: Entry[] = []
  const habits: Habits = {
    every: 2 + Math.floor(random() * 6),
    usual: random() < 0.6 ? 'allSeen' : random() < 0.6 ? 'atFood' : 'partOfTank',
    sells: random() < 0.5,
    eye: lognormal(0.5 * counting.allSeen.sdLog),
    finds: random() < 0.25 ? 0 : Math.min(0.9, 0.3 * lognormal(0.6)),
  }
  let bodies = 0
  const sign = group.care.brood?.sign
  let next = Math.round(habits.every * 7 * (0.5 + random()))
  for (let day = 1; day <= weeks * 7; day++) {
    living.live()
    const write = (rest: object) => {
      const at = toMoment(began + day * DAY_MS - DAY_MS / 4)
      entries.push(Entry.parse({ id: id(), at, loggedAt: at, colonyId: colony.id, ...rest }))
    }
    const told = living.told()
    const n = countable(told)
    if (n > RAN_AWAY) break
    const ill = dieOff !== null && day >= dieOff.day && day < dieOff.day + dieOff.days
    const gone = ill && dieOff.bodies ? living.takeOut(seen(n, dieOff.share / dieOff.days, random)) : 0
    const dead = living.died() + gone
    if (ill && !dieOff.bodies) living.strike(dieOff.share)
    bodies = seen(bodies, BODIES_LEFT, random) + dead
    const found = random() < LOOKS ? seen(bodies, habits.finds, random) : 0
    bodies -= found
    if (found > 0) write({ kind: 'death', number: found, sign: 'unknown' })
    if (day === next) {
      next += Math.max(1, Math.round(habits.every * 7 * (0.6 + 0.8 * random())))
      write(countOf(told, habits, kept, luck))
      if (sign === 'berried' && random() < 0.5)
        write({ kind: 'berried', number: look(living.broods(), { share: 0.6, sdLog: 0.4 }, random) })
      if (sign === 'eggMass' && random() < 0.5)
        write({ kind: 'eggMass', number: look(living.broods(), { share: 0.22, sdLog: 0.4 }, random) })
      if (told.hatchlings > 0 && random() < 0.3)
        write({
          kind: 'young',
          amount: look(told.hatchlings, { share: 0.25, sdLog: 0.6 }, random) > 12 ? 'many' : 'few',
        })
    }
    const sold = 0.08 + 0.15 * random()
    if (habits.sells && day % 28 === 0 && n > 60)
      write({ kind: 'removal', number: living.takeOut(Math.round(n * sold)), outlet: 'sold' })
  }
  return written(entries, variant)
}

function countOf(
  told: Told,
  { usual, eye }: Habits,
  { resolved: { counting }, variant }: Kept,
  { random, lognormal }: Luck,
) {
  const n = countable(told)
  const method: CountMethod = random() < 0.8 ? usual : 'estimate'
  const { share, sdLog } = counting[method as 'allSeen']
  const part = method === 'partOfTank' ? 0.2 : 1
  const byEye = method === 'allSeen' || method === 'atFood'
  const guess = Math.round((n * lognormal(sdLog * 0.9)) / (n > 60 ? 10 : 1)) * (n > 60 ? 10 : 1)
  const found = shareToday({ share: share * part, glass: byEye ? eye : 1, sdLog: sdLog * 0.87 }, random)
  const parts = partsOf(told, found, random)
  const slip = random() < SLIPS.chance ? (random() < SLIPS.up ? 3 : 0.3) : 1
  const apart = variant === 'youngApart' && method === 'allSeen' && slip === 1
  const { young, ...others } = parts
  const grown = Object.values(others).reduce((a, b) => a + b, 0)
  const number = method === 'estimate' ? guess : apart ? grown + young : grown
  return {
    kind: 'count',
    number: Math.round(number * slip),
    method,
    ...(part < 1 && { share: part }),
    ...(apart && { parts }),
  }
}

/** What is found of each kind on one day. */
function partsOf({ females, males, halfGrown, hatchlings }: Told, found: number, random: Random): Heads {
  const hermaphrodite = males === 0
  const grown = seen(females, found, random)
  return {
    females: hermaphrodite ? 0 : grown,
    males: seen(males, found, random),
    unsexed: hermaphrodite ? grown : 0,
    halfGrown: seen(halfGrown, found, random),
    young: seen(hatchlings, found * HATCHLINGS_SEEN, random),
  }
}

/** What of all this stands in a log of the variant. */
function written(entries: readonly Entry[], variant: Variant): Entry[] {
  const counts = entries.filter(e => e.kind === 'count')
  // a count or two, of the last half of its life
  const few = new Set(
    counts
      .slice(Math.floor(counts.length / 2))
      .filter((_, i) => i % 7 === 1)
      .slice(0, 2),
  )
  const sightings: readonly Entry['kind'][] = ['berried', 'eggMass', 'young']
  return entries.filter(e => {
    if (variant === 'countsOnly') return !sightings.includes(e.kind) && e.kind !== 'death'
    if (variant === 'sightingsOnly') return e.kind !== 'count'
    if (variant === 'little') return e.kind === 'count' ? few.has(e) : e.kind === 'removal'
    return true
  })
}
