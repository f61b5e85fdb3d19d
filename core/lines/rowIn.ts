import type { Id } from '#core/records'

/**
 * Row of an animal or a group in a matrix of kinships.
 * @param where it is looked for, in words
 * @throws RangeError when it is not there
 */
export function rowIn(rowOf: ReadonlyMap<Id, number>, id: Id, where: 'pedigree' | 'line'): number {
  const row = rowOf.get(id)
  if (row === undefined) throw new RangeError(`${id} is not in the ${where}`)
  return row
}
