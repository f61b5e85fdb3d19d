import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, steps, stages, target } from '../basis'
import { defineGroup } from '../defineGroup'
import { feeding, waterChange } from '../schools'

export const amphidromousShrimp = defineGroup({
  id: 'amphidromous-shrimp',
  name: 'Amphidromous shrimp',
  animals: 'Caridina multidentata',
  animal: ['shrimp', 'shrimp'],
  targets: {
    temperatureC: target(CP, [20, 24], [17, 26]),
    ph: target(CP, [6.8, 7.4], [6.5, 7.8]),
    ghDh: target(M, [5, 10], [3, 15]),
    khDh: target(M, [3, 8], [1, 12]),
    nitrateMgL: nitrate20,
    ...poisons,
  },
  schools: { waterChange: waterChange.moderate, feeding: feeding.shrimp },
  largestStepPerWeek: steps,
  stocking: {
    minimumL: figure(30, CP),
    starters: figure(6, CP),
    startersInL: figure(38, CP),
    advice: 'At least three in 30 L, better six in 38 L; cure six weeks or more.',
  },
  setup: {
    cureWeeks: ranged(6, 10, CP),
    substrate: { kind: 'sand', depthCm: figure(2, M) },
    lightHours: ranged(8, 10, M),
    leavesPer20L: figure(2, M),
    fillShare: figure(0.9, M),
    turnover: ranged(3, 6, M),
    climbs: true,
    hides: false,
    grazes: true,
    femalesPerMale: figure(1, M),
  },
  company: {
    kind: 'shrimp',
    crosses: 'Caridina multidentata',
    kills: [],
    eatsYoungOf: ['shrimp'],
    nips: false,
    takesFood: true,
    larvaeNeedSea: true,
    basis: M,
  },
  life: {
    // larvae need brackish to sea water: none grow up in the adults' tank
    breedsInPlace: false,
    growthPerWeek: prior(-0.004, 0.004, M),
    capacityPerL: figure(0.6, M),
    // they are social: six rather than three
    minimumKeep: figure(6, CP),
  },
  stages: stages(
    { stepDays: 7, eggs: 'carried', first: 'larva' },
    {
      eggWeeks: 5,
      firstWeeks: 4,
      youngWeeks: 20,
      adultWeeks: 180,
      youngLoss: 0.01,
      broodSize: 1000,
      restWeeks: 3,
      femaleShare: 0.5,
      q10: 2.2,
    },
    { eggWeeks: CP },
  ),
  care: {
    food: 'pellet',
    portionFor: { by: 'animals', value: 6, basis: M },
    greensDays: figure(7, M),
    leavesDays: figure(14, M),
    molts: { youngWeeks: figure(2, M), adultWeeks: figure(8, CP) },
    brood: { sign: 'berried', days: ranged(28, 42, CP) },
    youngApart: false,
    counters: ['berried', 'molts', 'dead'],
  },
  counting: counting.single,
  cautions: ['neverRelease', 'copper', 'larvaeNeedSea'],
})
