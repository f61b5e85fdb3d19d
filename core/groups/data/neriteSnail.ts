import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, steps, stages, target } from '../basis'
import { defineGroup } from '../group'
import { feeding, waterChange } from '../schools'

export const neriteSnail = defineGroup({
  id: 'nerite-snail',
  name: 'Nerite snails',
  animals: 'Neritina and Vittina',
  animal: ['snail', 'snails'],
  targets: {
    temperatureC: target(M, [22, 26]),
    ph: target(M, [7.4, 8.4]),
    ghDh: target(M, [8, 18]),
    khDh: target(M, [5, 12]),
    nitrateMgL: nitrate20,
    ...poisons,
  },
  schools: { waterChange: waterChange.moderate, feeding: feeding.sparse },
  largestStepPerWeek: { ...steps, ghDh: figure(2, M), khDh: figure(1.5, M) },
  stocking: { minimumL: figure(20, M), starters: figure(3, M), startersInL: figure(38, M), advice: 'Never without algae. Larvae need the sea.' },
  setup: {
    cureWeeks: ranged(6, 12, M), substrate: { kind: 'gravel', depthCm: figure(2, M) }, carbonateGL: ranged(2, 10, M), lightHours: ranged(8, 10, M), leavesPer20L: figure(1, M),
    fillShare: figure(0.85, M), turnover: ranged(3, 6, M), climbs: true, hides: false, grazes: true, femalesPerMale: figure(1, M),
  },
  company: { kind: 'snail', crosses: 'nerites', kills: [], eatsYoungOf: [], nips: false, takesFood: false, larvaeNeedSea: true, basis: CP },
  life: {
    breedsInPlace: false,
    growthPerWeek: prior(-0.006, 0.005, M),
    capacityPerL: figure(0.3, M),
    minimumKeep: figure(2, M),
  },
  stages: stages({ stepDays: 7, eggs: 'laid', first: 'larva' }, { eggWeeks: 4, firstWeeks: 4, youngWeeks: 30, adultWeeks: 150, youngLoss: 0.01, broodSize: 50, restWeeks: 2, femaleShare: 0.5, q10: 2.2 }),
  care: {
    food: 'pellet', portionFor: { by: 'animals', value: 10, basis: M }, greensDays: figure(14, M), calciumDays: figure(30, M),
    youngApart: false, counters: ['dead'],
  },
  counting: counting.single,
  cautions: ['neverRelease', 'washHands', 'dewormers', 'cover', 'larvaeNeedSea'],
})
