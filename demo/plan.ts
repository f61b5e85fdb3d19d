import type { CountMethod, Glass, Heads, TestMethod, ValueKey } from '#core/records'

/**
 * How a water value behaves in the invented room. Weeks count back from the end of the records: −8 is eight weeks
 * before.
 */
export interface WaterPlan {
  base: number
  /** change per week from `from` weeks on */
  drift?: { from: number; perWeek: number }
  /** half the seasonal swing, warmest in August */
  season?: number
  /** added to every reading taken in the evening */
  dusk?: number
  method: TestMethod
  /** weeks between tests */
  every: number
  /** weeks before the end from which no test was made */
  stopped?: number
}

/** A colony of the invented room: what is true of it, and how its keepers count it. */
export interface ColonyPlan {
  name: string
  groupId: string
  schools?: Record<string, string>
  founders: Partial<Heads>
  /** weeks before the end when it began */
  began: number
  /** true births per animal and week in an empty tank, and true deaths */
  births: number
  deaths: number
  capacity: number
  /** from so many weeks before the end these rates hold instead */
  turn?: { from: number; births: number; deaths: number }
  counts: { method: CountMethod; every: number; share?: number }
  sales?: { every: number; number: number; from: number; outlet: 'sold' | 'given' | 'fed' }
  /** animals that come in from the same room: hatched clutches, picked young */
  arrivals?: { week: number; number: number; text: string }[]
  deathsLogged?: { week: number; number: number; sign: 'failedMolt' | 'unknown' | 'old'; text?: string }[]
  /** a count that is far off */
  wildCount?: { week: number; times: number; method: CountMethod; text: string }
  /** a slip of the pen that was put right */
  slip?: { week: number }
  notes?: { week: number; text: string }[]
  minimumKeep?: number
}

export interface GlassPlan {
  name: string
  kind: 'tank' | 'jar' | 'tub' | 'paludarium'
  grossL: number
  fillShare: number
  water: Partial<Record<ValueKey, WaterPlan>>
  colonies: ColonyPlan[]
  inside?: Glass['inside']
  substrate?: Glass['substrate']
  carbonateG?: number
  /** weeks since active soil went in */
  soilWeeks?: number
  /** changes that the keepers wrote down: how much, how often, since when; nobody wrote down what was in the water */
  changes?: { share: number; every: number; from: number }
  /** top-ups that were written down: litres of pure water a week, and of tap water since a week */
  topUps?: { pureL: number; from: number; tap?: { litres: number; from: number } }
  /** a glass that is being cured, with the plan behind it */
  /** clutches on the way */
  clutches?: { daysAgo: number; place: 'inPlace' | 'incubator'; text?: string }[]
  /** whether the last round found the intake sponge off */
  broken?: boolean
  curing?: { weeks: number; groupId: string; planName: string; starters: number }
}

export interface RackPlan {
  name: string
  kind: 'rack' | 'windowsill' | 'floor'
  shelves: GlassPlan[][]
}

const kit = (base: number, more: Partial<WaterPlan> = {}): WaterPlan => ({
  base,
  method: 'liquidKit',
  every: 3,
  ...more,
})
const probe = (base: number, more: Partial<WaterPlan> = {}): WaterPlan => ({ base, method: 'probe', every: 1, ...more })
const fresh = (ghDh: number, khDh: number, ph: number, conductivity: number, celsius: number): GlassPlan['water'] => ({
  ghDh: kit(ghDh),
  khDh: kit(khDh),
  ph: kit(ph),
  conductivityUsCm: probe(conductivity),
  temperatureC: probe(celsius, { season: 0.8 }),
  nitrateMgL: kit(8, { every: 6 }),
})

const ember = { groupId: 'neocaridina', births: 0.13, deaths: 0.035, capacity: 620 }

/** Lantern Quay: three racks, a windowsill and a floor tub in a converted net loft by a harbour. All invented. */
export const lanternQuayPlan: RackPlan[] = [
  {
    name: 'Rack 1, door side',
    kind: 'rack',
    shelves: [
      [
        {
          name: 'Ember A',
          kind: 'tank',
          grossL: 63,
          fillShare: 0.9,
          changes: { share: 0.1, every: 1, from: 30 },
          water: fresh(7, 5, 7.2, 310, 23.4),
          colonies: [
            {
              name: 'Ember A',
              ...ember,
              founders: { females: 10, males: 6, unsexed: 4 },
              began: 60,
              counts: { method: 'allSeen', every: 5 },
              sales: { every: 4, number: 18, from: 26, outlet: 'sold' },
              notes: [{ week: 30, text: 'Deepest reds stay by the left sponge.' }],
            },
          ],
        },
        {
          name: 'Ember box',
          kind: 'tank',
          grossL: 12,
          fillShare: 0.85,
          broken: true,
          water: fresh(7, 5, 7.2, 305, 23.2),
          colonies: [
            {
              name: 'Ember box',
              ...ember,
              capacity: 45,
              founders: { females: 5, males: 1 },
              began: 34,
              counts: { method: 'allSeen', every: 3 },
              minimumKeep: 12,
            },
          ],
        },
      ],
      [
        {
          name: 'Slate',
          kind: 'tank',
          grossL: 60,
          fillShare: 0.87,
          changes: { share: 0.1, every: 1, from: 20 },
          water: {
            ghDh: kit(6.7, { drift: { from: 16, perWeek: -0.03 } }),
            khDh: kit(4.6, { drift: { from: 13, perWeek: -0.2 }, every: 2 }),
            ph: kit(7.3, { drift: { from: 13, perWeek: -0.045 } }),
            conductivityUsCm: probe(300, { drift: { from: 13, perWeek: -1.5 } }),
            temperatureC: probe(22.6, { season: 0.8 }),
            nitrateMgL: kit(9, { every: 6 }),
          },
          colonies: [
            {
              name: 'Slate',
              groupId: 'neocaridina',
              founders: { females: 9, males: 6, unsexed: 3 },
              began: 58,
              births: 0.15,
              deaths: 0.03,
              capacity: 620,
              turn: { from: 15, births: 0.005, deaths: 0.075 },
              counts: { method: 'allSeen', every: 2 },
              sales: { every: 11, number: 24, from: 30, outlet: 'sold' },
              deathsLogged: [
                { week: 5, number: 1, sign: 'failedMolt', text: 'White gap behind the head.' },
                { week: 2, number: 1, sign: 'failedMolt' },
              ],
              wildCount: {
                week: 17,
                times: 4.8,
                method: 'atFood',
                text: 'Whole tank on the nettle leaf, lost track twice.',
              },
            },
          ],
        },
        {
          name: 'Barley',
          kind: 'tank',
          grossL: 45,
          fillShare: 0.9,
          water: { ...fresh(6.8, 4.6, 6.95, 290, 23), ph: kit(6.95, { dusk: 0.75, every: 2 }) },
          colonies: [
            {
              name: 'Barley',
              groupId: 'neocaridina',
              founders: { females: 7, males: 4, unsexed: 1 },
              began: 44,
              births: 0.11,
              deaths: 0.04,
              capacity: 380,
              counts: { method: 'atFood', every: 4 },
              slip: { week: 14 },
            },
            {
              name: 'Leaf rams',
              groupId: 'ramshorn-snail',
              founders: { unsexed: 4 },
              began: 20,
              births: 0.18,
              deaths: 0.06,
              capacity: 120,
              counts: { method: 'estimate', every: 6 },
            },
          ],
        },
      ],
      [
        {
          name: 'Rime A',
          kind: 'tank',
          grossL: 50,
          fillShare: 0.8,
          soilWeeks: 59,
          topUps: { pureL: 1.4, from: 26, tap: { litres: 0.4, from: 8 } },
          water: {
            ghDh: kit(5, { drift: { from: 8, perWeek: 0.12 } }),
            khDh: kit(0.4),
            ph: kit(6.1),
            conductivityUsCm: probe(202, { drift: { from: 8, perWeek: 8 } }),
            temperatureC: probe(22, { season: 0.5 }),
            nitrateMgL: kit(5, { every: 6 }),
          },
          colonies: [
            {
              name: 'Rime A',
              groupId: 'bee-shrimp',
              founders: { females: 8, males: 5, unsexed: 7 },
              began: 59,
              births: 0.085,
              deaths: 0.035,
              capacity: 260,
              counts: { method: 'atFood', every: 4 },
              sales: { every: 10, number: 10, from: 24, outlet: 'sold' },
              notes: [{ week: 3, text: 'Canister of pure water was empty, topped up from the tap.' }],
            },
          ],
        },
        {
          name: 'Rime B',
          kind: 'tank',
          grossL: 50,
          fillShare: 0.8,
          water: fresh(5.1, 0.5, 6.2, 206, 22),
          colonies: [
            {
              name: 'Rime B',
              groupId: 'bee-shrimp',
              founders: { females: 5, males: 3, unsexed: 4 },
              began: 40,
              births: 0.09,
              deaths: 0.04,
              capacity: 240,
              counts: { method: 'allSeen', every: 6 },
            },
          ],
        },
      ],
    ],
  },
  {
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
  },
  {
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
  },
  {
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
  },
  {
    name: 'Floor',
    kind: 'floor',
    shelves: [
      [
        {
          name: 'Net tub',
          kind: 'tub',
          grossL: 110,
          fillShare: 0.75,
          water: fresh(9, 6, 7.1, 400, 20.5),
          colonies: [
            {
              name: 'Bank crays',
              groupId: 'burrowing-crayfish',
              founders: { females: 2, males: 1 },
              began: 40,
              births: 0.012,
              deaths: 0.003,
              capacity: 12,
              counts: { method: 'allSeen', every: 6 },
            },
          ],
        },
      ],
    ],
  },
]
