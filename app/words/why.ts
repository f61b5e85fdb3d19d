import type { ResolvedGroup } from '#core/groups'
import type { ReadingMethod, ValueVerdict } from '#core/water'
import { percent } from './numbers'
import type { Saying } from './phrase'
import { say } from './say'
import { basisText, testMethodWord } from './states'
import { differenceText, rangeText, valueName, valueText } from './unitPrefs'
import { agoText, dayText, weeksText } from './when'

/** A figure that went in, with its basis. */
export interface WhyFigure {
  name: string
  value: string
  basis: string
}
/** What stands behind a statement, in plain words. */
export interface Why {
  title: string
  /** every reason, not only those that fit beside the statement */
  reasons: string[]
  inputs: { text: string; entryId?: string }[]
  method: string[]
  formula: string
  figures: WhyFigure[]
  narrows: string[]
}

/** ", reckoned from what was poured" or " by liquid kit". */
const how = (method: ReadingMethod) =>
  method === 'reckoned' ? `, ${testMethodWord[method]}` : ` by ${testMethodWord[method]}`

/** Why for one water value. */
export function whyValue(v: ValueVerdict, group: ResolvedGroup, s: Saying): Why {
  const [low, high] = v.target.preferred
  const step = group.largestStepPerWeek[v.key]
  const ahead = v.inFourWeeks
    ? `; in four weeks likely ${rangeText(v.key, v.inFourWeeks.low, v.inFourWeeks.high, s.units)}`
    : ''
  return {
    title: `${valueName(v.key)}, and why`,
    reasons: [say(v.conclusion, s), ...v.reasons.map(r => say(r, s)), ...v.actions.map(a => say(a, s))],
    inputs: v.evidence.map(e => ({
      text:
        `${dayText(Number(e.values.at), s.nowMs)}: ${valueText(v.key, Number(e.values.value), s.units)}` +
        `${how(e.values.method as ReadingMethod)}, give or take ` +
        `${differenceText(v.key, Number(e.values.sd), s.units, v.key === 'ph' ? 1 : 0)}`,
      ...(e.entryId && { entryId: e.entryId }),
    })),
    method: [
      'Stable beats perfect: a steady value outside the preferred range but inside the tolerated one is left ' +
        'alone; one that is sliding is named before it is out.',
      'Level and way are read from all readings, each weighed by how exact its method is and by how far this ' +
        'glass’s readings stray. A value is steady or it moves, and is called drifting when it will likely leave ' +
        'before two more tests are made. One that jumps begins anew.',
      ...(v.latest ? [`The newest reading is from ${agoText(v.ageDays ?? 0)}.`] : []),
    ],
    formula: v.trendPerWeek
      ? 'Level that is steady or moves (Kalman 1960; Blom & Bar-Shalom 1988): ' +
        `at present ${differenceText(v.key, v.trendPerWeek.value, s.units, 1)} a week with the usual changes, ` +
        `likely ${differenceText(v.key, v.trendPerWeek.low, s.units, 1)} to ` +
        `${differenceText(v.key, v.trendPerWeek.high, s.units, 1)}${ahead}; chance of lying outside before ` +
        `two more tests ${percent(v.outsideSoon ?? 0)}.`
      : 'Nothing was read.',
    figures: [
      { name: 'Preferred', value: rangeText(v.key, low, high, s.units), basis: basisText(v.target.basis) },
      {
        name: 'Tolerated',
        value: rangeText(v.key, v.tolerated[0], v.tolerated[1], s.units),
        basis: v.target.tolerated
          ? basisText(v.target.basis)
          : 'the preferred range and a quarter of its width on each side (from memory)',
      },
      ...(step
        ? [
            {
              name: 'Largest step',
              value: `${differenceText(v.key, step.value, s.units)} a week`,
              basis: basisText(step.basis),
            },
          ]
        : []),
    ],
    narrows:
      !v.latest || v.state === 'unknown'
        ? ['A test today.']
        : v.latest.method === 'strip' || v.latest.method === 'guess'
          ? ['A liquid kit or a probe instead of a rough method.']
          : v.window.length < 3
            ? ['A third reading shows whether it moves.']
            : [`A test every ${weeksText(2)} keeps the slope in sight.`],
  }
}
