import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, steps, stages, target } from '../basis'
import { defineGroup } from '../defineGroup'
import { feeding, waterChange } from '../schools'

export const ramshornSnail = defineGroup({
  id: 'ramshorn-snail',
  name: 'Ramshorn snails',
  animals: 'Planorbella and kin',
  animal: ['snail', 'snails'],
  targets: {
    temperatureC: target(CP, [20, 26], [18, 28]),
    ph: target(CP, [7.2, 8], [7, 8.4]),
    ghDh: target(M, [8, 16]),
    khDh: target(M, [4, 12]),
    calciumMgL: target(M, [40, 120]),
    nitrateMgL: nitrate20,
    ...poisons,
  },
  schools: { waterChange: waterChange.moderate, feeding: feeding.ramshorn },
  largestStepPerWeek: { ...steps, ghDh: figure(2, M), khDh: figure(1.5, M) },
  stocking: {
    minimumL: figure(5, CP),
    starters: figure(4, M),
    startersInL: figure(10, CP),
    advice: 'From 5 to 10 L. Hermaphrodite: any two breed.',
  },
  setup: {
    cureWeeks: ranged(2, 6, M),
    substrate: { kind: 'gravel', depthCm: figure(2, M) },
    carbonateGL: ranged(2, 10, M),
    lightHours: ranged(8, 10, M),
    leavesPer20L: figure(2, M),
    fillShare: figure(0.9, M),
    turnover: ranged(2, 6, M),
    climbs: false,
    hides: false,
    grazes: false,
    femalesPerMale: figure(1, CP),
  },
  company: {
    kind: 'snail',
    crosses: 'Planorbella',
    kills: [],
    eatsYoungOf: [],
    nips: false,
    takesFood: true,
    larvaeNeedSea: false,
    basis: CP,
  },
  life: {
    breedsInPlace: true,
    // two well-fed animals reach about a thousand in a couple of months at most (common practice): ln(500)/9 = 0.69 is
    // the top, few tanks get near
    growthPerWeek: prior(0.14, 0.15, M),
    capacityPerL: figure(30, M),
    minimumKeep: figure(20, M),
  },
  stages: stages(
    { stepDays: 7, eggs: 'laid', first: 'hatchling' },
    {
      eggWeeks: 1.5,
      firstWeeks: 1,
      youngWeeks: 6,
      adultWeeks: 40,
      youngLoss: 0.03,
      broodSize: 20,
      restWeeks: 0.12,
      femaleShare: 1,
      q10: 2.4,
    },
  ),
  care: {
    food: 'pellet',
    portionFor: { by: 'animals', value: 10, basis: M },
    greensDays: figure(7, M),
    calciumDays: figure(30, M),
    brood: { sign: 'eggMass', days: ranged(7, 21, M) },
    youngApart: false,
    counters: ['eggMass', 'dead', 'young'],
  },
  counting: counting.sitting,
  cautions: ['neverRelease', 'washHands', 'dewormers', 'snailBoom'],
})
