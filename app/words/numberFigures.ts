import type { ResolvedGroup } from '#core/groups'
import type { PopulationAnswer } from '#core/population'
import { formatNumber } from '#core/units'
import { percent, signedPercent } from './numbers'
import { learntName, learntText } from './population'
import { basisText, countMethodWord } from './states'
import { type UnitPrefs, valueText } from './unitPrefs'
import type { Why } from './why'

type Figure = Why['figures'][number]

/** Ways of counting whose share found is a figure of the group; the others are reckoned from their own series. */
const shares = ['allSeen', 'atFood', 'partOfTank', 'estimate'] as const

/** The figures that statements about numbers stand on, by what they belong to. */
export interface NumberFigures {
  growth: Figure
  capacity: Figure
  temperature: Figure
  methods: Figure[]
  life: Figure[]
  learnt: Figure[]
}

/** The figures behind the numbers of a colony, each with its value and where it is from. */
export function numberFigures(p: PopulationAnswer, group: ResolvedGroup, units: UnitPrefs): NumberFigures {
  const growth = {
    name: 'Growth to expect in an uncrowded glass',
    value:
      `${signedPercent(Math.expm1(group.growthPerWeek.value))} a week, give or take ` +
      `${percent(group.growthPerWeek.sd)}`,
    basis: basisText(group.growthPerWeek.basis),
  }
  const capacity = {
    name: 'Animals that a litre carries',
    value: formatNumber(group.capacityPerL.value, 1),
    basis: basisText(group.capacityPerL.basis),
  }
  const temperature = {
    name: 'Temperature that the pace of life goes by',
    value: valueText('temperatureC', p.temperatureC, units),
    basis:
      'mean of the last twelve weeks of your tests, and in the past each week’s own; the middle of the preferred ' +
      'range where there is none',
  }
  const learnt = p.learnt.map(l => ({ name: learntName(l), value: learntText(l), basis: 'learnt from your log' }))
  return { growth, capacity, temperature, methods: methodFigures(p, group), life: lifeFigures(group), learnt }
}

/** Of the ways in which this colony was counted: the share that each finds. */
function methodFigures(p: PopulationAnswer, group: ResolvedGroup): Figure[] {
  return shares
    .filter(m => p.counts.some(c => c.method === m))
    .map(m => ({
      name: `Share found ${countMethodWord[m]}`,
      value:
        `${percent(group.counting[m].share)}, give or take a factor of ` +
        `${formatNumber(Math.exp(group.counting[m].sdLog), 2)}`,
      basis: basisText(group.counting[m].basis),
    }))
}

function lifeFigures({ group: { stages } }: ResolvedGroup): Figure[] {
  return [
    {
      name: 'Eggs of a brood',
      value: formatNumber(stages.broodSize.value, 0),
      basis: basisText(stages.broodSize.basis),
    },
    {
      name: 'Weeks as egg, until large enough to count, until it breeds',
      value:
        `${formatNumber(stages.eggWeeks.value, 1)}, ${formatNumber(stages.firstWeeks.value, 1)}, ` +
        `${formatNumber(stages.youngWeeks.value, 1)}`,
      basis: basisText(stages.youngWeeks.basis),
    },
    {
      name: 'Weeks of life once grown',
      value: formatNumber(stages.adultWeeks.value, 0),
      basis: basisText(stages.adultWeeks.basis),
    },
    {
      name: 'Pace of life for ten degrees more',
      value: `${formatNumber(stages.q10.value, 1)} times`,
      basis: basisText(stages.q10.basis),
    },
  ]
}
