import { counting, CP, figure, M, poisons, prior, ranged, steps, stages, target } from '../basis'
import { defineGroup } from '../group'
import { feeding, fish, waterChange } from '../schools'

export const beeShrimp = defineGroup({
  id: 'bee-shrimp',
  name: 'Bee shrimp',
  animals: 'soft-water Caridina',
  animal: ['shrimp', 'shrimp'],
  targets: {
    temperatureC: target(CP, [21, 23], [20, 24], 22),
    ph: target(CP, [5.8, 6.4], [5.5, 6.8]),
    ghDh: target(CP, [4, 6], [3, 7], 5),
    khDh: target(CP, [0, 1], [0, 2], 0),
    conductivityUsCm: target(CP, [180, 220], undefined, 200),
    nitrateMgL: target(M, [0, 10]),
    ...poisons,
  },
  schools: { waterChange: waterChange.topUp, feeding: feeding.shrimp, fish: fish(0) },
  largestStepPerWeek: { ...steps, ghDh: figure(0.7, M), khDh: figure(0.5, M), conductivityUsCm: figure(25, M) },
  stocking: { minimumL: figure(20, M), starters: figure(10, M), startersInL: figure(50, CP), advice: '50 L with soil 2 to 3 cm deep and two sponge filters each rated for the volume; soil lasts one to two years.' },
  setup: {
    cureWeeks: ranged(4, 8, CP), substrate: { kind: 'activeSoil', depthCm: figure(2.5, CP) }, lightHours: ranged(8, 8, CP), leavesPer20L: figure(2, M),
    fillShare: figure(0.85, M), turnover: ranged(3, 6, M), filters: figure(2, CP), climbs: false, hides: false, grazes: true, femalesPerMale: figure(2, M),
  },
  company: { kind: 'shrimp', crosses: 'Caridina, soft water', kills: [], eatsYoungOf: [], nips: false, takesFood: false, larvaeNeedSea: false, basis: CP },
  life: {
    breedsInPlace: true,
    growthPerWeek: prior(0.045, 0.04, M),
    capacityPerL: figure(7, M),
    minimumKeep: figure(30, M),
  },
  stages: stages({ stepDays: 7, eggs: 'carried', first: 'hatchling' }, { eggWeeks: 4, firstWeeks: 3, youngWeeks: 11, adultWeeks: 45, youngLoss: 0.02, broodSize: 24, restWeeks: 2, femaleShare: 0.5, q10: 2.2 }),
  care: {
    food: 'pellet', portionFor: { by: 'animals', value: 15, basis: M }, greensDays: figure(7, CP), leavesDays: figure(14, CP),
    molts: { youngWeeks: figure(1, CP), adultWeeks: figure(4, CP) }, brood: { sign: 'berried', days: ranged(26, 30, M) }, youngApart: false, counters: ['berried', 'molts', 'dead', 'young'],
  },
  counting: counting.hiding,
  cautions: ['neverRelease', 'linesCross', 'copper', 'softWaterSlow'],
})
