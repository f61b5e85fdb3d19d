import { counting, CP, figure, M, nitrate20, poisons, prior, steps, target } from '../basis'
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
  life: {
    breedsInPlace: false,
    growthPerWeek: prior(-0.003, 0.003, M),
    turnoverPerWeek: figure(0.004, M),
    capacityPerL: figure(0.1, M),
    lifespanWeeks: figure(260, CP),
    minimumKeep: figure(2, M),
  },
  counting: counting.single,
  cautions: ['neverRelease', 'copper', 'larvaeNeedSea'],
})
