import type { ResolvedGroup } from '#core/groups'
import type { ColonyStatements } from '#core/statements'
import { formatNumber } from '#core/units'
import { shareSpanText, stageWord } from './batch'
import { percent, whole } from './numbers'
import type { Saying } from './phrase'
import { say } from './say'
import { preciseVolume, valueText } from './unitPrefs'
import { dayText } from './when'
import type { Why, WhyFigure } from './why'
import { basisText } from './states'

const titles = {
  number: 'How many, and why',
  heading: 'What becomes of them, and why',
  surplus: 'What can be taken out, and why',
} as const

const METHOD = [
  'Twelve hundred possible courses of this hatch are drawn: when it was, how many, how fast they go, how unevenly, ' +
    'and what share lives through each stage. Those that fit what you saw count for more, and are drawn again near by.',
  'A sample speaks twice: its mix of stages tells how far they are, and its number, where the litres are known, how ' +
    'many there are. Larvae stand in clouds, so that a sample strays by more than chance.',
  'What was taken out had to be there first; it is taken from those that are furthest on.',
]
const POOL_METHOD = [
  METHOD[0]!,
  'Counts and young that were seen are taken as rough; that none were seen tells as much. All times go by the warmth ' +
    'of the water.',
]

/** Why for the three statements about a colony that is one hatch. */
export function whyBatch(
  topic: keyof typeof titles,
  { batch, population, [topic]: statement, number }: ColonyStatements,
  { group }: ResolvedGroup,
  s: Saying,
): Why {
  const b = batch!
  const larvae = b.kind === 'larvae'
  return {
    title: titles[topic],
    reasons: statement.reasons.map(r => say(r, s)),
    inputs: [
      { text: `${larvae ? 'Hatched' : 'Flooded'} ${dayText(b.beganMs, s.nowMs)}.` },
      ...number.evidence.map(e => {
        const litres = Number(e.values.litres)
        const of = litres > 0 ? ` in ${preciseVolume(litres, s.units)}` : ''
        return {
          text: `${dayText(Number(e.values.at), s.nowMs)}: ${whole(Number(e.values.n))} seen${of}.`,
          ...(e.entryId && { entryId: e.entryId }),
        }
      }),
      ...b.outs
        .slice(-6)
        .toReversed()
        .map(o => ({ text: `${dayText(o.at, s.nowMs)}: ${whole(o.number)} taken out.` })),
    ],
    method: larvae ? METHOD : POOL_METHOD,
    formula:
      'population Monte Carlo (Cappé et al. 2004) over courses; times of the animals log-normal; samples negative ' +
      'binomial in number and Dirichlet-multinomial in their mix.',
    figures: [
      ...figuresOf(group),
      ...b.stages.flatMap((stage): WhyFigure[] =>
        stage.lives
          ? [
              {
                name: `Live through “${stageWord[stage.name]}”`,
                value: shareSpanText(stage.lives),
                basis: stage.learnt ? 'learnt from your log' : 'the group’s figure, from memory',
              },
            ]
          : [],
      ),
      {
        name: 'Temperature that they go by',
        value: valueText('temperatureC', population.temperatureC, s.units),
        basis: 'your tests; the middle of the preferred range where there is none',
      },
    ],
    narrows:
      statement.state === 'onTarget' && b.samples.length > 2
        ? []
        : [
            larvae
              ? 'A sample: a measured jug of the tub, counted by stage.'
              : 'A look with a lamp, and a rough number.',
          ],
  }
}

/** What is taken for granted of the group. */
function figuresOf({ larvae, dryEggs, stages }: ResolvedGroup['group']): WhyFigure[] {
  const days = (weeks: number) => `${whole(7 * weeks)} days`
  if (larvae)
    return [
      {
        name: 'From hatch to settling',
        value: days(stages.firstWeeks.value),
        basis: basisText(stages.firstWeeks.basis),
      },
      { name: 'Live to settle', value: percent(larvae.survive.value), basis: basisText(larvae.survive.basis) },
      { name: 'Young of a brood', value: whole(stages.broodSize.value), basis: basisText(stages.broodSize.basis) },
    ]
  if (!dryEggs) return []
  const [low, high] = dryEggs.hatchDays.range
  return [
    { name: 'From flood to hatch', value: `${low} to ${high} days`, basis: basisText(dryEggs.hatchDays.basis) },
    { name: 'Grow up', value: percent(dryEggs.growUp.value), basis: basisText(dryEggs.growUp.basis) },
    {
      name: 'Grown after the hatch',
      value: `${formatNumber(7 * (stages.firstWeeks.value + stages.youngWeeks.value), 0)} days`,
      basis: basisText(stages.youngWeeks.basis),
    },
    { name: 'Live once grown', value: days(stages.adultWeeks.value), basis: basisText(stages.adultWeeks.basis) },
    {
      name: 'Eggs a day and female',
      value: whole(dryEggs.eggsPerDay.value),
      basis: basisText(dryEggs.eggsPerDay.basis),
    },
  ]
}
