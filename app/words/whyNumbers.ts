import type { PopulationAnswer } from '#core/population'
import type { ResolvedGroup } from '#core/groups'
import type { CountMethod, Evidence } from '#core/records'
import type { ColonyStatements } from '#core/statements'
import { formatNumber } from '#core/units'
import { percent, plain, whole } from './numbers'
import { countNoteText, disagreementText, learntName, learntText, lookText, mattersText } from './population'
import { say, type Saying } from './say'
import { basisText, countMethodWord } from './states'
import type { Why } from './why'
import { dayText, weeksText } from './when'

type Topic = 'number' | 'heading' | 'surplus'
const RANGE = 'The likely range holds the truth four times out of five (an 80 % credible interval).'
/** Ways of counting whose share found is a figure of the group; the others are reckoned from their own series. */
const shares = ['allSeen', 'atFood', 'partOfTank', 'estimate'] as const

/** "12 put in", "3 died", "5 taken out". */
function stepText({ change, death }: PopulationAnswer['steps'][number]): string {
  if (change > 0) return `${change} put in`
  return death ? `${-change} died` : `${-change} taken out`
}
/** What must stay: a number, and grown females where that is asked for. */
const floorsText = ({ minimumKeep, minimumFemales }: PopulationAnswer['surplus']): string =>
  whole(minimumKeep) + (minimumFemales > 0 ? ` or grown females < ${whole(minimumFemales)}` : '')

/** Why for the three statements about numbers. */
export function whyNumbers(topic: Topic, statements: ColonyStatements, group: ResolvedGroup, s: Saying): Why {
  const { population: p } = statements
  const statement = statements[topic]
  const { stages } = group.group
  const growth = {
    name: 'Growth to expect in an uncrowded glass',
    value: `${percent(Math.expm1(group.growthPerWeek.value))} a week, give or take ${percent(group.growthPerWeek.sd)}`,
    basis: basisText(group.growthPerWeek.basis),
  }
  const capacity = {
    name: 'Animals that a litre carries',
    value: formatNumber(group.capacityPerL.value, 1),
    basis: basisText(group.capacityPerL.basis),
  }
  const temperature = {
    name: 'Temperature that the pace of life goes by',
    value: `${formatNumber(p.temperatureC, 1)} °C`,
    basis: 'mean of the last twelve weeks of your tests; the middle of the preferred range where there is none',
  }
  const methods = shares
    .filter(m => p.counts.some(c => c.method === m))
    .map(m => ({
      name: `Share found ${countMethodWord[m]}`,
      value:
        `${percent(group.counting[m].share)}, give or take a factor of ` +
        `${formatNumber(Math.exp(group.counting[m].sdLog), 2)}`,
      basis: basisText(group.counting[m].basis),
    }))
  const life = [
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
  const learnt = p.learnt.map(l => ({ name: learntName(l), value: learntText(l), basis: 'learnt from your log' }))
  const inputs = [
    { text: `Began with ${whole(p.path[0]?.p50 ?? 0)} on ${dayText(p.path[0]?.at ?? s.nowMs, s.nowMs)}.` },
    ...statements.number.evidence.map(e => ({
      text: countLine(e, statements, s),
      ...(e.entryId && { entryId: e.entryId }),
    })),
    ...p.steps
      .slice(-6)
      .toReversed()
      .map(step => ({
        text: `${dayText(step.at, s.nowMs)}: ${stepText(step)}`,
        entryId: step.entryId,
      })),
  ]
  const narrows = [
    `One full count today would narrow the number to about ${whole(p.ifCountedToday.low)} to ` +
      `${whole(p.ifCountedToday.high)}.`,
    ...p.looks.map(lookText),
  ]
  const common = {
    reasons: [...statement.reasons.map(r => say(r, s)), ...(p.fit.disagreement ? [plain(disagreementText(p))] : [])],
    inputs,
    narrows,
  }
  const many = whole(p.fit.particles)
  switch (topic) {
    case 'number':
      return {
        ...common,
        title: 'How many, and why',
        method: [
          `${many} possible colonies live through your log, week by week, each with its own luck and its own ` +
            `rates. Those that fit what you saw are kept and multiply: what is left of them is the answer.`,
          'Each count is taken as a part of the animals that are there; how large a part depends on how it was ' +
            'made. A count far off is most likely a slip and moves little, unless the next one agrees with it. ' +
            'Berried females, egg masses and young that were seen count too.',
          'Counted are half-grown and grown animals. Hatchlings are kept apart until they are large enough to be seen.',
          RANGE,
        ],
        formula:
          `eggs → ${stages.first === 'larva' ? 'larvae' : 'hatchlings'} → half-grown → grown, with chance ` +
          `in every birth and death; particle filter with parameter learning (Gordon et al. 1993; Liu & West ` +
          `2001). Fewest colonies that still counted: ${whole(p.fit.effective)} of ${many}.`,
        figures: [...methods, ...learnt, growth, capacity, temperature, ...life],
      }
    case 'heading':
      return {
        ...common,
        title: 'Where it is heading, and why',
        method: [
          'Growth is the mean of the coming eight weeks of all possible colonies, from the stages they hold ' +
            'today: many eggs and half-grown push it, many old ones hold it down. It slows as the glass fills.',
          `${percent(p.ownEvidence)} of what is known about growth comes from this colony’s own log.`,
          ...(p.matrix.matters.length > 1 ? [plain(mattersText(p.matrix))] : []),
          ...(p.matrix.generationWeeks
            ? [`A generation takes about ${weeksText(p.matrix.generationWeeks)} at present.`]
            : []),
          'The fan lives the coming 26 weeks through many times, with chance in births, deaths and how well things go.',
          RANGE,
        ],
        formula:
          'young that come up = eggs hatched × share × e^(luck + mood − crowding × N/room) (Ricker 1954 for the ' +
          'crowding); the share is solved so that an uncrowded colony grows as its group does (Caswell 2001).',
        figures: [
          growth,
          {
            name: 'Capacity of this glass',
            value: `${whole(p.capacity)} animals`,
            basis: 'litres of water × animals per litre, and what your counts say of it',
          },
          ...learnt,
          capacity,
          temperature,
          ...life,
        ],
      }
    case 'surplus':
      return {
        ...common,
        title: 'How many can go, and why',
        method: [
          'The coming 26 weeks are lived through many times with a number taken out today; each time with the ' +
            'same luck, so that only the take makes a difference. The largest number is shown with which the ' +
            'colony falls under what should stay in no more futures than the risk allows.',
          'Taken are grown and half-grown alike, as the colony stands: keep back your best breeders yourself. The ' +
            'Surplus place reckons by stage and sex.',
        ],
        formula:
          `largest take with P(number < ` +
          `${floorsText(p.surplus)} ` +
          `within 26 weeks) ≤ ${percent(p.surplus.allowedRisk)}; with none taken it is ` +
          `${percent(p.surplus.riskNow)}, after this take ${percent(p.surplus.riskAfter)}.`,
        figures: [
          {
            name: 'Fewest that should stay',
            value: `${whole(group.minimumKeep.value)} animals`,
            basis: basisText(group.minimumKeep.basis),
          },
          growth,
          capacity,
          ...life,
        ],
      }
  }
}

function countLine(e: Evidence, statements: ColonyStatements, s: Saying): string {
  const v = e.values
  const notes = statements.population.counts.find(c => c.entryId === e.entryId)?.notes ?? []
  const weight =
    v.weight === 'none'
      ? `not believed, because about ${whole(Number(v.expected))} were expected`
      : v.weight === 'part'
        ? 'believed in part'
        : `speaks for ${whole(Number(v.low))} to ${whole(Number(v.high))}`
  return [
    `${dayText(Number(v.at), s.nowMs)}: ${whole(Number(v.seen))} ${countMethodWord[v.method as CountMethod]}, ` +
      `${weight}`,
    ...notes.map(n => countNoteText[n]),
  ].join('; ')
}
