import type { ResolvedGroup } from '#core/groups'
import type { CountMethod, Evidence } from '#core/records'
import type { ColonyStatements } from '#core/statements'
import type { ReadingMethod, ValueVerdict } from '#core/water'
import { formatNumber } from '#core/units'
import { percent, whole } from './numbers'
import { say, type Saying } from './say'
import { basisText, countMethodWord, testMethodWord } from './states'
import { differenceText, rangeText, valueName, valueText } from './unitPrefs'
import { agoText, dayText, weeksText } from './when'

/** A figure that went in, with its basis. */
export interface WhyFigure { name: string, value: string, basis: string }
/** What stands behind a statement, in plain words. */
export interface Why {
  title: string
  /** every reason, not only those that fit beside the statement */
  reasons: string[]
  inputs: { text: string, entryId?: string }[]
  method: string[]
  formula: string
  figures: WhyFigure[]
  narrows: string[]
}

type Topic = 'number' | 'heading' | 'surplus'
const RANGE = 'The likely range holds the truth four times out of five (an 80 % credible interval).'

/** Why for the three statements about numbers. */
export function whyNumbers(topic: Topic, statements: ColonyStatements, group: ResolvedGroup, s: Saying): Why {
  const { population: p } = statements
  const statement = statements[topic]
  const growth = { name: 'Growth to expect in this group', value: `${percent(Math.expm1(group.growthPerWeek.value))} a week, give or take ${percent(group.growthPerWeek.sd)}`, basis: basisText(group.growthPerWeek.basis) }
  const capacity = { name: 'Animals that a litre carries', value: formatNumber(group.capacityPerL.value, 1), basis: basisText(group.capacityPerL.basis) }
  const turnover = { name: 'Births and deaths, as a share of the colony', value: `${percent(group.turnoverPerWeek.value)} a week`, basis: basisText(group.turnoverPerWeek.basis) }
  const methods = [...new Set(p.counts.map(c => c.method))].map((m: CountMethod) => ({ name: `Share found ${countMethodWord[m]}`, value: `${percent(group.counting[m].share)}, give or take a factor of ${formatNumber(Math.exp(group.counting[m].sdLog), 2)}`, basis: basisText(group.counting[m].basis) }))
  const inputs = [
    { text: `Began with ${whole(p.path[0]?.p50 ?? 0)} on ${dayText(p.path[0]?.at ?? s.nowMs, s.nowMs)}.` },
    ...statements.number.evidence.map(e => ({ text: countLine(e, s), ...(e.entryId && { entryId: e.entryId }) })),
    ...p.steps.slice(-6).toReversed().map(step => ({ text: `${dayText(step.at, s.nowMs)}: ${step.change > 0 ? `${step.change} put in` : step.death ? `${-step.change} died` : `${-step.change} taken out`}`, entryId: step.entryId })),
  ]
  const narrows = [
    `One full count today would narrow the number to about ${whole(p.ifCountedToday.low)} to ${whole(p.ifCountedToday.high)}.`,
    ...(p.ownEvidence < 0.6 ? ['Counts a few weeks apart, made the same way each time, settle the growth.'] : []),
  ]
  const common = { reasons: statement.reasons.map(r => say(r, s)), inputs, narrows }
  switch (topic) {
    case 'number': return {
      ...common, title: 'How many, and why',
      method: ['Each count is taken as a part of the animals that are there; how large a part depends on how it was made. All counts are weighed together with what came and went: a good one moves the estimate much, a rough one little.', 'A count far from what was expected is named and left out, unless the next one agrees with it.', RANGE],
      formula: 'log N moves by growth × (1 − N/capacity) a week with chance in births and deaths; counts inform it through a Kalman filter, and the past is smoothed backwards (Harvey 1989; Rauch, Tung & Striebel 1965).',
      figures: [...methods, growth, turnover, capacity],
    }
    case 'heading': return {
      ...common, title: 'Where it is heading, and why',
      method: ['Growth is learnt from how the counts rise or fall, starting from what is usual in the group. It slows as the glass fills, and may change with the seasons.', `${percent(p.ownEvidence)} of what is known about growth comes from this colony’s own counts.`, 'The fan lives the coming 26 weeks through 400 times, with chance in births, deaths and growth.', RANGE],
      formula: 'growth a week = (1 − N/capacity) × r − logged deaths; r drifts back to the group’s value over about 20 weeks (from memory).',
      figures: [growth, { name: 'Capacity of this glass', value: `${whole(p.capacity)} animals`, basis: 'litres of water × animals per litre' }, capacity, turnover],
    }
    case 'surplus': return {
      ...common, title: 'How many can go, and why',
      method: ['The coming 26 weeks are lived through 400 times with a number taken out today. The largest number is shown with which the colony falls under what should stay in fewer than one future in ten.', 'Taken are grown and young alike, as the colony stands: keep back your best breeders yourself.'],
      formula: `largest take with P(number < ${whole(p.surplus.minimumKeep)} within 26 weeks) < ${percent(p.surplus.allowedRisk)}; with none taken it is ${percent(p.surplus.riskNow)}, after this take ${percent(p.surplus.riskAfter)}.`,
      figures: [{ name: 'Fewest that should stay', value: `${whole(group.minimumKeep.value)} animals`, basis: basisText(group.minimumKeep.basis) }, growth, capacity],
    }
  }
}

function countLine(e: Evidence, s: Saying): string {
  const v = e.values
  const weight = v.weight === 'none' ? `not believed: about ${whole(Number(v.expected))} were expected` : v.weight === 'part' ? 'believed in part' : `speaks for ${whole(Number(v.low))} to ${whole(Number(v.high))}`
  return `${dayText(Number(v.at), s.nowMs)}: ${whole(Number(v.seen))} ${countMethodWord[v.method as CountMethod]}, ${weight}`
}

/** Why for one water value. */
export function whyValue(v: ValueVerdict, group: ResolvedGroup, s: Saying): Why {
  const [low, high] = v.target.preferred
  const step = group.largestStepPerWeek[v.key]
  return {
    title: `${valueName(v.key)}, and why`,
    reasons: [say(v.conclusion, s), ...v.reasons.map(r => say(r, s)), ...v.actions.map(a => say(a, s))],
    inputs: v.evidence.map(e => ({ text: `${dayText(Number(e.values.at), s.nowMs)}: ${valueText(v.key, Number(e.values.value), s.units)} by ${testMethodWord[e.values.method as ReadingMethod]}, give or take ${differenceText(v.key, Number(e.values.sd), s.units, v.key === 'ph' ? 1 : 0)}`, ...(e.entryId && { entryId: e.entryId }) })),
    method: [
      'Stable beats perfect: a steady value outside the preferred range but inside the tolerated one is left alone; one that is sliding is named before it is out.',
      'The slope is read from up to eight readings of the last 120 days, each weighed by how exact its method is. It counts only when it is clear of chance.',
      ...(v.latest ? [`The newest reading is from ${agoText(v.ageDays ?? 0)}.`] : []),
    ],
    formula: v.trendPerWeek ? `weighted line: ${differenceText(v.key, v.trendPerWeek.value, s.units, 2)} a week, likely ${differenceText(v.key, v.trendPerWeek.low, s.units, 2)} to ${differenceText(v.key, v.trendPerWeek.high, s.units, 2)}${v.inFourWeeks ? `; in four weeks likely ${rangeText(v.key, v.inFourWeeks.low, v.inFourWeeks.high, s.units)}` : ''}.` : 'No trend: it takes two readings or more.',
    figures: [
      { name: 'Preferred', value: rangeText(v.key, low, high, s.units), basis: basisText(v.target.basis) },
      { name: 'Tolerated', value: rangeText(v.key, v.tolerated[0], v.tolerated[1], s.units), basis: v.target.tolerated ? basisText(v.target.basis) : 'the preferred range and a quarter of its width on each side (from memory)' },
      ...(step ? [{ name: 'Largest step', value: `${differenceText(v.key, step.value, s.units)} a week`, basis: basisText(step.basis) }] : []),
    ],
    narrows: !v.latest || v.state === 'unknown' ? ['A test today.'] : v.latest.method === 'strip' || v.latest.method === 'guess' ? ['A liquid kit or a probe instead of a rough method.'] : v.window.length < 3 ? ['A third reading shows whether it moves.'] : [`A test every ${weeksText(2)} keeps the slope in sight.`],
  }
}
