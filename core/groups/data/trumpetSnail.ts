import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, stages, steps, target } from '../basis'
import { defineGroup } from '../defineGroup'
import { feeding, waterChange } from '../schools'

export const trumpetSnail = defineGroup({
  id: 'trumpet-snail',
  name: 'Trumpet snails',
  animals: 'Melanoides',
  animal: ['snail', 'snails'],
  glance: {
    plainName: 'Trumpet snails',
    ease: 'veryEasy',
    lifeYears: ranged(2, 4, M),
    wishes: [],
    says:
      'They dig through the sand by day and come up at night. They bear live young and cannot be counted ' +
      'out again.',
    basis: CP,
  },
  targets: {
    temperatureC: target(M, [20, 28]),
    ph: target(M, [7, 8.2]),
    ghDh: target(M, [6, 18]),
    khDh: target(M, [4, 12]),
    nitrateMgL: nitrate20,
    ...poisons,
  },
  schools: { waterChange: waterChange.moderate, feeding: feeding.sparse },
  largestStepPerWeek: { ...steps, ghDh: figure(2, M), khDh: figure(1.5, M), salinityGKg: figure(17.5, CP) },
  stocking: {
    minimumL: figure(5, M),
    starters: figure(6, M),
    startersInL: figure(20, M),
    advice: 'Goes to half-strength seawater over one to two days.',
  },
  setup: {
    cureWeeks: ranged(2, 6, M),
    substrate: { kind: 'sand', depthCm: figure(4, M) },
    carbonateGL: ranged(2, 10, M),
    lightHours: ranged(8, 10, M),
    leavesPer20L: figure(1, M),
    fillShare: figure(0.9, M),
    turnover: ranged(2, 6, M),
    climbs: false,
    hides: false,
    grazes: false,
    femalesPerMale: figure(1, M),
  },
  company: {
    kind: 'snail',
    crosses: 'Melanoides',
    kills: [],
    eatsYoungOf: [],
    nips: false,
    takesFood: true,
    larvaeNeedSea: false,
    basis: CP,
  },
  life: {
    breedsInPlace: true,
    growthPerWeek: prior(0.1, 0.1, M),
    capacityPerL: figure(30, M),
    minimumKeep: figure(10, M),
  },
  stages: stages(
    { stepDays: 7, eggs: 'carried', first: 'hatchling' },
    {
      eggWeeks: 5,
      firstWeeks: 2,
      youngWeeks: 12,
      adultWeeks: 80,
      youngLoss: 0.02,
      broodSize: 20,
      restWeeks: 2,
      femaleShare: 1,
      q10: 2.2,
    },
  ),
  sizes: { of: 'shellHeight', hatchMm: figure(2, M), breedsMm: figure(10, M), mostMm: figure(28, M) },
  care: {
    food: 'pellet',
    portionFor: { by: 'animals', value: 20, basis: M },
    calciumDays: figure(30, M),
    youngApart: false,
    counters: ['dead', 'young'],
  },
  counting: { ...counting.sitting, allSeen: { share: 0.4, sdLog: 0.4, basis: M } },
  cautions: ['neverRelease', 'washHands', 'dewormers', 'snailBoom'],
})
