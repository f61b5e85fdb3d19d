import type { Id } from '#core/records'
import { type Ranged, STREAM_STEP, streamAt, uniformAt } from '#core/stats'
import { breederGroups } from './breederGroups'
import { unevenDrawn } from './familySizes'
import { groupKinships } from './groupKinship'
import { breedingIn, type LineGroup } from './history'
import type { Parentage } from './kinship'
import { onePedigree } from './onePedigree'
import { rangeOf } from './sharesTold'

/** Inbreeding of each group of a line, with what nobody knows of who bred with whom. */
export interface InbreedingTold {
  /** mean inbreeding of each group: over possible pedigrees, middle and likely range (80 %) */
  of: ReadonlyMap<string, Ranged>
}

const DRAWS = 200
/** More than these are not drawn one by one. */
const MOST_ANIMALS = 900

/**
 * Mean inbreeding of the groups of a line over pedigrees that may lie behind the numbers of breeders: each of them
 * shares in the young unevenly, and by how much nobody knows; animals that are chosen for a grade are related more
 * than by chance, because their parents passed it on (Wray & Thompson 1990, Genet. Res. 55: 41). In each pedigree
 * kinship is reckoned by the tabular method.
 * @param groups parents before their young; founders are taken to be unrelated
 * @param animals that are known one by one, with who may be their parents; not heeded where there are too many breeders
 *   to draw each
 * @param seed of the draws
 */
export function inbreedingOfGroups(
  groups: readonly LineGroup[],
  { animals = [], seed = 11 }: { animals?: readonly Parentage[]; seed?: number } = {},
): InbreedingTold {
  const found = groups.map((): number[] => [])
  const followed = new Map<Id, Parentage>(animals.map(a => [a.id, a]))
  const breeding = groups.reduce((sum, g) => sum + g.breeders.reduce((n, b) => n + breedingIn(b), 0), 0)
  // beside the breeders themselves those that are followed may have one parent or two that are not
  const most = breeding + 3 * animals.length
  for (let d = 0; d < DRAWS; d++) {
    const stream = streamAt(seed, d)
    const one =
      breeding <= MOST_ANIMALS ? onePedigree(groups, { followed, most, stream }) : meanOfPedigrees(groups, stream)
    for (const [row, f] of one.entries()) found[row]!.push(f)
  }
  return { of: new Map(groups.map((g, row) => [g.id, rangeOf(found[row]!)])) }
}

/** Of so many animals chance leaves little but how unevenly they breed: the mean of all their pedigrees. */
function meanOfPedigrees(groups: readonly LineGroup[], stream: number): Float64Array {
  let turn = stream
  const { male, female } = unevenDrawn(() => uniformAt((turn = (turn + STREAM_STEP) | 0)))
  return groupKinships(breederGroups(groups, { sires: male, dams: female })).inbreeding
}
