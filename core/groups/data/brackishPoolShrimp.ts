import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, steps, stages, target } from '../basis'
import { defineGroup } from '../group'
import { feeding, waterChange } from '../schools'

export const brackishPoolShrimp = defineGroup({
  id: 'brackish-pool-shrimp',
  name: 'Brackish pool shrimp',
  animals: 'Halocaridina rubra',
  animal: ['shrimp', 'shrimp'],
  targets: {
    temperatureC: target(M, [20, 26]),
    ph: target(M, [7.8, 8.4]),
    salinityGKg: target(CP, [15, 20], [10, 26], 17.5),
    nitrateMgL: nitrate20,
    ...poisons,
  },
  schools: { waterChange: waterChange.topUp, feeding: feeding.pool },
  largestStepPerWeek: steps,
  stocking: { minimumL: figure(2, CP), starters: figure(12, CP), startersInL: figure(2, CP), advice: '12 to 20 in 2 L, 75 to 100 in 38 L (several hundred fit); cure about a month with trumpet snails.' },
  setup: {
    cureWeeks: ranged(4, 6, CP), substrate: { kind: 'carbonateSand', depthCm: figure(1, M) }, lightHours: ranged(8, 12, M), leavesPer20L: figure(0, M),
    fillShare: figure(0.85, M), turnover: ranged(0, 1, M), climbs: false, hides: false, grazes: true, femalesPerMale: figure(1, M),
  },
  company: { kind: 'shrimp', crosses: 'Halocaridina rubra', kills: [], eatsYoungOf: [], nips: false, takesFood: false, larvaeNeedSea: false, basis: CP },
  life: {
    breedsInPlace: true,
    growthPerWeek: prior(0.012, 0.015, M),
    capacityPerL: figure(20, M),
    minimumKeep: figure(12, CP),
  },
  stages: stages({ stepDays: 7, eggs: 'carried', first: 'larva' }, { eggWeeks: 5, firstWeeks: 2, youngWeeks: 40, adultWeeks: 300, youngLoss: 0.004, broodSize: 10, restWeeks: 12, femaleShare: 0.5, q10: 2.2 }, { firstWeeks: CP }),
  care: {
    food: 'pellet', portionFor: { by: 'litres', value: 38, basis: CP },
    molts: { youngWeeks: figure(4, M), adultWeeks: figure(8, M) }, youngApart: false, counters: ['berried', 'dead', 'young'],
  },
  counting: counting.hiding,
  cautions: ['neverRelease', 'wildProtected', 'seaSalt'],
})
