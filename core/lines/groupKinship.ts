import type { Id } from '#core/records'
import { heldBy } from './history'
import { rowIn } from './rowIn'

/** Animals of a group that bred, as far as they are known: how many of which group. */
export interface Breeders {
  groupId: Id
  number: number
  /** young that are theirs; where missing as many as are of any other */
  young?: number
}

/** A group of animals that grew up from one breeding: a generation in a glass. Founders have no breeders. */
export interface BredGroup {
  id: Id
  /** animals in it */
  size: number
  sires: readonly Breeders[]
  dams: readonly Breeders[]
  /** part of it that is no young but animals of an earlier group, grown older */
  stayed?: { groupId: Id; share: number }
  /**
   * how unevenly the sires, and the dams, share in the young: variance of their expected shares over the square of the
   * mean; nothing where all do alike
   */
  unevenness?: { sires: number; dams: number }
}

/** Mean kinships of groups. */
export interface GroupKinships {
  /** row of each group, oldest first */
  rowOf: ReadonlyMap<Id, number>
  /** of two animals of two groups, or two different ones of the same */
  between: Float64Array
  /** mean inbreeding of each group */
  inbreeding: Float64Array
}

/**
 * Mean kinship and inbreeding of groups of which nobody knows who is whose young: two of them have the same sire with a
 * chance that goes by how many there were and how unevenly they bred. The mean of what the tabular method gives over
 * all pedigrees that the groups may hide.
 * Source: coancestry of groups, Caballero & Toro (2000), Genet. Res. 75: 331.
 * @param groups parents before their young
 * @throws RangeError for breeders of a group that does not stand before, and for young of one sex alone
 */
export function groupKinships(groups: readonly BredGroup[]): GroupKinships {
  const n = groups.length
  const rowOf = new Map<Id, number>()
  const k: GroupKinships = { rowOf, between: new Float64Array(n * n), inbreeding: new Float64Array(n) }
  for (const [row, group] of groups.entries()) {
    if (group.sires.length > 0 !== group.dams.length > 0) throw new RangeError(`${group.id} needs sires and dams`)
    const [sires, dams] = [sharesOf(group.sires, rowOf), sharesOf(group.dams, rowOf)]
    for (let other = 0; other < row; other++) {
      const kin =
        (meanWith(k, sires, { row: other, size: groups[other]!.size }) +
          meanWith(k, dams, { row: other, size: groups[other]!.size })) /
        2
      k.between[row * n + other] = kin
      k.between[other * n + row] = kin
    }
    rowOf.set(group.id, row)
    if (sires.length === 0) continue
    const across = crossed(k, sires, dams)
    const { sires: ofSires = 0, dams: ofDams = 0 } = group.unevenness ?? {}
    k.inbreeding[row] = across
    k.between[row * n + row] = (drawnTwice(k, sires, ofSires) + 2 * across + drawnTwice(k, dams, ofDams)) / 4
    if (group.stayed) joinStayed(k, row, { ...group.stayed, groups })
  }
  return k
}

/** Makes the young of a group one with those of an earlier one that are still there. */
function joinStayed(
  k: GroupKinships,
  row: number,
  { groupId, share, groups }: { groupId: Id; share: number; groups: readonly BredGroup[] },
) {
  const n = groups.length
  const old = k.rowOf.get(groupId)
  if (old === undefined || old >= row)
    throw new RangeError(`${groupId} does not stand before those that it stayed with`)
  const young = 1 - share
  const [ofYoung, ofOld, across] = [kin(k, row, row), kin(k, old, old), kin(k, row, old)]
  for (let other = 0; other < row; other++) {
    const itself = other === old ? 1 / groups[old]!.size : 0
    const stayed = itself * withSelf(k, old) + (1 - itself) * kin(k, old, other)
    const joined = young * kin(k, row, other) + share * stayed
    k.between[row * n + other] = joined
    k.between[other * n + row] = joined
  }
  k.inbreeding[row] = young * k.inbreeding[row]! + share * k.inbreeding[old]!
  k.between[row * n + row] = young ** 2 * ofYoung + 2 * young * share * across + share ** 2 * ofOld
}

/** Breeders by row, with the share of the young that is theirs. */
interface Shares {
  row: number
  number: number
  share: number
}

function sharesOf(breeders: readonly Breeders[], rowOf: ReadonlyMap<Id, number>): Shares[] {
  const all = breeders.reduce((sum, b) => sum + heldBy(b), 0)
  return breeders.map(b => {
    const { groupId, number } = b
    const row = rowOf.get(groupId)
    if (row === undefined) throw new RangeError(`the breeders’ group ${groupId} does not stand before their young`)
    return { row, number, share: heldBy(b) / all }
  })
}

const kin = ({ between, inbreeding }: GroupKinships, a: number, b: number) => between[a * inbreeding.length + b]!

/** Kinship of an animal with itself. */
const withSelf = ({ inbreeding }: GroupKinships, row: number) => (1 + inbreeding[row]!) / 2

/** Mean kinship of breeders with any animal of a group, which may be the breeder itself. */
function meanWith(k: GroupKinships, breeders: readonly Shares[], { row, size }: { row: number; size: number }): number {
  return breeders.reduce((sum, b) => {
    const itself = b.row === row ? 1 / size : 0
    return sum + b.share * (itself * withSelf(k, row) + (1 - itself) * kin(k, b.row, row))
  }, 0)
}

/** Mean kinship of a sire with a dam: never the same animal. */
const crossed = (k: GroupKinships, sires: readonly Shares[], dams: readonly Shares[]): number =>
  sires.reduce((sum, s) => dams.reduce((inner, d) => inner + s.share * d.share * kin(k, s.row, d.row), sum), 0)

/** Mean kinship of the sires, or the dams, of two young: the same one by chance, where both are of one set. */
function drawnTwice(k: GroupKinships, breeders: readonly Shares[], unevenness: number): number {
  return breeders.reduce(
    (sum, a) =>
      breeders.reduce((inner, b) => {
        const same = a === b ? Math.min(1, (1 + unevenness) / a.number) : 0
        return inner + a.share * b.share * (same * withSelf(k, a.row) + (1 - same) * kin(k, a.row, b.row))
      }, sum),
    0,
  )
}

/**
 * Mean kinship of two groups, or of two different animals of one.
 * @throws RangeError for a group that is not in the line
 */
export const groupKinshipOf = (k: GroupKinships, a: Id, b: Id): number =>
  kin(k, rowIn(k.rowOf, a, 'line'), rowIn(k.rowOf, b, 'line'))

/**
 * Mean inbreeding of a group.
 * @throws RangeError for a group that is not in the line
 */
export const groupInbreedingOf = (k: GroupKinships, id: Id): number => k.inbreeding[rowIn(k.rowOf, id, 'line')]!
