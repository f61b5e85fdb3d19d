import { animalIdOf } from '../animalId'
import type { Id } from '../id'
import type { Entry } from './entry'

/** Whose entry it is: water belongs to the glass, numbers to the colony; a move belongs to both colonies. */
export function subjectOf(entry: Entry): {
  colonyId: Id | undefined
  toColonyId: Id | undefined
  glassId: Id | undefined
} {
  return {
    colonyId: 'colonyId' in entry ? entry.colonyId : undefined,
    toColonyId: 'toColonyId' in entry ? entry.toColonyId : undefined,
    glassId: 'glassId' in entry ? entry.glassId : undefined,
  }
}

/**
 * The followed animals that an entry is about. Old sightings hold a name alone: they are resolved by the id that
 * follows from it.
 */
export function animalsOf(entry: Entry): readonly Id[] {
  if (entry.animalIds) return entry.animalIds
  return entry.kind === 'berried' && entry.animal !== undefined ? [animalIdOf(entry.colonyId, entry.animal)] : []
}

/** All whose log an entry belongs to: its colonies, its glass, and the animals that it is about. */
export function namedIds(entry: Entry): Id[] {
  const { colonyId, toColonyId, glassId } = subjectOf(entry)
  return [colonyId, toColonyId, glassId, ...animalsOf(entry)].filter(id => id !== undefined)
}
