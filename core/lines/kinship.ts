import type { Id } from '#core/records'
import { rowIn } from './rowIn'

/**
 * An animal with those that may be its parents. Several on one side are equally likely; none on a side is a founder's,
 * who is related to nobody.
 */
export interface Parentage {
  id: Id
  sireIds: readonly Id[]
  damIds: readonly Id[]
}

/** Kinship of each pair of animals: the chance that two genes, one of each, are copies of the same founder's gene. */
export interface Kinships {
  /** row of each animal, parents before their young */
  rowOf: ReadonlyMap<Id, number>
  /** symmetric, row by row */
  matrix: Float64Array
}

/**
 * Kinships by the tabular method: who is younger is half his sire and half his dam. Where several may be a parent it is
 * their mean.
 * Sources: Emik & Terrill (1949), J. Hered. 40: 51; candidates by their mean after Henderson (1988), J. Anim. Sci. 66:
 * 1614.
 * @param animals in any order; parents that are not among them are founders
 * @throws RangeError for an animal that is its own ancestor
 */
export function kinships(animals: readonly Parentage[]): Kinships {
  const ordered = parentsFirst(animals)
  const size = ordered.length
  const rowOf = new Map(ordered.map((a, row) => [a.id, row]))
  const matrix = new Float64Array(size * size)
  const rows = (ids: readonly Id[]) => ids.map(id => rowOf.get(id)!)
  const row = (i: number) => matrix.subarray(i * size, (i + 1) * size)
  for (const [i, animal] of ordered.entries()) {
    const [sires, dams] = [rows(animal.sireIds), rows(animal.damIds)]
    const own = row(i)
    for (const side of [sires, dams])
      for (const parent of side) {
        const of = row(parent)
        const share = 0.5 / side.length
        for (let j = 0; j < i; j++) own[j] = own[j]! + share * of[j]!
      }
    for (let j = 0; j < i; j++) matrix[j * size + i] = own[j]!
    let inbreeding = 0
    for (const sire of sires)
      for (const dam of dams) inbreeding += matrix[sire * size + dam]! / (sires.length * dams.length)
    own[i] = 0.5 * (1 + inbreeding)
  }
  return { rowOf, matrix }
}

/** Some animals and all of their ancestors. */
export function withAncestors<A extends Parentage>(ids: readonly Id[], all: readonly A[]): A[] {
  const byId = new Map(all.map(a => [a.id, a]))
  const found = new Set<A>()
  const open = [...ids]
  while (open.length > 0) {
    const animal = byId.get(open.pop()!)
    if (!animal || found.has(animal)) continue
    found.add(animal)
    open.push(...animal.sireIds, ...animal.damIds)
  }
  return [...found]
}

/** Animals so that parents stand before their young, with the founders that are only named as parents. */
function parentsFirst(animals: readonly Parentage[]): Parentage[] {
  const byId = new Map(animals.map(a => [a.id, a]))
  const done = new Set<Id>()
  const ordered: Parentage[] = []
  // a line may be hundreds of generations deep: no recursion
  for (const { id } of animals) {
    const open = [id]
    const under = new Set<Id>()
    while (open.length > 0) {
      const at = open.at(-1)!
      const animal = byId.get(at) ?? { id: at, sireIds: [], damIds: [] }
      const next = done.has(at) ? undefined : [...animal.sireIds, ...animal.damIds].find(parent => !done.has(parent))
      if (next === undefined) {
        open.pop()
        under.delete(at)
        if (!done.has(at)) ordered.push(animal)
        done.add(at)
        continue
      }
      under.add(at)
      if (under.has(next)) throw new RangeError(`${next} is its own ancestor`)
      open.push(next)
    }
  }
  return ordered
}

/**
 * Kinship of two animals; of one with itself half of one more than its inbreeding.
 * @throws RangeError for an animal that is not in the pedigree
 */
export const kinshipOf = ({ rowOf, matrix }: Kinships, a: Id, b: Id): number =>
  matrix[rowIn(rowOf, a, 'pedigree') * rowOf.size + rowIn(rowOf, b, 'pedigree')]!

/** Inbreeding of an animal: the kinship of its parents. */
export const inbreedingOf = (k: Kinships, id: Id): number => 2 * kinshipOf(k, id, id) - 1

/** Mean kinship of some animals with each other and themselves: what their young, mated at random, are inbred by. */
export function meanKinship(k: Kinships, ids: readonly Id[]): number {
  let sum = 0
  for (const a of ids) for (const b of ids) sum += kinshipOf(k, a, b)
  return sum / ids.length ** 2
}
