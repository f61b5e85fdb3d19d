import type { Basis, Colony, ValueKey } from '#core/records'
import { possibleRange, valueKeys } from '#core/records'
import { groupOf } from './catalogue'
import type { Figure, SpeciesGroup, Target, Targets } from './group'
import { type SchoolKind, schoolKinds } from './schoolIds'
import { judgedWhereLogged, larvaSteps, larvaTargets } from './unusualWater'

const KEEPER: Basis = { kind: 'keeper' }

/** What holds for one colony after its schools and the keeper's own figures: the only form that models see. */
export interface ResolvedGroup {
  group: SpeciesGroup
  /** larvae, young or dry eggs that are reared and are over one day: no colony that holds itself */
  batch: boolean
  targets: Targets
  /** values that nobody needs to test here, but that are judged once somebody did */
  judgedWhereLogged: Targets
  largestStepPerWeek: Partial<Record<ValueKey, Figure>>
  growthPerWeek: { value: number; sd: number; basis: Basis }
  capacityPerL: Figure
  minimumKeep: Figure
  counting: SpeciesGroup['counting']
  /** share of the net volume and days between changes; null when only topped up */
  change: { share: number; everyDays: number } | null
  /** days between feedings, portion beside the usual one, weeks without food for a new colony */
  feed: { everyDays: number; portion: number; restWeeks?: number | undefined; basis: Basis }
}

/**
 * The option that a colony follows for a kind of school: its choice, or the group's default; undefined when the group
 * has no such kind.
 */
export function schoolOf(group: SpeciesGroup, kind: SchoolKind, chosen: string | undefined) {
  const options = group.schools[kind]
  return options?.find(o => o.id === chosen) ?? options?.[0]
}

/**
 * Puts group, schools and the keeper's own figures together; later ones win in that order.
 * @param colony its form, group id, schools, own ranges and rates
 */
export function resolveGroup(
  colony: Pick<Colony, 'groupId' | 'schools' | 'targets' | 'life' | 'minimumKeep'> & Partial<Pick<Colony, 'form'>>,
): ResolvedGroup {
  const group = groupOf(colony.groupId)
  const larvae = colony.form === 'rearing' && group.company.larvaeNeedSea
  const ofAdults: Targets = { ...group.targets }
  let growthPerWeek = group.life.growthPerWeek
  let change: ResolvedGroup['change'] = null
  let feed: ResolvedGroup['feed'] = { everyDays: 1, portion: 1, basis: { kind: 'memory' } }
  for (const kind of schoolKinds) {
    const option = schoolOf(group, kind, colony.schools[kind])
    if (!option) continue
    for (const key of valueKeys) {
      const fromSchool = option.targets?.[key]
      if (fromSchool) ofAdults[key] = withinTolerated(fromSchool, group.targets[key])
    }
    if (option.growthPerWeek) growthPerWeek = option.growthPerWeek
    if (option.change) change = option.change
    if (option.feed) feed = { ...option.feed, basis: option.basis }
  }
  const targets = larvae ? larvaTargets(ofAdults) : ofAdults
  for (const key of valueKeys) {
    const own = colony.targets[key]
    if (own) targets[key] = { ...own, basis: KEEPER }
  }
  const { life } = colony
  if (life.growthPerWeek !== undefined)
    growthPerWeek = { value: life.growthPerWeek, sd: growthPerWeek.sd, basis: KEEPER }
  return {
    group,
    batch: (colony.form ?? 'colony') !== 'colony' || group.stages.eggs === 'resting',
    targets,
    judgedWhereLogged: larvae ? {} : judgedWhereLogged(group),
    largestStepPerWeek: larvae ? { ...group.largestStepPerWeek, ...larvaSteps } : group.largestStepPerWeek,
    growthPerWeek,
    capacityPerL:
      life.capacityPerL === undefined ? group.life.capacityPerL : { value: life.capacityPerL, basis: KEEPER },
    minimumKeep:
      colony.minimumKeep === undefined ? group.life.minimumKeep : { value: colony.minimumKeep, basis: KEEPER },
    counting: group.counting,
    change,
    feed,
  }
}

/** A school that names one range only keeps the group's tolerated range, stretched where the school goes beyond it. */
function withinTolerated(school: Target, group: Target | undefined): Target {
  if (school.tolerated || !group?.tolerated) return school
  return {
    ...school,
    tolerated: [Math.min(group.tolerated[0], school.preferred[0]), Math.max(group.tolerated[1], school.preferred[1])],
  }
}

/**
 * The tolerated range of a target. Where the trade names one range only, it is widened by a quarter of its width to
 * each side (from memory), as far as the value can be at all: one reading just outside the only known range is no
 * alarm.
 */
export function toleratedOf(key: ValueKey, target: Target): readonly [number, number] {
  if (target.tolerated) return target.tolerated
  const [low, high] = target.preferred
  const [least, most] = possibleRange[key]
  const margin = (high - low) / 4
  return [Math.max(least, low - margin), Math.min(most, high + margin)]
}
