import type { Id } from '#core/records'
import { normalFrom, STREAM_STEP, uniformAt } from '#core/stats'
import { unevenDrawn } from './familySizes'
import { type BreederSet, breedingIn, heldBy, type LineGroup } from './history'
import type { Parentage } from './kinship'
import { selectionOf } from './selection'

/** Usual heritability for how much relatives are chosen together (from memory; it hardly matters). */
const USUAL_HERITABILITY = 0.35

/** Animals of one possible pedigree by the order in which they were drawn, parents before their young. */
interface Herd {
  /** an animal that is related to nobody */
  founder(): number
  born(sire: number, dam: number): number
  kinship(a: number, b: number): number
  values: Float64Array
}

/** @param most animals that there may be */
function herdOf(most: number, uniform: () => number): Herd {
  const kin = new Float64Array(most * most)
  const values = new Float64Array(most)
  let many = 0
  return {
    values,
    kinship: (a, b) => kin[a * most + b]!,
    founder() {
      const own = many++
      values[own] = Math.sqrt(USUAL_HERITABILITY) * normalFrom(uniform())
      kin[own * most + own] = 0.5
      return own
    },
    born(sire, dam) {
      const own = many++
      for (let other = 0; other < own; other++) {
        const k = (kin[sire * most + other]! + kin[dam * most + other]!) / 2
        kin[own * most + other] = k
        kin[other * most + own] = k
      }
      kin[own * most + own] = (1 + kin[sire * most + dam]!) / 2
      values[own] = (values[sire]! + values[dam]!) / 2 + Math.sqrt(USUAL_HERITABILITY / 2) * normalFrom(uniform())
      return own
    },
  }
}

/** Breeders of one group and sex in one pedigree: where they stand among all animals, and their shares in the young. */
interface Side {
  members: number[]
  shares: number[]
}
const NOBODY: Side = { members: [], shares: [] }

/**
 * Mean inbreeding of each group in one possible pedigree.
 * @param followed animals that are known one by one: who bred twice is the same one twice, and where its parents are
 *   known they are those
 */
export function onePedigree(
  groups: readonly LineGroup[],
  { followed, most, stream }: { followed: ReadonlyMap<Id, Parentage>; most: number; stream: number },
): Float64Array {
  let turn = stream
  const uniform = () => uniformAt((turn = (turn + STREAM_STEP) | 0))
  const uneven = unevenDrawn(uniform)
  const herd = herdOf(most, uniform)
  const rowOf = new Map(groups.map((g, row) => [g.id, row]))
  // animals of each group that were drawn: those who stay are the same ones again
  const known = groups.map((): number[] => [])
  const stayedSoFar = groups.map(() => 0)
  const sidesOf: { sires: Side; dams: Side }[] = []
  const inbreeding = new Float64Array(groups.length)
  /** Some breeder of the group; before the first there is nobody that anybody is related to. */
  function parent(row: number, side: 'sires' | 'dams', pull: number): number {
    const of = sidesOf[row]?.[side] ?? NOBODY
    return of.members.length === 0 ? herd.founder() : drawn(of, pull, herd.values, uniform())
  }
  /**
   * A new animal of a group: born of two of its breeders, who are drawn by their shares and by what is chosen for; or
   * one of an earlier group that is still there.
   */
  function grow(row: number, pull: number): number {
    const { stayed } = groups[row]!
    const from = stayed && uniform() < stayed.share ? rowOf.get(stayed.breeders.groupId)! : row
    const own =
      from !== row
        ? (known[from]![stayedSoFar[row]!++] ?? grow(from, pull))
        : sidesOf[row]?.sires.members.length
          ? herd.born(parent(row, 'sires', pull), parent(row, 'dams', pull))
          : herd.founder()
    known[row]!.push(own)
    return own
  }
  const byName = followedIn(followed, { grow, parent, born: herd.born, uniform })
  for (const set of groups.flatMap(g => g.breeders))
    for (const id of set.followed ?? []) byName.isOf(id, rowOf.get(set.groupId)!)
  for (const [row, group] of groups.entries()) {
    const members: Record<'male' | 'female', { member: number; share: number }[]> = { male: [], female: [] }
    for (const set of group.breeders) {
      const from = rowOf.get(set.groupId)!
      const pull = pullOf(set, groups[from]!.size)
      for (let i = 0; i < breedingIn(set); i++) {
        const id = set.followed?.[i]
        const member = id === undefined ? grow(from, pull) : byName.animal(id, pull)
        for (const sex of ['male', 'female'] as const)
          if (set.sex === sex || (set.sex === 'mixed' && (i % 2 === 0) === (sex === 'male')))
            members[sex].push({
              member,
              share: (heldBy(set) / set.number) * unevenShare(uneven[sex], normalFrom(uniform())),
            })
      }
    }
    const [sires, dams] = [sideOf(members.male), sideOf(members.female)]
    sidesOf.push({ sires, dams })
    inbreeding[row] = crossed(sires, dams, herd.kinship)
    const { share = 0, breeders } = group.stayed ?? {}
    if (breeders) inbreeding[row] = (1 - share) * inbreeding[row]! + share * inbreeding[rowOf.get(breeders.groupId)!]!
  }
  return inbreeding
}

/** How new animals come about. */
interface Growing {
  grow(row: number, pull: number): number
  parent(row: number, side: 'sires' | 'dams', pull: number): number
  born(sire: number, dam: number): number
  uniform(): number
}

/** Animals that are known one by one, each drawn once, of the parents that are known. */
function followedIn(followed: ReadonlyMap<Id, Parentage>, { grow, parent, born, uniform }: Growing) {
  const rows = new Map<Id, number>()
  const there = new Map<Id, number>()
  // somebody that was written down as its own ancestor has no known parents there
  const under = new Set<Id>()
  function animal(id: Id, pull: number): number {
    const before = there.get(id)
    if (before !== undefined) return before
    under.add(id)
    const row = rows.get(id)!
    const { sireIds = [], damIds = [] } = followed.get(id) ?? {}
    const [sire, dam] = [oneOf(sireIds), oneOf(damIds)]
    /** One that is known, and else any of those that bred the group. */
    const of = (one: Id | undefined, side: 'sires' | 'dams') => {
      if (one === undefined) return parent(row, side, pull)
      if (!rows.has(one)) rows.set(one, Math.max(0, row - 1))
      return animal(one, pull)
    }
    const own = sire === undefined && dam === undefined ? grow(row, pull) : born(of(sire, 'sires'), of(dam, 'dams'))
    under.delete(id)
    there.set(id, own)
    return own
  }
  /** One of those that may be a parent, all alike. */
  function oneOf(ids: readonly Id[]): Id | undefined {
    const free = ids.filter(id => !under.has(id))
    return free[Math.floor(uniform() * free.length)]
  }
  return { animal, isOf: (id: Id, row: number) => void rows.set(id, row) }
}

/** One of a side: by its share in the young, and by what is chosen for. */
function drawn({ members, shares }: Side, pull: number, values: Float64Array, chance: number): number {
  const weights = members.map((m, i) => shares[i]! * Math.exp((pull * values[m]!) / 2))
  let u = chance * weights.reduce((a, b) => a + b, 0)
  for (const [i, w] of weights.entries()) if ((u -= w) <= 0) return members[i]!
  return members.at(-1)!
}

/** Mean kinship of sires with dams, by their shares in the young. */
function crossed(sires: Side, dams: Side, kin: Herd['kinship']): number {
  let sum = 0
  for (const [i, s] of sires.members.entries())
    for (const [j, d] of dams.members.entries()) sum += sires.shares[i]! * dams.shares[j]! * kin(s, d)
  return sum
}
function sideOf(list: readonly { member: number; share: number }[]): Side {
  const sum = list.reduce((a, b) => a + b.share, 0)
  return { members: list.map(x => x.member), shares: list.map(x => x.share / sum) }
}

/** A share with a mean of 1 and a variance: log-normal. */
function unevenShare(variance: number, z: number): number {
  const s2 = Math.log1p(variance)
  return Math.exp(Math.sqrt(s2) * z - s2 / 2)
}

/** How strongly a breeding value draws a choice: the intensity with which the set was taken out of its group. */
function pullOf({ rungs, number, sex }: BreederSet, size: number): number {
  if (!rungs) return 0
  const of = sex === 'mixed' ? size : size / 2
  const share = number / Math.max(number, of)
  return share > 0 && share < 0.99 ? selectionOf(share).intensity : 0
}
