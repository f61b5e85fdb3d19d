import { derivedId } from './derivedId'
import type { Id } from './id'

/**
 * The id of an animal, from the colony in which it was first followed and its name there: two devices come to the same
 * record, and an old entry that only holds the name finds it.
 */
export const animalIdOf = (colonyId: Id, name: string): Id => derivedId(colonyId, name)
