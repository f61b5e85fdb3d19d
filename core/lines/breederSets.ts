import {
  type Animal,
  type BreedingGroup,
  type EntryOf,
  type Generation,
  type Id,
  type Ladder,
  type RungCount,
  rungsTotal,
  spanOf,
} from '#core/records'
import { countsOn, seenIn, SOMEBODY } from './gradings'
import type { BreederSet, GradedSex } from './history'

/** What has to be known to tell whose animals the breeders are. */
export interface BreedersAmong {
  ladder: Pick<Ladder, 'rungs'>
  generations: readonly Pick<Generation, 'id' | 'n'>[]
  breedingGroups: readonly Pick<BreedingGroup, 'state' | 'generationId' | 'animalIds'>[]
  /** those that are followed one by one */
  animals?: readonly Pick<Animal, 'id' | 'sex' | 'sireIds' | 'damIds'>[]
}

type Bred = Pick<BreedingGroup, 'generationId' | 'keeper' | 'parents' | 'animalIds'>

const sexOf: Readonly<Record<RungCount['sex'], GradedSex>> = { female: 'female', male: 'male', unknown: 'mixed' }

/**
 * A breeding group as the model reads it. One that is followed and has bred before is of the generation of which it
 * was then: such a one is set apart, on rungs in the shares of all.
 * @param young of this group that grew up, where they are known
 */
export function setsOf(group: Bred, among: BreedersAmong, young?: number): BreederSet[] {
  const { generationId, keeper, parents, animalIds } = group
  return (['male', 'female', 'unknown'] as const).flatMap(sex => {
    const own = parents.filter(p => p.sex === sex && spanOf(among.ladder, p.rungId))
    const number = rungsTotal(own)
    if (number === 0) return []
    const rungs = countsOn(among.ladder, own)
    const named = animalIds
      .filter(id => among.animals?.find(a => a.id === id)?.sex === sex)
      .slice(0, Math.floor(number))
    const older = new Map<Id, Id[]>()
    for (const id of named) {
      const of = firstOf(id, among) ?? generationId
      older.set(of, [...(older.get(of) ?? []), id])
    }
    const apart = [...older].filter(([of]) => of !== generationId)
    const rest = number - apart.reduce((sum, [, ids]) => sum + ids.length, 0)
    const set = (groupId: Id, many: number, followed: readonly Id[]): BreederSet => ({
      ...{ groupId, sex: sexOf[sex], number: many, grader: keeper ?? SOMEBODY },
      rungs: rungs.map(n => (n * many) / number),
      ...(followed.length > 0 && { followed }),
      ...(young !== undefined && { young: (young * many) / number }),
    })
    return [
      ...apart.map(([of, ids]) => set(of, ids.length, ids)),
      ...(rest > 0 ? [set(generationId, rest, older.get(generationId) ?? [])] : []),
    ]
  })
}

/** The generation of which a followed animal was when it first bred. */
function firstOf(id: Id, { generations, breedingGroups }: BreedersAmong): Id | undefined {
  const of = new Set(
    breedingGroups.flatMap(b => (b.state !== 'draft' && b.animalIds.includes(id) ? b.generationId : [])),
  )
  return generations.toSorted((a, b) => a.n - b.n).find(g => of.has(g.id))?.id
}

/**
 * How many young of each breeding group grew up: where each of several bred in a colony of its own, and all the grown
 * of each were graded there. @returns null where that is not known
 */
export function youngByGroup(
  bred: readonly Pick<BreedingGroup, 'id' | 'colonyId'>[],
  gradings: readonly EntryOf<'grading'>[],
  ladder: Ladder,
): ReadonlyMap<Id, number> | null {
  if (bred.length < 2 || new Set(bred.map(b => b.colonyId)).size < bred.length) return null
  const young = bred.map(({ id, colonyId }) => {
    // who is graded again is none more, and by another trait it is the same ones too
    const own = gradings.filter(e => e.colonyId === colonyId && e.all && !e.againOf && e.ladderId === ladder.id)
    return [id, Math.max(0, ...own.map(e => rungsTotal(seenIn(e, ladder))))] as const
  })
  return young.every(([, number]) => number > 0) ? new Map(young) : null
}
