import type { RackPlan } from '../planShapes'
import { fresh } from './figures'

/** Rack 2, middle, with its glasses. */
export const middle: RackPlan = {
  name: 'Rack 2, middle',
  kind: 'rack',
  shelves: [
    [
      {
        name: 'Fen isopods',
        kind: 'tank',
        grossL: 30,
        fillShare: 0.8,
        carbonateG: 430,
        water: fresh(17, 9, 7.7, 620, 18.5),
        colonies: [
          {
            name: 'Fen isopods',
            groupId: 'water-isopod',
            founders: { unsexed: 14 },
            began: 56,
            births: 0.17,
            deaths: 0.06,
            capacity: 520,
            counts: { method: 'partOfTank', every: 6, share: 0.15 },
          },
        ],
      },
      {
        name: 'Reed crays',
        kind: 'tank',
        grossL: 54,
        fillShare: 0.9,
        water: fresh(11, 7, 7.5, 460, 22.5),
        colonies: [
          {
            name: 'Reed crays',
            groupId: 'dwarf-crayfish',
            founders: { females: 4, males: 2 },
            began: 52,
            births: 0.05,
            deaths: 0.018,
            capacity: 30,
            counts: { method: 'allSeen', every: 4 },
          },
        ],
      },
    ],
    [
      {
        name: 'Copper rams',
        kind: 'tank',
        grossL: 40,
        fillShare: 0.9,
        water: fresh(12, 8, 7.7, 520, 24.2),
        colonies: [
          {
            name: 'Copper rams',
            groupId: 'ramshorn-snail',
            founders: { unsexed: 6 },
            began: 32,
            births: 0.29,
            deaths: 0.07,
            capacity: 1500,
            counts: { method: 'partOfTank', every: 4, share: 0.2 },
            sales: { every: 5, number: 40, from: 12, outlet: 'fed' },
            followed: [
              {
                name: 'Penny',
                sex: 'unknown',
                cameWeeks: 31,
                marks: 'the first one, chip by the mouth',
                log: [
                  { week: 30.5, kind: 'shell', marks: ['white'], diameterMm: 9 },
                  { week: 26, kind: 'shell', marks: [], growth: 'clean', diameterMm: 13.5 },
                  { week: 20, kind: 'shell', marks: [], diameterMm: 17 },
                  { week: 12, kind: 'shell', marks: [], diameterMm: 19.5 },
                  {
                    week: 2,
                    kind: 'shell',
                    marks: [],
                    growth: 'clean',
                    diameterMm: 21,
                    zones: [
                      { kind: 'white', endMm: 8.5 },
                      { kind: 'thin', endMm: 14 },
                      { kind: 'thick', endMm: 21 },
                    ],
                  },
                ],
              },
            ],
          },
        ],
      },
      {
        name: 'Apple snails',
        kind: 'tank',
        grossL: 75,
        fillShare: 0.8,
        clutches: [
          { daysAgo: 7.4, place: 'incubator', text: 'Clutch 3, under the cover, as long as a thumb.' },
          { daysAgo: 2.6, place: 'inPlace', text: 'Clutch 4, near the filter.' },
        ],
        water: fresh(13, 9, 7.8, 560, 26),
        colonies: [
          {
            name: 'Apple snails',
            groupId: 'apple-snail',
            founders: { females: 3, males: 3 },
            began: 48,
            births: 0,
            deaths: 0.008,
            capacity: 400,
            counts: { method: 'allSeen', every: 3 },
            arrivals: [
              { week: 14, number: 96, text: 'Clutch 1 hatched in the incubator, put in.' },
              { week: 6, number: 88, text: 'Clutch 2 hatched, put in.' },
            ],
          },
        ],
      },
    ],
    [
      {
        name: 'River shrimp',
        kind: 'tank',
        grossL: 45,
        fillShare: 0.9,
        water: fresh(8, 5, 7.1, 340, 22),
        colonies: [
          {
            name: 'River shrimp',
            groupId: 'amphidromous-shrimp',
            founders: { females: 7, males: 5 },
            began: 57,
            births: 0,
            deaths: 0.002,
            capacity: 30,
            counts: { method: 'allSeen', every: 7 },
          },
        ],
      },
      {
        name: 'Barley raise',
        kind: 'tank',
        grossL: 20,
        fillShare: 0.85,
        water: fresh(7.2, 5.1, 7.3, 320, 24.8),
        colonies: [
          {
            name: 'Barley raise',
            groupId: 'neocaridina',
            schools: { temperature: 'warm' },
            founders: { females: 6, males: 3, young: 12 },
            began: 18,
            births: 0.16,
            deaths: 0.045,
            capacity: 170,
            counts: { method: 'allSeen', every: 4 },
          },
        ],
      },
    ],
  ],
}
