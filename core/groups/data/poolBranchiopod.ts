import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, stages, steps, target } from '../basis'
import { defineGroup } from '../defineGroup'
import { branchiopodHardness, branchiopodStart, branchiopodTemperature, feeding, waterChange } from '../schools'

export const poolBranchiopod = defineGroup({
  id: 'pool-branchiopod',
  name: 'Pool branchiopods',
  animals: 'fairy, clam and tadpole shrimp of temporary pools',
  animal: ['animal', 'animals'],
  glance: {
    plainName: 'Fairy, clam and tadpole shrimp',
    ease: 'patient',
    lifeYears: ranged(0.03, 0.1, CP),
    wishes: ['breed', 'odd'],
    says:
      'From dry eggs to grown animals in a week or two, and gone in three: then the pool dries, rests, and ' +
      'begins anew.',
    basis: CP,
  },
  targets: { ph: target(CP, [7, 8]), nitrateMgL: nitrate20, ...poisons },
  schools: {
    temperature: branchiopodTemperature,
    hardness: branchiopodHardness,
    start: branchiopodStart,
    waterChange: waterChange.weekly,
    feeding: feeding.sparse,
  },
  largestStepPerWeek: steps,
  stocking: {
    minimumL: figure(4, CP),
    starters: figure(30, M),
    startersInL: figure(10, CP),
    advice: '4 L or more, usually 8 to 11 L; light for 12 to 14 hours.',
  },
  setup: {
    cureWeeks: ranged(1, 4, M),
    substrate: { kind: 'sand', depthCm: figure(2, M) },
    lightHours: ranged(12, 14, CP),
    leavesPer20L: figure(1, M),
    fillShare: figure(0.85, M),
    turnover: ranged(0, 1, M),
    climbs: false,
    hides: false,
    grazes: false,
    femalesPerMale: figure(1, M),
  },
  company: {
    kind: 'branchiopod',
    crosses: 'pool branchiopods',
    kills: ['branchiopod'],
    eatsYoungOf: ['branchiopod'],
    nips: false,
    takesFood: false,
    larvaeNeedSea: false,
    basis: M,
  },
  life: {
    // one generation: they hatch together, live two to three weeks, and go on as resting eggs
    breedsInPlace: false,
    growthPerWeek: prior(-0.35, 0.15, CP),
    capacityPerL: figure(12, M),
    minimumKeep: figure(0, CP),
  },
  stages: stages(
    { stepDays: 1, eggs: 'resting', first: 'hatchling' },
    {
      eggWeeks: 1,
      firstWeeks: 0.3,
      youngWeeks: 0.8,
      adultWeeks: 1.6,
      youngLoss: 0.1,
      broodSize: 40,
      restWeeks: 0.3,
      femaleShare: 0.5,
      q10: 2.5,
    },
  ),
  dryEggs: {
    hatchDays: ranged(1, 3, CP),
    eggsPerDay: figure(15, M),
    dryDays: figure(7, M),
    restWeeks: figure(4, M),
    growUp: figure(0.5, M),
  },
  care: {
    food: 'powder',
    portionFor: { by: 'litres', value: 4, basis: M },
    youngApart: false,
    counters: ['berried', 'dead', 'young'],
  },
  counting: counting.hiding,
  cautions: ['neverRelease', 'wildProtected'],
})
