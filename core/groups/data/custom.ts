import { counting, figure, M, poisons, prior, ranged, stages, steps } from '../basis'
import { defineGroup } from '../defineGroup'
import { feeding, waterChange } from '../schools'

/**
 * The keeper's own group: no ranges of its own beyond what poisons every animal. The colony's own ranges and rates fill
 * it.
 */
export const custom = defineGroup({
  id: 'custom',
  name: 'Your own group',
  animals: 'animals that are not in the list: you set the ranges',
  animal: ['animal', 'animals'],
  glance: {
    plainName: 'Animals of your own',
    ease: 'easy',
    lifeYears: ranged(1, 3, M),
    wishes: [],
    says: 'You set every range yourself.',
    basis: M,
  },
  targets: poisons,
  schools: { waterChange: waterChange.weekly, feeding: feeding.shrimp },
  largestStepPerWeek: { ...steps, humidityPct: figure(15, M) },
  stocking: {
    minimumL: figure(1, M),
    starters: figure(10, M),
    startersInL: figure(20, M),
    advice: 'Nothing is known about your own group: follow what you trust.',
  },
  setup: {
    cureWeeks: ranged(4, 8, M),
    substrate: { kind: 'sand', depthCm: figure(2, M) },
    lightHours: ranged(8, 10, M),
    leavesPer20L: figure(1, M),
    fillShare: figure(0.9, M),
    turnover: ranged(3, 6, M),
    climbs: false,
    hides: false,
    grazes: false,
    femalesPerMale: figure(1, M),
  },
  company: {
    kind: 'other',
    crosses: "the keeper's own group",
    kills: [],
    eatsYoungOf: [],
    nips: false,
    takesFood: false,
    larvaeNeedSea: false,
    basis: M,
  },
  life: {
    breedsInPlace: true,
    // nothing is known: flat, with a wide spread
    growthPerWeek: prior(0, 0.08, M),
    capacityPerL: figure(5, M),
    minimumKeep: figure(10, M),
  },
  stages: stages(
    { stepDays: 7, eggs: 'carried', first: 'hatchling' },
    {
      eggWeeks: 4,
      firstWeeks: 3,
      youngWeeks: 10,
      adultWeeks: 50,
      youngLoss: 0.02,
      broodSize: 25,
      restWeeks: 3,
      femaleShare: 0.5,
      q10: 2.2,
    },
  ),
  care: {
    food: 'pellet',
    portionFor: { by: 'animals', value: 15, basis: M },
    youngApart: false,
    counters: ['berried', 'molts', 'dead', 'young'],
  },
  counting: counting.hiding,
  cautions: ['neverRelease'],
})
