/** What is true of an invented line. */
export interface LinePlan {
  name: string
  goal: string
  /** colonies that hold it; the first is where it is bred */
  colonies: readonly string[]
  heritability: number
  /** animals that were graded in each generation */
  graded: readonly number[]
  sires: number
  dams: number
  /** generations that the strict keeper graded, and those that both did, from 0 */
  strictIn: readonly number[]
  twiceIn: readonly number[]
  /** from this generation on hardly any variance is left */
  spentFrom: number
  /** a generation that a stranger fathered in part; none: -1 */
  crossedIn: number
  /** a male that is followed and sires this generation and all after it; none: null */
  sire: { name: string; from: number } | null
  /** whether breeders are at it whose young nobody has graded yet */
  breedsNow: boolean
  /** what one animal of each rung costs; none where nobody sells them by rung */
  prices: readonly number[]
  /** what a unit of the main trait's genes does to size, where that is graded too; null where it is not */
  size: number | null
}

const NEVER = 99
const common = {
  spentFrom: NEVER,
  crossedIn: -1,
  strictIn: [],
  twiceIn: [],
  breedsNow: false,
  prices: [],
  size: null,
  sire: null,
}

/** One that rises, one at a plateau, one whose kinship runs away, and one that was crossed by accident. */
export const linePlans: readonly LinePlan[] = [
  {
    ...{ ...common, name: 'Ember', goal: 'deep red down to the legs', colonies: ['Ember A', 'Ember box'] },
    ...{
      heritability: 0.42,
      graded: [26, 54, 88, 112, 131],
      sires: 7,
      dams: 17,
      strictIn: [2],
      twiceIn: [2, 3],
      breedsNow: true,
      prices: [0.5, 1, 1.5, 2.5, 4],
      size: -0.5,
    },
  },
  {
    ...{ ...common, name: 'Slate', goal: 'dark blue without clear patches', colonies: ['Slate'] },
    ...{ heritability: 0.4, graded: [40, 66, 84, 90, 96, 92], sires: 8, dams: 16, spentFrom: 1, twiceIn: [4] },
  },
  {
    ...{ ...common, name: 'Barley', goal: 'even yellow', colonies: ['Barley', 'Barley raise'] },
    ...{ heritability: 0.3, graded: [30, 52, 60, 66, 70], sires: 1, dams: 6, sire: { name: 'Marsh', from: 2 } },
  },
  {
    ...{ ...common, name: 'Rime', goal: 'full white bands with clean edges', colonies: ['Rime A', 'Rime B'] },
    ...{ heritability: 0.45, graded: [36, 60, 74, 82], sires: 6, dams: 14, crossedIn: 3, twiceIn: [2] },
  },
]
