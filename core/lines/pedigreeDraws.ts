import { normalFrom, STREAM_STEP, streamAt, uniformAt, type Ranged } from '#core/stats'
import { breederGroups } from './breederGroups'
import { UNEVENNESS, UNEVENNESS_SD } from './familySizes'
import { groupKinships } from './groupKinship'
import type { BreederSet, GradedSex, LineGroup } from './history'
import { rangeOf } from './sharesTold'
import { selectionOf } from './selection'

/** Inbreeding of each group of a line, with what nobody knows of who bred with whom. */
export interface InbreedingTold {
  /** mean inbreeding of each group: over possible pedigrees, middle and likely range (80 %) */
  of: ReadonlyMap<string, Ranged>
}

const DRAWS = 200
/** More than these are not drawn one by one. */
const MOST_ANIMALS = 900
/** Usual heritability for how much relatives are chosen together (from memory; it hardly matters). */
const USUAL_HERITABILITY = 0.35

/**
 * Mean inbreeding of the groups of a line over pedigrees that may lie behind the numbers of breeders: each of them
 * shares in the young unevenly, and by how much nobody knows; animals that are chosen for a grade are related more
 * than by chance, because their parents passed it on (Wray & Thompson 1990, Genet. Res. 55: 41). In each pedigree
 * kinship is reckoned by the tabular method.
 * @param groups parents before their young; founders are taken to be unrelated
 * @param seed of the draws
 */
export function inbreedingOfGroups(groups: readonly LineGroup[], seed = 11): InbreedingTold {
  const found = groups.map((): number[] => [])
  const single = animalsIn(groups) <= MOST_ANIMALS
  for (let d = 0; d < DRAWS; d++) {
    const one = single ? onePedigree(groups, streamAt(seed, d)) : meanOfPedigrees(groups, streamAt(seed, d))
    for (const [row, f] of one.entries()) found[row]!.push(f)
  }
  return { of: new Map(groups.map((g, row) => [g.id, rangeOf(found[row]!)])) }
}

const breedingIn = ({ number }: BreederSet) => Math.max(1, Math.round(number))
const animalsIn = (groups: readonly LineGroup[]) =>
  groups.reduce((sum, g) => sum + g.breeders.reduce((n, b) => n + breedingIn(b), 0), 0)

/** How unevenly males and females breed in one pedigree. */
const unevenDrawn = (uniform: () => number) => {
  const of = (sex: GradedSex) => UNEVENNESS[sex] * Math.exp(UNEVENNESS_SD * normalFrom(uniform()))
  return { male: of('male'), female: of('female') }
}

/** Of so many animals chance leaves little but how unevenly they breed: the mean of all their pedigrees. */
function meanOfPedigrees(groups: readonly LineGroup[], stream: number): Float64Array {
  let turn = stream
  const { male, female } = unevenDrawn(() => uniformAt((turn = (turn + STREAM_STEP) | 0)))
  return groupKinships(breederGroups(groups, { sires: male, dams: female })).inbreeding
}

/** Breeders of one group and sex in one pedigree: where they stand among all animals, and their shares in the young. */
interface Side {
  members: number[]
  shares: number[]
}

/** Mean inbreeding of each group in one possible pedigree. */
function onePedigree(groups: readonly LineGroup[], stream: number): Float64Array {
  let turn = stream
  const uniform = () => uniformAt((turn = (turn + STREAM_STEP) | 0))
  const uneven = unevenDrawn(uniform)
  const all = animalsIn(groups)
  const kin = new Float64Array(all * all)
  const values = new Float64Array(all)
  const rowOf = new Map(groups.map((g, row) => [g.id, row]))
  // animals of each group that were drawn: those who stay are the same ones again
  const known = groups.map((): number[] => [])
  const stayedSoFar = groups.map(() => 0)
  const sidesOf: { sires: Side; dams: Side }[] = []
  const inbreeding = new Float64Array(groups.length)
  let many = 0
  /**
   * A new animal of a group: born of two of its breeders, who are drawn by their shares and by what is chosen for; or
   * one of an earlier group that is still there.
   */
  function grow(row: number, pull: number): number {
    const { stayed } = groups[row]!
    if (stayed && uniform() < stayed.share) {
      const from = rowOf.get(stayed.breeders.groupId)!
      const old = known[from]![stayedSoFar[row]!++] ?? grow(from, pull)
      known[row]!.push(old)
      return old
    }
    const own = many++
    known[row]!.push(own)
    const { sires, dams } = sidesOf[row] ?? { sires: NOBODY, dams: NOBODY }
    if (sires.members.length === 0) {
      values[own] = Math.sqrt(USUAL_HERITABILITY) * normalFrom(uniform())
      kin[own * all + own] = 0.5
      return own
    }
    const sire = drawn(sires, pull, values, uniform())
    const dam = drawn(dams, pull, values, uniform())
    for (let other = 0; other < own; other++) {
      const k = (kin[sire * all + other]! + kin[dam * all + other]!) / 2
      kin[own * all + other] = k
      kin[other * all + own] = k
    }
    kin[own * all + own] = (1 + kin[sire * all + dam]!) / 2
    values[own] = (values[sire]! + values[dam]!) / 2 + Math.sqrt(USUAL_HERITABILITY / 2) * normalFrom(uniform())
    return own
  }
  for (const [row, group] of groups.entries()) {
    const members: Record<'male' | 'female', { member: number; share: number }[]> = { male: [], female: [] }
    for (const set of group.breeders) {
      const from = rowOf.get(set.groupId)!
      const pull = pullOf(set, groups[from]!.size)
      for (let i = 0; i < breedingIn(set); i++) {
        const member = grow(from, pull)
        for (const sex of ['male', 'female'] as const)
          if (set.sex === sex || (set.sex === 'mixed' && (i % 2 === 0) === (sex === 'male')))
            members[sex].push({ member, share: unevenShare(uneven[sex], normalFrom(uniform())) })
      }
    }
    const [sires, dams] = [sideOf(members.male), sideOf(members.female)]
    sidesOf.push({ sires, dams })
    inbreeding[row] = crossed(sires, dams, (a, b) => kin[a * all + b]!)
    const { share = 0, breeders } = group.stayed ?? {}
    if (breeders) inbreeding[row] = (1 - share) * inbreeding[row]! + share * inbreeding[rowOf.get(breeders.groupId)!]!
  }
  return inbreeding
}

/** One of a side: by its share in the young, and by what is chosen for. */
function drawn({ members, shares }: Side, pull: number, values: Float64Array, chance: number): number {
  const weights = members.map((m, i) => shares[i]! * Math.exp((pull * values[m]!) / 2))
  let u = chance * weights.reduce((a, b) => a + b, 0)
  for (const [i, w] of weights.entries()) if ((u -= w) <= 0) return members[i]!
  return members.at(-1)!
}

/** Mean kinship of sires with dams, by their shares in the young. */
function crossed(sires: Side, dams: Side, kin: (a: number, b: number) => number): number {
  let sum = 0
  for (const [i, s] of sires.members.entries())
    for (const [j, d] of dams.members.entries()) sum += sires.shares[i]! * dams.shares[j]! * kin(s, d)
  return sum
}
function sideOf(list: readonly { member: number; share: number }[]): Side {
  const sum = list.reduce((a, b) => a + b.share, 0)
  return { members: list.map(x => x.member), shares: list.map(x => x.share / sum) }
}
const NOBODY: Side = { members: [], shares: [] }

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
