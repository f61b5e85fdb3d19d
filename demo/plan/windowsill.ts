import type { RackPlan } from '../planShapes'
import { ember, fresh, kit, probe } from './figures'

/** Windowsill, with its glasses. */
export const windowsill: RackPlan = {
  name: 'Windowsill',
  kind: 'windowsill',
  shelves: [
    [
      {
        name: 'Moss grow-out',
        kind: 'tank',
        grossL: 20,
        fillShare: 0.85,
        water: fresh(6.6, 4.2, 7, 280, 22.4),
        colonies: [
          {
            name: 'Moss grow-out',
            ...ember,
            capacity: 150,
            founders: { young: 20, halfGrown: 6 },
            began: 22,
            counts: { method: 'allSeen', every: 4 },
          },
        ],
      },
      {
        name: 'Sill jar',
        kind: 'jar',
        grossL: 6,
        fillShare: 0.85,
        water: {
          ghDh: kit(9, { method: 'strip', every: 6 }),
          khDh: kit(6, { method: 'strip', every: 6 }),
          temperatureC: probe(21.5, { season: 2 }),
        },
        colonies: [
          {
            name: 'Sill trumpets',
            groupId: 'trumpet-snail',
            founders: { unsexed: 8 },
            began: 38,
            births: 0.09,
            deaths: 0.03,
            capacity: 120,
            counts: { method: 'estimate', every: 9 },
          },
        ],
      },
      {
        name: 'Cure cube',
        kind: 'tank',
        grossL: 30,
        fillShare: 0.88,
        inside: { lengthCm: 31, widthCm: 31, heightCm: 31 },
        substrate: { kind: 'sand', depthCm: 2 },
        colonies: [],
        curing: { weeks: 4, groupId: 'neocaridina', planName: 'Slate, second line', starters: 15 },
        water: {
          ammoniaMgL: kit(2.6, { drift: { from: 4, perWeek: -0.95 }, every: 0.9 }),
          nitriteMgL: kit(0.1, { drift: { from: 3.2, perWeek: 0.28 }, every: 0.9 }),
          nitrateMgL: kit(1, { drift: { from: 2.5, perWeek: 3 }, every: 0.9 }),
          ghDh: kit(7),
          khDh: kit(5.5),
          ph: kit(7.3),
          temperatureC: probe(22.4),
        },
      },
    ],
  ],
}
