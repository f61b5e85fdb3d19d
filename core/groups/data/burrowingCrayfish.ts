import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, stages, steps, target } from '../basis'
import { defineGroup } from '../defineGroup'
import { feeding, waterChange } from '../schools'

export const burrowingCrayfish = defineGroup({
  id: 'burrowing-crayfish',
  name: 'Burrowing crayfish',
  animals: 'primary burrowers',
  animal: ['crayfish', 'crayfish'],
  glance: {
    plainName: 'Burrowing crayfish',
    ease: 'hard',
    lifeYears: ranged(3, 7, M),
    wishes: ['odd'],
    says:
      'They live in their own burrows, in a long tank that is three quarters filled. Banned or protected ' +
      'in many places.',
    basis: CP,
  },
  targets: {
    temperatureC: target(CP, [18, 26]),
    ph: target(CP, [6.8, 7.4], [6, 8]),
    ghDh: target(M, [6, 16]),
    khDh: target(M, [3, 12]),
    nitrateMgL: nitrate20,
    ...poisons,
  },
  schools: { waterChange: waterChange.weekly, feeding: feeding.shrimp },
  largestStepPerWeek: steps,
  stocking: {
    minimumL: figure(75, CP),
    starters: figure(3, M),
    startersInL: figure(125, CP),
    advice: 'A long tank of about 75 to 125 L, three quarters filled; a hide for each animal.',
  },
  setup: {
    cureWeeks: ranged(4, 8, CP),
    substrate: { kind: 'earth', depthCm: figure(10, M) },
    lightHours: ranged(6, 10, M),
    leavesPer20L: figure(4, M),
    fillShare: figure(0.75, CP),
    turnover: ranged(2, 4, M),
    climbs: true,
    hides: true,
    grazes: false,
    femalesPerMale: figure(2, M),
  },
  company: {
    kind: 'crayfish',
    crosses: 'burrowing crayfish',
    kills: ['shrimp', 'snail', 'isopod', 'branchiopod'],
    eatsYoungOf: ['crayfish', 'crab'],
    nips: true,
    takesFood: true,
    larvaeNeedSea: false,
    basis: M,
  },
  life: {
    breedsInPlace: true,
    growthPerWeek: prior(0.008, 0.015, M),
    capacityPerL: figure(0.1, M),
    minimumKeep: figure(3, M),
  },
  stages: stages(
    { stepDays: 7, eggs: 'carried', first: 'hatchling' },
    {
      eggWeeks: 5,
      firstWeeks: 4,
      youngWeeks: 40,
      adultWeeks: 150,
      youngLoss: 0.02,
      broodSize: 25,
      restWeeks: 20,
      femaleShare: 0.5,
      q10: 2,
    },
  ),
  sizes: { of: 'length', hatchMm: figure(8, M), breedsMm: figure(50, M), mostMm: figure(90, M) },
  care: {
    food: 'pellet',
    portionFor: { by: 'animals', value: 1, basis: M },
    greensDays: figure(7, M),
    leavesDays: figure(14, M),
    calciumDays: figure(30, M),
    molts: { youngWeeks: figure(2, M), adultWeeks: figure(8, M), softDays: ranged(3, 5, M) },
    brood: { sign: 'berried' },
    youngApart: false,
    counters: ['berried', 'molts', 'limbLoss', 'dead'],
  },
  counting: {
    ...counting.single,
    allSeen: { share: 0.75, sdLog: 0.2, basis: M },
    // fresh mud at the mouth: one lives in each, and a few are shared, old or hidden
    burrows: { share: 0.9, sdLog: 0.15, basis: M },
  },
  cautions: ['neverRelease', 'permit', 'cover', 'hides', 'copper'],
})
