import type { Animal, Id } from '#core/records'
import { inbreedingOf, kinshipOf, kinships, type Parentage, withAncestors } from './kinship'

/** Animals that are followed one by one, and what their young would be. */
export interface Pairings {
  females: PairingAnimal[]
  males: PairingAnimal[]
  /** inbreeding of the young of each pair: a row for each female, a column for each male */
  inbreeding: number[][]
}
export interface PairingAnimal {
  id: Id
  inbreeding: number
  /** which parents are written down: where one is not, it is taken to be related to nobody */
  known: 'both' | 'one' | 'none'
}

/**
 * Who of the followed animals may breed with whom: inbreeding of the young is the kinship of the parents (Wright 1922,
 * Am. Nat. 56: 330), by the tabular method over all that is known of their ancestors.
 * @param asked who may breed; of unknown sex they stand on both sides
 * @param all followed animals, ancestors among them
 * @throws RangeError for an animal that is written down as its own ancestor
 */
export function pairingsOf(asked: readonly Pick<Animal, 'id' | 'sex'>[], all: readonly Parentage[]): Pairings {
  const ids = asked.map(a => a.id)
  const kin = kinships(withAncestors(ids, all))
  const byId = new Map(all.map(a => [a.id, a]))
  const told = ({ id }: Pick<Animal, 'id'>): PairingAnimal => {
    const { sireIds, damIds } = byId.get(id)!
    const sides = Math.sign(sireIds.length) + Math.sign(damIds.length)
    return { id, inbreeding: inbreedingOf(kin, id), known: sides === 2 ? 'both' : sides === 1 ? 'one' : 'none' }
  }
  const females = asked.filter(a => a.sex !== 'male')
  const males = asked.filter(a => a.sex !== 'female')
  return {
    females: females.map(told),
    males: males.map(told),
    inbreeding: females.map(f => males.map(m => kinshipOf(kin, f.id, m.id))),
  }
}

/** The pairs that are related least, best first; an animal is no pair with itself. */
export function leastRelated({ females, males, inbreeding }: Pairings): { dam: Id; sire: Id; inbreeding: number }[] {
  return females
    .flatMap((f, i) => males.map((m, j) => ({ dam: f.id, sire: m.id, inbreeding: inbreeding[i]![j]! })))
    .filter(p => p.dam !== p.sire)
    .toSorted((a, b) => a.inbreeding - b.inbreeding)
}
