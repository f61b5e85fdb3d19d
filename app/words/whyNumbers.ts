import type { PopulationAnswer } from '#core/population'
import type { ResolvedGroup } from '#core/groups'
import type { CountMethod, Evidence } from '#core/records'
import type { ColonyStatements } from '#core/statements'
import { moltAlarmText } from './molts'
import { type NumberFigures, numberFigures } from './numberFigures'
import { percent, plain, whole } from './numbers'
import { countNoteText, disagreementText, fullCountText, lookText, mattersText } from './population'
import type { Saying } from './phrase'
import { say } from './say'
import { basisText, countMethodWord } from './states'
import type { Why } from './why'
import { whyBatch } from './whyBatch'
import { dayText, weeksText } from './when'

type Topic = 'number' | 'heading' | 'surplus'
const RANGE = 'The likely range holds the truth four times out of five (an 80 % credible interval).'

/** "12 put in", "3 died", "5 taken out". */
function stepText({ change, death }: PopulationAnswer['steps'][number]): string {
  if (change > 0) return `${change} put in`
  return death ? `${-change} died` : `${-change} taken out`
}
/** What must stay: a number, and grown females and males where some must. */
const floorsText = ({ minimumKeep, minimumFemales, minimumMales }: PopulationAnswer['surplus']): string =>
  whole(minimumKeep) +
  (minimumFemales > 0 ? ` or grown females < ${whole(minimumFemales)}` : '') +
  (minimumMales > 0 ? ` or grown males < ${whole(minimumMales)}` : '')

/** What every *Why?* about numbers is made of. */
interface Grounds {
  p: PopulationAnswer
  molts: ColonyStatements['molts']
  group: ResolvedGroup
  f: NumberFigures
  nowMs: number
}
/** What is said of one topic alone. */
type Own = Pick<Why, 'title' | 'method' | 'formula' | 'figures'>

function whyHowMany({ p, group, f }: Grounds): Own {
  const title = 'How many, and why'
  if (p.known)
    return {
      title,
      method: [
        'Every animal here is followed by its name, so nothing is estimated: the log says who came, moved or died.',
        'A stranger, young that are seen, or a count of more than are followed ends that; a full count of as many ' +
          'begins it again.',
      ],
      formula: 'number = founders + put in − taken out − died',
      figures: f.life,
    }
  const many = whole(p.fit.particles)
  return {
    title,
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
      `eggs → ${group.group.stages.first === 'larva' ? 'larvae' : 'hatchlings'} → half-grown → grown, with chance ` +
      `in every birth and death; particle filter with parameter learning (Gordon et al. 1993; Liu & West ` +
      `2001). Fewest colonies that still counted: ${whole(p.fit.effective)} of ${many}.`,
    figures: [...f.methods, ...f.learnt, f.growth, f.capacity, f.temperature, ...f.life],
  }
}

/** The dead that were found, against what is usual, and how the alarm is set. */
const deathsText = ({ found, usual, sinceMs }: PopulationAnswer['deaths'], nowMs: number): string =>
  `${whole(found)} found dead since ${dayText(sinceMs, nowMs)}; by the stages and by what share is found here, ` +
  `${usual < 1 ? 'one at most' : `about ${whole(usual)}`} would be. Many more than that call you; the limit is set ` +
  'so that this happens by chance once in two years at most.'

function whyHeading({ p, molts, f, nowMs }: Grounds): Own {
  return {
    title: 'Where it is heading, and why',
    method: [
      'Growth is the mean change of the coming eight weeks where nothing is taken out, read from many futures with ' +
        'their chance, from the stages held today: many eggs and half-grown push it, many old ones hold it down. It ' +
        'slows as the glass fills.',
      `${percent(p.ownEvidence)} of what is known about growth comes from this colony’s own log.`,
      ...(p.matrix && p.matrix.matters.length > 1 ? [plain(mattersText(p.matrix))] : []),
      ...(p.matrix?.generationWeeks
        ? [`A generation takes about ${weeksText(p.matrix.generationWeeks)} at present.`]
        : []),
      deathsText(p.deaths, nowMs),
      ...(molts ? [moltAlarmText(molts.watch)] : []),
      'The fan lives the coming 26 weeks through many times, with chance in births, deaths and how well things go.',
      RANGE,
    ],
    formula:
      'young that come up = eggs hatched × share × e^(luck + mood − crowding × (N/room)^shape) (Ricker 1954 ' +
      'where the shape is 1); the share is solved so that an uncrowded colony grows as its group does (Caswell 2001).',
    figures: [
      f.growth,
      {
        name: 'Capacity of this glass',
        value: p.roomKnown ? `${whole(p.capacity)} animals` : `not known yet, perhaps ${whole(p.capacity)} animals`,
        basis: p.roomKnown
          ? 'litres of water × animals per litre, and what your counts say of it'
          : 'litres of water × animals per litre: the colony is below half of it, and feels too little of it to tell',
      },
      ...f.learnt,
      f.capacity,
      f.temperature,
      ...f.life,
    ],
  }
}

function whySurplus({ p, group, f }: Grounds): Own {
  return {
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
      f.growth,
      f.capacity,
      ...f.life,
    ],
  }
}

const whyOf: Readonly<Record<Topic, (grounds: Grounds) => Own>> = {
  number: whyHowMany,
  heading: whyHeading,
  surplus: whySurplus,
}

/** Why for the three statements about numbers. */
export function whyNumbers(topic: Topic, statements: ColonyStatements, group: ResolvedGroup, s: Saying): Why {
  const { population: p, molts } = statements
  if (statements.batch && !p.firstLook) return whyBatch(topic, statements, group, s)
  return {
    ...whyOf[topic]({ p, molts, group, f: numberFigures(p, group, s.units), nowMs: s.nowMs }),
    reasons: [
      ...statements[topic].reasons.map(r => say(r, s)),
      ...(p.fit.disagreement ? [plain(disagreementText(p))] : []),
    ],
    inputs: inputLines(statements, s),
    narrows: p.known ? [] : [plain(fullCountText(p.ifCountedToday)), ...p.looks.map(lookText)],
  }
}

/** The log that the numbers follow from: the beginning, the counts, what was put in, taken out or died. */
function inputLines(statements: ColonyStatements, s: Saying): Why['inputs'] {
  const { population: p } = statements
  return [
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
