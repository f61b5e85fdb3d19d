import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, steps, stages, target } from '../basis'
import { defineGroup } from '../group'
import { feeding, waterChange } from '../schools'

export const dwarfCrayfish = defineGroup({
  id: 'dwarf-crayfish',
  name: 'Dwarf crayfish',
  animals: 'Cambarellus',
  animal: ['crayfish', 'crayfish'],
  targets: {
    temperatureC: target(CP, [20, 26], [5, 29]),
    ph: target(CP, [7, 8], [6.5, 8]),
    ghDh: target(M, [8, 16]),
    khDh: target(M, [4, 12]),
    nitrateMgL: nitrate20,
    ...poisons,
  },
  schools: { waterChange: waterChange.weekly, feeding: feeding.shrimp },
  largestStepPerWeek: { ...steps, ghDh: figure(1.5, M), khDh: figure(1, M) },
  stocking: { minimumL: figure(30, M), starters: figure(6, M), startersInL: figure(60, M), advice: 'Hard, calcium-rich water; a hide for each animal.' },
  setup: {
    cureWeeks: ranged(4, 8, CP), substrate: { kind: 'sand', depthCm: figure(3, M) }, carbonateGL: ranged(2, 10, M), lightHours: ranged(8, 10, M), leavesPer20L: figure(4, M),
    fillShare: figure(0.85, M), turnover: ranged(3, 6, M), climbs: true, hides: true, grazes: false, femalesPerMale: figure(2, M),
  },
  company: { kind: 'crayfish', crosses: 'Cambarellus', kills: [], eatsYoungOf: ['shrimp', 'snail', 'crayfish', 'isopod', 'branchiopod'], nips: true, takesFood: true, larvaeNeedSea: false, basis: M },
  life: {
    breedsInPlace: true,
    growthPerWeek: prior(0.025, 0.03, M),
    capacityPerL: figure(0.5, M),
    minimumKeep: figure(6, M),
  },
  stages: stages({ stepDays: 7, eggs: 'carried', first: 'hatchling' }, { eggWeeks: 4.5, firstWeeks: 3, youngWeeks: 14, adultWeeks: 60, youngLoss: 0.03, broodSize: 25, restWeeks: 6, femaleShare: 0.5, q10: 2.2 }, { eggWeeks: CP }),
  care: {
    food: 'pellet', portionFor: { by: 'animals', value: 2, basis: M }, greensDays: figure(7, M), leavesDays: figure(14, M), calciumDays: figure(30, M),
    molts: { youngWeeks: figure(1, M), adultWeeks: figure(4, CP) }, brood: { sign: 'berried', days: ranged(28, 35, CP) }, youngApart: false, counters: ['berried', 'molts', 'dead', 'young'],
  },
  counting: { ...counting.single, allSeen: { share: 0.85, sdLog: 0.12, basis: M } },
  cautions: ['neverRelease', 'permit', 'cover', 'hides', 'copper'],
})
