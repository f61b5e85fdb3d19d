import {
  type AllFollowed,
  allFollowed,
  type AnimalLife,
  type Followed,
  lastColony,
  lifeOf,
  whereabouts,
} from '#core/animals'
import type { FollowedBrood } from '#core/broods'
import type { ResolvedGroup } from '#core/groups'
import type { OwnGrowth } from '#core/shells'
import {
  animalsOf,
  byTime,
  type Colony,
  currentEntries,
  type Entry,
  type Heads,
  type Id,
  momentMs,
  WEEK_MS,
} from '#core/records'
import type { TemperatureReading } from '#core/warmth'

/** The followed animals of a colony: all that ever lived in it, and those of them that are told of here. */
export interface FollowedHere {
  /** with their standing entries, by time */
  all: Followed[]
  /** whose present or last colony this is */
  here: Followed[]
}

/**
 * Sorts the followed animals of a colony.
 * @param animals that ever lived in it, each with all entries that name it
 */
export function followedHere(colonyId: Id, animals: readonly Followed[]): FollowedHere {
  const all = animals.map(({ animal, entries }) => ({ animal, entries: currentEntries(entries) }))
  return { all, here: all.filter(f => lastColony(whereabouts(f.animal, f.entries)) === colonyId) }
}

/**
 * The entries that a colony's broods are read from: a followed female takes hers along, so that what was seen of her
 * elsewhere counts where she lives, and no longer where she lived.
 * @param standing entries of the colony, by time
 */
export function broodEntries(colonyId: Id, standing: readonly Entry[], { all, here }: FollowedHere): Entry[] {
  if (all.length === 0) return [...standing]
  const away = new Set(all.filter(f => !here.includes(f)).map(f => f.animal.id))
  const own = standing.filter(e => e.kind !== 'berried' || !animalsOf(e).some(id => away.has(id)))
  const known = new Set(own.map(e => e.id))
  const brought = here.flatMap(f =>
    f.entries.filter(e => e.kind === 'berried' && e.colonyId !== colonyId && !known.has(e.id)),
  )
  return [...own, ...new Map(brought.map(e => [e.id, e])).values()].toSorted(byTime)
}

/** The lives of the followed animals that a colony tells of. */
export const livesOf = (
  { here }: FollowedHere,
  of: {
    resolved: Pick<ResolvedGroup, 'group' | 'targets'>
    temperatures: readonly TemperatureReading[]
    temperatureC: number
    broods: readonly FollowedBrood[]
    nowMs: number
  },
): AnimalLife[] => {
  const lives = (taught: (id: Id) => readonly OwnGrowth[]) =>
    here.map(f =>
      lifeOf({ ...f, ...of, taught: taught(f.animal.id), broods: of.broods.filter(b => b.who === f.animal.id) }),
    )
  // those that were measured often enough teach the others of the colony how their kind grows here
  const first = lives(() => [])
  const teaching = first.filter(l => l.growth?.teaches)
  if (teaching.length === 0) return first
  return lives(id => teaching.filter(l => l.animalId !== id).flatMap(l => l.growth!.teaches ?? []))
}

/** Everybody of a colony, where all are followed. */
export function knownColony(
  colony: Colony,
  { resolved, entries, nowMs }: { resolved: Pick<ResolvedGroup, 'group'>; entries: readonly Entry[]; nowMs: number },
  { all }: FollowedHere,
): (AllFollowed & { heads: Heads }) | null {
  const alone = all.length > 0 ? allFollowed(colony, entries, all, nowMs) : null
  return alone && { ...alone, heads: headsOf(alone, resolved, nowMs) }
}

/** Who they are by sex and size. Where one left of whom nobody said who it was, it was one of the most. */
function headsOf({ animals, number }: AllFollowed, { group }: Pick<ResolvedGroup, 'group'>, nowMs: number): Heads {
  const grownWeeks = group.stages.firstWeeks.value + group.stages.youngWeeks.value
  const heads: Heads = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 }
  for (const { sex, born } of animals) {
    const weeks = born ? (nowMs - (momentMs(born.from) + momentMs(born.to)) / 2) / WEEK_MS : Infinity
    heads[weeks < grownWeeks ? 'halfGrown' : sex === 'unknown' ? 'unsexed' : sex === 'female' ? 'females' : 'males']++
  }
  for (let gone = animals.length - number; gone > 0; gone--) {
    const most = (Object.keys(heads) as (keyof Heads)[]).reduce((a, b) => (heads[b] > heads[a] ? b : a))
    heads[most]--
  }
  return heads
}
