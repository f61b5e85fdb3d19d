import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, steps, stages, target } from '../basis'
import { defineGroup } from '../group'
import { feeding, waterChange } from '../schools'

export const fanShrimp = defineGroup({
  id: 'fan-shrimp',
  name: 'Fan shrimp',
  animals: 'Atyopsis and Atya, filter feeders',
  animal: ['shrimp', 'shrimp'],
  targets: {
    temperatureC: target(M, [23, 27], [20, 29]),
    ph: target(M, [6.8, 7.6]),
    ghDh: target(M, [5, 12]),
    khDh: target(M, [3, 8]),
    nitrateMgL: nitrate20,
    ...poisons,
  },
  schools: { waterChange: waterChange.moderate, feeding: feeding.shrimp },
  largestStepPerWeek: steps,
  stocking: { minimumL: figure(114, CP), starters: figure(2, M), startersInL: figure(114, CP), advice: '114 L or more with strong flow and shade.' },
  setup: {
    cureWeeks: ranged(6, 12, M), substrate: { kind: 'sand', depthCm: figure(3, M) }, lightHours: ranged(8, 10, M), leavesPer20L: figure(2, M),
    fillShare: figure(0.9, M), turnover: ranged(6, 10, M), climbs: true, hides: true, grazes: false, femalesPerMale: figure(1, M),
  },
  company: { kind: 'shrimp', crosses: 'Atyopsis and Atya', kills: [], eatsYoungOf: [], nips: false, takesFood: false, larvaeNeedSea: true, basis: M },
  life: {
    breedsInPlace: false,
    growthPerWeek: prior(-0.003, 0.003, M),
    capacityPerL: figure(0.1, M),
    minimumKeep: figure(2, M),
  },
  stages: stages({ stepDays: 7, eggs: 'carried', first: 'larva' }, { eggWeeks: 6, firstWeeks: 5, youngWeeks: 40, adultWeeks: 260, youngLoss: 0.01, broodSize: 1000, restWeeks: 6, femaleShare: 0.5, q10: 2.2 }),
  care: {
    food: 'powder', portionFor: { by: 'animals', value: 4, basis: M },
    molts: { youngWeeks: figure(4, M), adultWeeks: figure(8, M) }, youngApart: false, counters: ['berried', 'molts', 'dead'],
  },
  counting: counting.single,
  cautions: ['neverRelease', 'copper', 'larvaeNeedSea'],
})
