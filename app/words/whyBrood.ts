import type { Awaits } from '#core/broods'
import { paceAt, preferredC, type ResolvedGroup } from '#core/groups'
import { formatNumber } from '#core/units'
import { broodBasis, type BroodOf } from './broods'
import { whole } from './numbers'
import { basisText } from './states'
import { type UnitPrefs, valueText } from './unitPrefs'
import { dayText, stretchText } from './when'
import type { Why } from './why'

/** What stands behind the window of one brood. */
export function whyBrood({ line, broods }: BroodOf, resolved: ResolvedGroup, units: UnitPrefs, nowMs: number): Why {
  const { stages } = resolved.group
  const at = preferredC(resolved)
  const usualDays = 7 * stages.eggWeeks.value
  return {
    title: 'When it hatches, and why',
    reasons: [...seenText(line, nowMs), broodBasis(broods, units)],
    inputs: [line.firstSeenMs, ...line.looksMs].flatMap(ms =>
      ms === null ? [] : [{ text: `${line.sign === 'clutch' ? 'Clutch' : 'Eggs'} seen ${dayText(ms, nowMs)}` }],
    ),
    method: [
      'Each day counts by its warmth: development goes faster by the group’s Q10. Degree-days would need a threshold ' +
        'beside the length; within five degrees both agree.',
      'Begin and length are laid out on a grid, and each pair is weighed by every look: seen, not seen, with eyes or ' +
        'without. A look misses a brood about one time in sixteen.',
      'The likely range leaves one brood in ten to hatch before it and one after it.',
    ],
    formula: 'hatch = begin + length; length ~ log-normal in days at the usual temperature',
    figures: [
      {
        name: `From laying to the hatch at ${valueText('temperatureC', at, units)}`,
        value: `${formatNumber(usualDays, 1)} days`,
        basis: basisText(stages.eggWeeks.basis),
      },
      {
        name: 'Faster for ten degrees more',
        value: `${stages.q10.value} times`,
        basis: basisText(stages.q10.basis),
      },
      {
        name: `At ${valueText('temperatureC', broods.temperatureC, units)} as of late`,
        value: `${formatNumber(usualDays / paceAt(stages.q10.value, broods.temperatureC, at), 1)} days`,
        basis: 'from the two above',
      },
      {
        name: 'Keepers differ, and broods of one keeper',
        value: '10 % and 9 to 13 %',
        basis: basisText({ kind: 'memory' }),
      },
    ],
    narrows: [
      'A look that writes down who carries none: it bounds the beginning.',
      'Whether eggs show eyes: it narrows the end to days.',
      'Broods that you watch to their hatch: after six the range is a fifth narrower.',
    ],
  }
}

/** Why eggs are expected, and when. */
const awaitedText: Readonly<Record<Awaits, (day: string) => string>> = {
  mating: day => `Mated ${day}; crayfish lay one to four weeks later.`,
  saddle: day => `Seen with a saddle ${day}: full ovaries, which are eggs after the next molt.`,
  rest: day => `Her last brood was gone ${day}; the next comes after a rest and a molt.`,
}

/** What was seen of it, in sentences. */
function seenText(line: BroodOf['line'], nowMs: number): string[] {
  const begun = stretchText(line.hatch.begunFromMs, line.hatch.begunToMs, nowMs)
  const looks = line.looksMs.length
  const seen =
    line.age !== null
      ? 'Somebody is always berried here: how far the eggs are is read from the estimate of the colony, which every ' +
        'sighting weighs.'
      : line.awaits
        ? awaitedText[line.awaits](dayText(line.firstSeenMs!, nowMs))
        : line.sign === 'clutch'
          ? `Found ${dayText(line.firstSeenMs!, nowMs)}; laid that night or the one before.`
          : `Seen first ${dayText(line.firstSeenMs!, nowMs)}, so begun since the look before: likely ${begun}.`
  return [
    seen,
    ...(looks > 0
      ? [
          `Seen again ${looks === 1 ? 'once' : `${whole(looks)} times`}, last ` +
            `${dayText(line.lastSeenMs!, nowMs)}: it had not hatched by then.`,
        ]
      : []),
    ...(line.eyed ? ['Eyes show from about seven tenths of the time on: days are left, not weeks.'] : []),
  ]
}
