import type { Eaten, EquipmentPart, FoodKind } from '#core/records'

/** Words of the choices that entries offer. */
export const foodWord: Readonly<Record<FoodKind, string>> = {
  pellet: 'pellets',
  powder: 'powder',
  greens: 'boiled greens',
  protein: 'protein',
}
export const equipmentWord: Readonly<Record<EquipmentPart, string>> = {
  cover: 'cover',
  intake: 'intake sponge',
  flow: 'flow',
  heater: 'heater',
  light: 'light',
}
export const pestWord = {
  flatworms: 'flatworms',
  hydra: 'hydra',
  stringAlgae: 'string algae',
  strangeSnails: 'strange snails',
  predatorLarva: 'a hunting larva',
  other: 'something else',
} as const
export const eatenWord: Readonly<Record<Eaten, string>> = {
  minutes: 'gone in minutes',
  hour: 'gone in an hour',
  leftOver: 'some left over',
}
export const broodWords = {
  clutch: { laid: 'laid', checked: 'looked at, fine', moved: 'moved', hatched: 'hatched', lost: 'lost' },
  place: { inPlace: 'where it was laid', incubator: 'in an incubator' },
  lostTo: {
    drowned: 'drowned',
    dried: 'dried out',
    mould: 'went mouldy',
    eaten: 'was eaten',
    taken: 'was taken away',
  },
  larvae: { early: 'early', middle: 'middle', late: 'late', settled: 'settled' },
  green: ['clear', 'a breath of green', 'light green', 'green', 'deep green'],
  young: { few: 'a few', many: 'many', number: 'counted' },
} as const
export const careWords = {
  failedMolt: { whiteGap: 'white gap behind the head', stuck: 'stuck in the old skin' },
  limbs: { one: 'one each', several: 'several' },
  shellGrowth: { clean: 'clean', thin: 'thin or pale', none: 'none' },
  shellMarks: { pits: 'pits', white: 'white patches', chipped: 'chipped edge' },
  eaten: eatenWord,
  supplement: { leaves: 'leaves', calcium: 'calcium' },
  found: { fine: 'fine', mended: 'mended', broken: 'broken' },
  amount: { none: 'none', some: 'some', rich: 'rich' },
  pestAmount: { few: 'a few', many: 'many' },
} as const
