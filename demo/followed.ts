import { type Animal, animalIdOf, begun, type Colony, DAY_MS, Entry, toMoment } from '#core/records'
import { type Making, weeksBefore } from './making'
import type { ColonyPlan, FollowedPlan } from './planShapes'

/** The animals of a colony that its keepers know by their names, and what they wrote of each. */
export function makeFollowed(
  making: Making,
  plan: ColonyPlan,
  { colony, roomId }: { colony: Colony; roomId: string },
): { animals: Animal[]; log: Entry[] } {
  const made = (plan.followed ?? []).map(f => followOne(making, f, { colony, roomId }))
  return { animals: made.map(m => m.animal), log: made.flatMap(m => m.log) }
}

function followOne(
  making: Making,
  plan: FollowedPlan,
  { colony, roomId }: { colony: Colony; roomId: string },
): { animal: Animal; log: Entry[] } {
  const random = making.randomFor(`followed ${plan.name}`)
  // looks are of the hours after the lights went on
  const before = (weeks: number) =>
    Math.round(making.untilMs - Math.ceil(weeks * 7) * DAY_MS + (0.1 + 0.3 * random()) * DAY_MS)
  const id = animalIdOf(colony.id, plan.name)
  const parents = (name: string | undefined) => (name ? [animalIdOf(colony.id, name)] : [])
  const beganMs = Date.parse(colony.startedAt)
  const between = (weeks: number, doubt: number) => ({
    from: toMoment(weeksBefore(making, weeks + doubt)),
    to: toMoment(weeksBefore(making, weeks - doubt)),
  })
  return {
    animal: {
      ...begun(id, beganMs),
      ...{ roomId, firstColonyId: colony.id, name: plan.name, groupId: colony.groupId, sex: plan.sex },
      ...(plan.bornWeeks !== undefined && { born: between(plan.bornWeeks, 1) }),
      ...(plan.cameWeeks !== undefined && { came: between(plan.cameWeeks, 0) }),
      ...{ damIds: parents(plan.dam), sireIds: parents(plan.sire) },
      ...(plan.marks && { marks: plan.marks }),
    },
    log: plan.log.map(({ week, ...rest }) =>
      Entry.parse({ ...making.stamp(before(week), random), colonyId: colony.id, animalIds: [id], ...rest }),
    ),
  }
}
