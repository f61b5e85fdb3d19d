import type { RackPlan } from '../planShapes'
import { fresh, kit, probe } from './figures'

/** Rack 3, harbour side, with its glasses. */
export const harbourSide: RackPlan = {
  name: 'Rack 3, harbour side',
  kind: 'rack',
  shelves: [
    [
      {
        name: 'Tide crabs',
        kind: 'paludarium',
        grossL: 90,
        fillShare: 0.2,
        water: {
          ghDh: kit(10),
          khDh: kit(6),
          ph: kit(7.7),
          temperatureC: probe(25, { season: 0.6 }),
          humidityPct: probe(82, { every: 1, stopped: 2 }),
          nitrateMgL: kit(9, { every: 6 }),
        },
        colonies: [
          {
            name: 'Tide crabs',
            groupId: 'land-crab',
            founders: { females: 4, males: 2 },
            began: 45,
            births: 0.004,
            deaths: 0.004,
            capacity: 11,
            counts: { method: 'allSeen', every: 5 },
            followed: [
              {
                name: 'Ash',
                sex: 'male',
                cameWeeks: 45,
                marks: 'pale right claw',
                log: [
                  { week: 40, kind: 'shell', marks: [], diameterMm: 9.5 },
                  { week: 29.6, kind: 'molts', number: 1 },
                  { week: 26, kind: 'shell', marks: [], diameterMm: 11 },
                  { week: 16.2, kind: 'molts', number: 1 },
                  { week: 11.8, kind: 'molts', number: 1 },
                  { week: 11, kind: 'shell', marks: [], diameterMm: 12 },
                  {
                    week: 8.4,
                    kind: 'limbLoss',
                    number: 1,
                    limbs: 'one',
                    text: 'Left claw, after a quarrel at the cork.',
                  },
                  { week: 5.1, kind: 'molts', number: 1, text: 'A bud where the claw was.' },
                  { week: 0.35, kind: 'molts', number: 1, text: 'Small claw, still pale all over.' },
                ],
              },
              {
                name: 'Cinder',
                sex: 'female',
                cameWeeks: 45,
                marks: 'three dots on the back',
                log: [
                  { week: 19, kind: 'berried', number: 0 },
                  { week: 18, kind: 'berried', number: 1 },
                  { week: 14, kind: 'berried', number: 1, eyed: 1 },
                  { week: 11.2, kind: 'berried', number: 0, text: 'Young parted into the tub.' },
                  { week: 4, kind: 'molts', number: 1 },
                  { week: 3.1, kind: 'berried', number: 0 },
                  { week: 1.4, kind: 'berried', number: 1, text: 'Hides under the bark since Tuesday.' },
                ],
              },
            ],
          },
        ],
      },
      {
        name: 'Crab young',
        kind: 'tub',
        grossL: 15,
        fillShare: 0.2,
        water: { ph: kit(7.6), temperatureC: probe(25.2), humidityPct: probe(84) },
        colonies: [
          {
            name: 'Crab young',
            groupId: 'land-crab',
            founders: { young: 38 },
            began: 11,
            births: 0,
            deaths: 0.018,
            capacity: 40,
            counts: { method: 'allSeen', every: 2 },
          },
        ],
      },
    ],
    [
      {
        name: 'Long tank',
        kind: 'tank',
        grossL: 120,
        fillShare: 0.88,
        water: fresh(9, 5.5, 7.4, 390, 24.6),
        colonies: [
          {
            name: 'Fan pair',
            groupId: 'fan-shrimp',
            founders: { females: 1, males: 1 },
            began: 50,
            births: 0,
            deaths: 0,
            capacity: 12,
            counts: { method: 'allSeen', every: 8 },
            followed: [
              {
                name: 'Sedge',
                sex: 'female',
                cameWeeks: 50,
                log: [
                  { week: 20.5, kind: 'molts', number: 1 },
                  { week: 12.6, kind: 'molts', number: 1 },
                  { week: 4.9, kind: 'molts', number: 1 },
                ],
              },
              { name: 'Alder', sex: 'male', cameWeeks: 50, log: [{ week: 6.2, kind: 'molts', number: 1 }] },
            ],
          },
          {
            name: 'Nerites',
            groupId: 'nerite-snail',
            founders: { unsexed: 11 },
            began: 50,
            births: 0,
            deaths: 0.005,
            capacity: 36,
            counts: { method: 'allSeen', every: 6 },
          },
        ],
      },
    ],
    [
      {
        name: 'Pool jar',
        kind: 'jar',
        grossL: 5,
        fillShare: 0.85,
        water: {
          ph: kit(8.1, { every: 6 }),
          salinityGKg: probe(17.2, { every: 2 }),
          temperatureC: probe(23, { season: 1 }),
        },
        colonies: [
          {
            name: 'Pool jar',
            groupId: 'brackish-pool-shrimp',
            founders: { unsexed: 22 },
            began: 61,
            births: 0.022,
            deaths: 0.004,
            capacity: 90,
            counts: { method: 'allSeen', every: 7 },
          },
        ],
      },
      {
        name: 'Batch 7',
        kind: 'tub',
        grossL: 10,
        fillShare: 0.8,
        water: { ghDh: kit(6), ph: kit(7.4, { every: 1 }), conductivityUsCm: probe(210), temperatureC: probe(23) },
        colonies: [
          {
            name: 'Batch 7',
            groupId: 'pool-branchiopod',
            founders: { young: 140 },
            began: 1.8,
            births: 0,
            deaths: 0.3,
            capacity: 160,
            counts: { method: 'estimate', every: 0.7 },
          },
        ],
      },
      {
        name: 'Rime spare',
        kind: 'tank',
        grossL: 25,
        fillShare: 0.8,
        water: fresh(4.8, 0.3, 6, 196, 21.8),
        colonies: [
          {
            name: 'Rime spare',
            groupId: 'bee-shrimp',
            founders: { females: 3, males: 2, unsexed: 5 },
            began: 14,
            births: 0.07,
            deaths: 0.035,
            capacity: 120,
            counts: { method: 'allSeen', every: 4 },
          },
        ],
      },
    ],
  ],
}
