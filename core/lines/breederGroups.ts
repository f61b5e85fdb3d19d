import { UNEVENNESS } from './familySizes'
import type { BredGroup, Breeders } from './groupKinship'
import type { BreederSet, GradedSex, LineGroup } from './history'

/** Breeders of one sex; where nobody told them apart half of them are taken to be it. */
const ofSex = (breeders: readonly BreederSet[], sex: GradedSex): Breeders[] =>
  breeders.flatMap(({ groupId, young, ...b }) => {
    if (b.sex !== sex && b.sex !== 'mixed') return []
    const number = b.sex === sex ? b.number : Math.max(1, b.number / 2)
    return [{ groupId, number, ...(young !== undefined && { young }) }]
  })

/** Groups of a line as their kinship is reckoned, with the usual unevenness of families or another one. */
export const breederGroups = (
  groups: readonly LineGroup[],
  unevenness = { sires: UNEVENNESS.male, dams: UNEVENNESS.female },
): BredGroup[] =>
  groups.map(({ id, size, breeders, stayed }) => ({
    id,
    size,
    sires: ofSex(breeders, 'male'),
    dams: ofSex(breeders, 'female'),
    ...(stayed && { stayed: { groupId: stayed.breeders.groupId, share: stayed.share } }),
    unevenness,
  }))
