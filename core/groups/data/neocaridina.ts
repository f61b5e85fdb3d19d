import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, steps, stages, target } from '../basis'
import { defineGroup } from '../group'
import { feeding, fish, neocaridinaHardness, neocaridinaTemperature, waterChange } from '../schools'

export const neocaridina = defineGroup({
  id: 'neocaridina',
  name: 'Neocaridina',
  animals: 'Neocaridina davidi colour lines',
  animal: ['shrimp', 'shrimp'],
  targets: {
    temperatureC: target(CP, [22, 25], [20, 28]),
    ph: target(CP, [6.8, 7.6], [6.5, 8]),
    ghDh: target(CP, [6, 8], [4, 12]),
    khDh: target(CP, [3, 8], [2, 15]),
    conductivityUsCm: target(M, [250, 400]),
    nitrateMgL: nitrate20,
    ...poisons,
  },
  schools: { temperature: neocaridinaTemperature, hardness: neocaridinaHardness, waterChange: waterChange.weekly, feeding: feeding.shrimp, fish: fish(0.005) },
  largestStepPerWeek: steps,
  stocking: { minimumL: figure(10, M), starters: figure(20, CP), startersInL: figure(38, CP), advice: '10 to 12 in 38 L will do; 20 starters instead of 5 save months.' },
  setup: {
    cureWeeks: ranged(4, 8, CP), substrate: { kind: 'sand', depthCm: figure(2, M) }, lightHours: ranged(8, 8, M), leavesPer20L: figure(2, M),
    fillShare: figure(0.9, M), turnover: ranged(3, 6, M), climbs: false, hides: false, grazes: true, femalesPerMale: figure(2, M), settleC: figure(22.5, CP),
  },
  company: { kind: 'shrimp', crosses: 'Neocaridina davidi', kills: [], eatsYoungOf: [], nips: false, takesFood: false, larvaeNeedSea: false, basis: CP },
  life: {
    breedsInPlace: true,
    // 15 starters reach a few hundred in about a year even with sales (common practice): ln(300/15)/52 = 0.058 and a little for the sales
    growthPerWeek: prior(0.065, 0.045, M),
    capacityPerL: figure(10, M),
    minimumKeep: figure(30, M),
  },
  stages: stages({ stepDays: 7, eggs: 'carried', first: 'hatchling' }, { eggWeeks: 3.5, firstWeeks: 3, youngWeeks: 9, adultWeeks: 45, youngLoss: 0.02, broodSize: 28, restWeeks: 1.5, femaleShare: 0.5, q10: 2.2 }, { eggWeeks: CP }),
  care: {
    food: 'pellet', portionFor: { by: 'animals', value: 15, basis: M }, greensDays: figure(7, M), leavesDays: figure(14, M),
    molts: { youngWeeks: figure(1, CP), adultWeeks: figure(4, CP) }, brood: { sign: 'berried', days: ranged(21, 28, M) }, youngApart: false, counters: ['berried', 'molts', 'dead', 'young'],
  },
  counting: counting.hiding,
  cautions: ['neverRelease', 'linesCross', 'copper'],
})
