import { counting, CP, figure, M, nitrate20, poisons, prior, steps, target } from '../basis'
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
  life: {
    breedsInPlace: true,
    growthPerWeek: prior(0.025, 0.03, M),
    turnoverPerWeek: figure(0.06, M),
    capacityPerL: figure(0.5, M),
    lifespanWeeks: figure(91, M),
    minimumKeep: figure(6, M),
  },
  counting: { ...counting.single, allSeen: { share: 0.85, sdLog: 0.12, basis: M } },
  cautions: ['neverRelease', 'permit', 'cover', 'hides', 'copper'],
})
