import { UNEVENNESS } from './familySizes'
import { type BredGroup, groupInbreedingOf, groupKinships } from './groupKinship'

/** How the males of several boxes go round: in turn to the next one, staying, or all bred in one glass. */
export type Rotation = 'inTurn' | 'stay' | 'together'

/** Breeding boxes of one line, alike. */
export interface Boxes {
  boxes: number
  malesEach: number
  femalesEach: number
}

/**
 * Mean inbreeding, generation by generation, of a line that is bred in boxes from unrelated founders: a box's females
 * are of its own young, and its males of the box before (circular mating, Kimura & Crow 1963, Genet. Res. 4: 399), of
 * its own, or all breed in one glass. Reckoned by the coancestry of groups.
 * @returns from the founders' young on, which are not inbred
 * @throws RangeError for no boxes, or boxes without one of the sexes
 */
export function inbreedingOfBoxes(
  { boxes, malesEach, femalesEach }: Boxes,
  way: Rotation,
  generations: number,
): number[] {
  if (boxes < 1 || malesEach < 1 || femalesEach < 1) throw new RangeError('a box needs a male and a female')
  const many = way === 'together' ? 1 : boxes
  const [males, females] = way === 'together' ? [boxes * malesEach, boxes * femalesEach] : [malesEach, femalesEach]
  const size = 40 * (way === 'together' ? boxes : 1)
  const unevenness = { sires: UNEVENNESS.male, dams: UNEVENNESS.female }
  const groups: BredGroup[] = Array.from({ length: many }, (_, b) => ({ id: `0 ${b}`, size, sires: [], dams: [] }))
  for (let t = 1; t <= generations; t++)
    for (let b = 0; b < many; b++) {
      const from = way === 'inTurn' ? (b + many - 1) % many : b
      groups.push({
        ...{ id: `${t} ${b}`, size, unevenness },
        sires: [{ groupId: `${t - 1} ${from}`, number: males }],
        dams: [{ groupId: `${t - 1} ${b}`, number: females }],
      })
    }
  const kin = groupKinships(groups)
  return Array.from({ length: generations }, (_, t) => {
    const own = Array.from({ length: many }, (__, b) => groupInbreedingOf(kin, `${t + 1} ${b}`))
    return own.reduce((a, b) => a + b, 0) / many
  })
}
