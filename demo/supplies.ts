import type { Analysis, ShelfContent, ShelfItem, Source } from '#core/records'

/**
 * What the invented room makes its water from; all values are invented. `weeksAgo` counts back from the end of the
 * records.
 */
export interface SourcePlan extends Pick<Source, 'name' | 'kind' | 'disinfectant'> {
  analyses: { weeksAgo: number; by: Analysis['by']; values: Analysis['values'] }[]
}
export interface ShelfPlan extends Pick<ShelfItem, 'name'> {
  content: ShelfContent
  stockG?: number
}

export const sourcePlans: readonly SourcePlan[] = [
  {
    name: 'Pure water',
    kind: 'pure',
    disinfectant: 'none',
    analyses: [{ weeksAgo: 3, by: 'ownTest', values: { conductivityUsCm: 6, ghDh: 0, khDh: 0 } }],
  },
  {
    name: 'Harbour tap',
    kind: 'tap',
    disinfectant: 'chlorine',
    analyses: [
      {
        weeksAgo: 38,
        by: 'supplier',
        values: {
          calciumMgL: 71,
          magnesiumMgL: 13.6,
          sodiumMgL: 22,
          potassiumMgL: 2.8,
          chlorideMgL: 60,
          sulfateMgL: 85,
          nitrateMgL: 9,
          khDh: 6.2,
          conductivityUsCm: 552,
          ph: 7.6,
        },
      },
      { weeksAgo: 9, by: 'ownTest', values: { ghDh: 12.8, khDh: 5.8, conductivityUsCm: 540 } },
    ],
  },
  {
    name: 'Rain barrel',
    kind: 'rain',
    disinfectant: 'none',
    analyses: [{ weeksAgo: 1, by: 'ownTest', values: { ghDh: 0.2, khDh: 0.1, conductivityUsCm: 18, ph: 5.9 } }],
  },
  {
    name: 'Sea mix',
    kind: 'seaMix',
    disinfectant: 'none',
    analyses: [{ weeksAgo: 2, by: 'ownTest', values: { salinityGKg: 34.2 } }],
  },
]

export const shelfPlans: readonly ShelfPlan[] = [
  { name: 'Calcium chloride', content: { by: 'salt', salt: 'calciumChlorideDihydrate' }, stockG: 410 },
  { name: 'Magnesium sulfate', content: { by: 'salt', salt: 'magnesiumSulfateHeptahydrate' }, stockG: 620 },
  { name: 'Sodium bicarbonate', content: { by: 'salt', salt: 'sodiumBicarbonate' }, stockG: 880 },
  {
    name: 'Soft-water mix',
    content: { by: 'mix', ghDh: 33, khDh: 0, conductivityUsCm: 1260, caMgByMass: 3 },
    stockG: 240,
  },
  { name: 'Sea salt', content: { by: 'salt', salt: 'seaSalt' }, stockG: 2300 },
]
