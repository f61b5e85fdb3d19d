import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, steps, stages, target } from '../basis'
import { defineGroup } from '../group'
import { feeding, waterChange } from '../schools'

export const waterIsopod = defineGroup({
  id: 'water-isopod',
  name: 'Water isopods',
  animals: 'Asellus and Caecidotea',
  animal: ['isopod', 'isopods'],
  targets: {
    temperatureC: target(CP, [15, 22], [14, 26]),
    ph: target(CP, [7.5, 8]),
    ghDh: target(CP, [15, 20]),
    khDh: target(CP, [8, 10], [7, 12], 9),
    nitrateMgL: nitrate20,
    ...poisons,
  },
  schools: { waterChange: waterChange.weekly, feeding: feeding.sparse },
  largestStepPerWeek: { ...steps, ghDh: figure(2, M), khDh: figure(1, M) },
  stocking: { minimumL: figure(5, M), starters: figure(12, CP), startersInL: figure(20, M), advice: 'From ten or a dozen, without fish; rubble and leaves; 12 to 24 g carbonate media in each litre.' },
  setup: {
    cureWeeks: ranged(2, 6, M), substrate: { kind: 'gravel', depthCm: figure(3, M) }, carbonateGL: ranged(12, 24, CP), lightHours: ranged(6, 10, M), leavesPer20L: figure(8, M),
    fillShare: figure(0.85, M), turnover: ranged(2, 4, M), climbs: false, hides: false, grazes: false, femalesPerMale: figure(1, M),
  },
  company: { kind: 'isopod', crosses: 'water isopods', kills: [], eatsYoungOf: [], nips: false, takesFood: false, larvaeNeedSea: false, basis: M },
  life: {
    breedsInPlace: true,
    growthPerWeek: prior(0.07, 0.06, M),
    capacityPerL: figure(25, M),
    minimumKeep: figure(30, M),
  },
  stages: stages({ stepDays: 7, eggs: 'carried', first: 'hatchling' }, { eggWeeks: 3.5, firstWeeks: 2, youngWeeks: 8, adultWeeks: 35, youngLoss: 0.03, broodSize: 30, restWeeks: 2, femaleShare: 0.5, q10: 2.2 }),
  care: {
    food: 'pellet', portionFor: { by: 'animals', value: 30, basis: M }, greensDays: figure(14, M), leavesDays: figure(14, M), calciumDays: figure(60, M),
    molts: { youngWeeks: figure(2, M), adultWeeks: figure(4, M) }, brood: { sign: 'berried', days: ranged(21, 30, M) }, youngApart: false, counters: ['berried', 'dead', 'young'],
  },
  counting: { ...counting.hiding, allSeen: { share: 0.6, sdLog: 0.3, basis: M } },
  cautions: ['neverRelease', 'copper'],
})
