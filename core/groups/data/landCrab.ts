import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, steps, stages, target } from '../basis'
import { defineGroup } from '../group'
import { feeding, waterChange } from '../schools'

export const landCrab = defineGroup({
  id: 'land-crab',
  name: 'Land crabs',
  animals: 'Geosesarma',
  animal: ['crab', 'crabs'],
  targets: {
    temperatureC: target(CP, [22, 28]),
    ph: target(CP, [7.5, 8]),
    ghDh: target(CP, [4, 16]),
    khDh: target(CP, [0, 10]),
    humidityPct: target(CP, [75, 100]),
    nitrateMgL: nitrate20,
    ...poisons,
  },
  schools: { waterChange: waterChange.weekly, feeding: feeding.shrimp },
  largestStepPerWeek: { ...steps, humidityPct: figure(15, M) },
  stocking: { minimumL: figure(25, CP), starters: figure(3, CP), startersInL: figure(25, CP), advice: 'One male to two females, at most three in 25 L; 80 % land, 20 % water 5 to 10 cm deep.' },
  setup: {
    cureWeeks: ranged(3, 6, M), substrate: { kind: 'earth', depthCm: figure(8, M) }, lightHours: ranged(8, 10, M), leavesPer20L: figure(6, M),
    fillShare: figure(0.2, CP), turnover: ranged(1, 3, M), climbs: true, hides: true, grazes: false, femalesPerMale: figure(2, CP),
  },
  company: { kind: 'crab', crosses: 'Geosesarma', kills: ['shrimp', 'snail', 'isopod', 'branchiopod'], eatsYoungOf: ['crab', 'crayfish'], nips: true, takesFood: true, larvaeNeedSea: false, basis: CP },
  life: {
    // parents eat the young: numbers grow only when the young are taken away at once
    breedsInPlace: true,
    growthPerWeek: prior(0.004, 0.02, M),
    capacityPerL: figure(0.12, CP),
    minimumKeep: figure(3, CP),
  },
  stages: stages({ stepDays: 7, eggs: 'carried', first: 'hatchling' }, { eggWeeks: 6, firstWeeks: 3, youngWeeks: 30, adultWeeks: 70, youngLoss: 0.03, broodSize: 40, restWeeks: 10, femaleShare: 0.6, q10: 2 }, { eggWeeks: CP, broodSize: CP }),
  care: {
    food: 'protein', portionFor: { by: 'animals', value: 2, basis: M }, greensDays: figure(3, M), leavesDays: figure(14, M), calciumDays: figure(30, M),
    molts: { youngWeeks: figure(2, M), adultWeeks: figure(4, CP) }, brood: { sign: 'berried', days: ranged(30, 60, CP) }, youngApart: true, counters: ['berried', 'molts', 'limbLoss', 'dead'],
  },
  counting: { ...counting.single, allSeen: { share: 0.9, sdLog: 0.1, basis: M } },
  cautions: ['neverRelease', 'wildProtected', 'cover', 'electricity'],
})
