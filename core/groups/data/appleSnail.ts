import { counting, CP, figure, M, nitrate20, poisons, prior, ranged, steps, stages, target } from '../basis'
import { defineGroup } from '../group'
import { clutches, feeding, waterChange } from '../schools'

export const appleSnail = defineGroup({
  id: 'apple-snail',
  name: 'Apple snails',
  animals: 'Pomacea diffusa',
  animal: ['snail', 'snails'],
  targets: {
    temperatureC: target(CP, [25, 27], [22, 28]),
    ph: target(CP, [7.2, 8.2]),
    ghDh: target(M, [8, 18]),
    khDh: target(M, [5, 15]),
    nitrateMgL: nitrate20,
    ...poisons,
  },
  schools: { waterChange: waterChange.moderate, feeding: feeding.snail, clutches },
  largestStepPerWeek: { ...steps, ghDh: figure(2, M), khDh: figure(1.5, M) },
  stocking: { minimumL: figure(38, M), starters: figure(4, M), startersInL: figure(75, M), advice: 'Water line about 4 cm under the rim when breeding, humid air above, a tight cover.' },
  setup: {
    cureWeeks: ranged(4, 8, CP), substrate: { kind: 'sand', depthCm: figure(3, M) }, carbonateGL: ranged(2, 10, M), lightHours: ranged(8, 10, M), leavesPer20L: figure(2, M),
    fillShare: figure(0.85, M), turnover: ranged(4, 8, M), climbs: true, hides: false, grazes: false, femalesPerMale: figure(1, M),
  },
  company: { kind: 'snail', crosses: 'Pomacea diffusa', kills: [], eatsYoungOf: [], nips: false, takesFood: true, larvaeNeedSea: false, basis: CP },
  life: {
    breedsInPlace: true,
    // a clutch brings 100 to 200 at once, so the spread is wide
    growthPerWeek: prior(0.06, 0.12, M),
    capacityPerL: figure(2.5, M),
    minimumKeep: figure(6, M),
  },
  stages: stages({ stepDays: 7, eggs: 'laid', first: 'hatchling' }, { eggWeeks: 2, firstWeeks: 1.5, youngWeeks: 14, adultWeeks: 50, youngLoss: 0.03, broodSize: 100, restWeeks: 4, femaleShare: 0.5, q10: 2.2 }, { broodSize: CP }),
  care: {
    food: 'pellet', portionFor: { by: 'animals', value: 3, basis: M }, greensDays: figure(3, M), calciumDays: figure(30, M),
    brood: { sign: 'clutch', days: ranged(8, 21, CP) }, youngApart: false, counters: ['clutch', 'dead', 'young'],
  },
  counting: counting.sitting,
  cautions: ['neverRelease', 'washHands', 'dewormers', 'permit', 'cover'],
})
