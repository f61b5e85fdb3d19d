import { normalFrom, STREAM_STEP, streamAt, uniformAt, type Ranged } from '#core/stats'
import { UNEVENNESS, UNEVENNESS_SD } from './familySizes'
import type { BreederSet, GradedSex, LineGroup } from './history'
import { rangeOf } from './sharesTold'
import { selectionOf } from './selection'

/** Inbreeding of each group of a line, with what nobody knows of who bred with whom. */
export interface InbreedingTold {
  /** mean inbreeding of each group: over possible pedigrees, middle and likely range (80 %) */
  of: ReadonlyMap<string, Ranged>
}

const DRAWS = 200
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
  for (let d = 0; d < DRAWS; d++) {
    const one = onePedigree(groups, streamAt(seed, d))
    for (const [row, f] of one.entries()) found[row]!.push(f)
  }
  return { of: new Map(groups.map((g, row) => [g.id, rangeOf(found[row]!)])) }
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
  const unevenness = (sex: GradedSex) => UNEVENNESS[sex] * Math.exp(UNEVENNESS_SD * normalFrom(uniform()))
  const uneven = { male: unevenness('male'), female: unevenness('female') }
  const all = groups.reduce((sum, g) => sum + g.breeders.reduce((n, b) => n + Math.max(1, Math.round(b.number)), 0), 0)
  const kin = new Float64Array(all * all)
  const values = new Float64Array(all)
  const rowOf = new Map(groups.map((g, row) => [g.id, row]))
  const sidesOf: { sires: Side; dams: Side }[] = []
  const inbreeding = new Float64Array(groups.length)
  let many = 0
  /** A new animal of a group: born of two of its breeders, who are drawn by their shares and by what is chosen for. */
  function grow(row: number, pull: number): number {
    const own = many++
    const { sires, dams } = sidesOf[row] ?? { sires: NOBODY, dams: NOBODY }
    if (sires.members.length === 0) {
      values[own] = Math.sqrt(USUAL_HERITABILITY) * normalFrom(uniform())
      kin[own * all + own] = 0.5
      return own
    }
    const [sire, dam] = [drawn(sires, pull), drawn(dams, pull)]
    for (let other = 0; other < own; other++) {
      const k = (kin[sire * all + other]! + kin[dam * all + other]!) / 2
      kin[own * all + other] = k
      kin[other * all + own] = k
    }
    kin[own * all + own] = (1 + kin[sire * all + dam]!) / 2
    values[own] = (values[sire]! + values[dam]!) / 2 + Math.sqrt(USUAL_HERITABILITY / 2) * normalFrom(uniform())
    return own
  }
  function drawn({ members, shares }: Side, pull: number): number {
    const weights = members.map((m, i) => shares[i]! * Math.exp((pull * values[m]!) / 2))
    let u = uniform() * weights.reduce((a, b) => a + b, 0)
    for (const [i, w] of weights.entries()) if ((u -= w) <= 0) return members[i]!
    return members.at(-1)!
  }
  for (const [row, group] of groups.entries()) {
    const members: Record<'male' | 'female', { member: number; share: number }[]> = { male: [], female: [] }
    for (const set of group.breeders) {
      const from = rowOf.get(set.groupId)!
      const pull = pullOf(set, groups[from]!.size)
      for (let i = 0; i < Math.max(1, Math.round(set.number)); i++) {
        const member = grow(from, pull)
        for (const sex of ['male', 'female'] as const)
          if (set.sex === sex || (set.sex === 'mixed' && (i % 2 === 0) === (sex === 'male')))
            members[sex].push({ member, share: unevenShare(uneven[sex], normalFrom(uniform())) })
      }
    }
    const side = (list: readonly { member: number; share: number }[]): Side => {
      const sum = list.reduce((a, b) => a + b.share, 0)
      return { members: list.map(x => x.member), shares: list.map(x => x.share / sum) }
    }
    const [sires, dams] = [side(members.male), side(members.female)]
    sidesOf.push({ sires, dams })
    for (const [i, s] of sires.members.entries())
      for (const [j, d] of dams.members.entries())
        inbreeding[row]! += sires.shares[i]! * dams.shares[j]! * kin[s * all + d]!
  }
  return inbreeding
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
