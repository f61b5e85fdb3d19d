import type { Crossing } from '#core/care'
import type { AgreementTold, FamilyNode, Heading, KeeperTold, LineTold } from '#core/lines'
import type { Rung } from '#core/records'
import { counted, num, percent, whole } from './numbers'
import { shortName } from './lineGenerations'
import { dayText } from './when'

/** "5" of a rung, counted from the dullest. */
export const rungNumber = (k: number): string => String(k + 1)

/** "grade 4 or 5" */
export function bestRungs({ bestFrom }: Pick<LineTold, 'bestFrom'>, rungs: number): string {
  const top = Array.from({ length: rungs - bestFrom }, (_, i) => rungNumber(bestFrom + i))
  return `grade ${top.length > 1 ? `${top.slice(0, -1).join(', ')} or ${top.at(-1)}` : top[0]}`
}

const headingWord: Readonly<Record<Heading, string>> = {
  rising: 'The line is rising',
  plateau: 'The line has come to a plateau',
  falling: 'The line is falling',
  still: 'The line stands where it stood, as far as the grades tell',
  unknown: 'One generation was graded: where the line goes the next one will tell',
}

/** The sentence over a line. */
export function lineHeadline(told: LineTold, rungs: number): string {
  const { best, heading } = told
  const now = best ? `${num(percent(best.now))} now ${bestRungs(told, rungs)}` : ''
  if (told.came?.unexplained)
    return `The ${told.rolling ? 'line' : 'newest generation'} fell further than breeding explains: ${now}.`
  if (!best || heading === 'unknown') return `${headingWord[heading]}.`
  return `${headingWord[heading]}: ${now}, from ${num(percent(best.first))}.`
}

/** How much of what is selected comes through, or that nobody can tell yet. */
export function heritabilityText({ heritability: h, known }: Pick<LineTold, 'heritability' | 'known'>): string {
  const range = `${h.low.toFixed(2)}–${h.high.toFixed(2)}`
  return known
    ? `About ${num(h.value.toFixed(2))} of what you select for comes through (likely ${range}).`
    : `How much of what you select for comes through the grades cannot tell yet (${range} is thought, from memory).`
}

/** A node of the family graph in two short lines. */
export function familyNodeText(node: FamilyNode, colony: string): { title: string; below: string } {
  if (node.kind === 'generation')
    return {
      title: `No. ${node.n}`,
      below:
        (node.graded > 0 ? `${whole(node.graded)} graded` : 'not graded') +
        (node.inbreeding === null ? '' : ` · F ${percent(node.inbreeding)}`),
    }
  const who = [
    [node.females, '♀'],
    [node.males, '♂'],
    [node.others, 'of both'],
  ]
    .filter(([n]) => Number(n) > 0)
    .map(([n, sign]) => `${n} ${sign}`)
  return { title: who.join(' ') || 'nobody told', below: node.running ? `now, ${colony}` : colony }
}

/** "5 of Rime A came into Ember A on 3 Oct: the lines cross …" */
export const crossingText = ({ number, from, to, atMs }: Crossing, nowMs: number): string =>
  `${whole(number)} of ${from.name} came into ${to.name}, ${dayText(atMs, nowMs)}: the lines cross, and their young ` +
  'fall back to dull within a generation or two. Grade the next young apart from the rest.'

/**
 * What to do about a fall that breeding does not explain, and how often one is called in vain: as was measured, where
 * the animals breed all the time by each grading (docs/science.md).
 */
export const fallenText = ({ rolling }: Pick<LineTold, 'rolling'>): string =>
  'Look for a stranger: another line in the same glass or net, a jumper, a mixed-up tub. Or another eye: let a ' +
  `second keeper grade the same animals again. One ${rolling ? 'grading in twenty-five' : 'generation in forty'} ` +
  'falls like this by chance.'

/** Where nobody chooses, beside the line. */
export const spareText = ({ meanRung, ofLine }: NonNullable<LineTold['spare']>): string =>
  `In the spare glass, where nobody chooses, the mean rung is ${meanRung.toFixed(1)}; of the line at the same ` +
  `time it is ${ofLine.toFixed(1)}.`

/** "1 small for its age · 2 usual · 3 large" */
export const ladderText = (rungs: readonly Pick<Rung, 'words'>[]): string =>
  rungs.map((r, k) => `${k + 1} ${r.words}`).join(' · ')

/** What an axis of generations says: where they breed all the time it is time, by the parents' age. */
export const generationAxis = ({ rolling }: Pick<LineTold, 'rolling'>): string =>
  rolling ? `generations of ${whole(rolling.parentsAgeWeeks)} weeks, from the first grading` : 'generation'

/** Mean rung by generation, as graded and as the genes have it, and of the next one. */
export const courseRows = (told: Pick<LineTold, 'generations' | 'next' | 'rolling'>, nowMs: number) => [
  ...told.generations.map(g => ({
    ...{
      name: shortName(g, told, nowMs),
      graded: g.meanRung === null ? 'not graded' : g.meanRung.toFixed(1),
    },
    genes: rungRange(g.byGenes),
  })),
  ...(told.next ? [{ name: 'Next, forecast', graded: '', genes: rungRange(told.next.meanRung) }] : []),
]
const rungRange = ({ low, value, high }: { low: number; value: number; high: number }) =>
  `${value.toFixed(1)} (${low.toFixed(1)}–${high.toFixed(1)})`

/** "+0.39" */
export const signedRungs = (rungs: number, digits = 2): string =>
  `${rungs >= 0 ? '+' : '−'}${Math.abs(rungs).toFixed(digits)}`

/** "+0.39 rungs a generation, over the last three"; where animals breed all the time over so many weeks */
export function paceText({ pace, rolling }: { pace: number; rolling: LineTold['rolling'] }): string {
  const over = rolling?.pace ? `the last ${whole(rolling.pace.overWeeks)} weeks` : 'the last three'
  return `${signedRungs(pace)} rungs a generation, over ${over}`
}

/** What comes in a week where animals breed all the time. */
export function weeklyText({ pace, parentsAgeWeeks: age }: NonNullable<LineTold['rolling']>): string {
  const parents = `Parents are about ${whole(age)} weeks old in the mean: that is a generation (from memory).`
  if (!pace) return `They breed all the time. ${parents} After half of one the gradings tell how fast it goes.`
  const { low, value, high } = pace.weekly
  const each = (rungs: number) => signedRungs(rungs, 3)
  return (
    `They breed all the time: ${each(value)} rungs a week by their genes (likely ${each(low)} to ${each(high)}), ` +
    `over ${whole(pace.overWeeks)} weeks. ${parents}`
  )
}

/** "in about 4 generations" */
export const leftText = (generations: number): string =>
  generations <= 0
    ? 'passed already'
    : generations > 40
      ? 'not within 40 generations'
      : `in about ${counted(Math.max(1, Math.round(generations)), 'generation', 'generations').toLowerCase()}`

/** "reached in about 4 generations, about a year" */
export function limitText({ generationsLeft: left, generationYears: years }: LimitTold): string {
  if (left === null) return ''
  if (left <= 0) return leftText(left)
  if (left > 40) return 'not reached within 40 generations'
  const reached = `reached ${leftText(left)}`
  if (years === null) return reached
  const months = Math.round(12 * left * years)
  const long =
    months < 18 ? counted(Math.max(1, months), 'month', 'months').toLowerCase() : `${whole(months / 12)} years`
  return `${reached}, about ${long}`
}
type LimitTold = Pick<LineTold, 'generationsLeft' | 'generationYears'>

/** "11 % (8–15)" */
export const shareRange = ({ low, value, high }: { low: number; value: number; high: number }): string =>
  `${percent(value)} (${Math.round(100 * low)}–${Math.round(100 * high)})`

/** How a keeper sees beside the first. */
export function keeperText({ name, shift, blur, measured, graded }: KeeperTold, first: string): string {
  const how =
    shift === null
      ? 'the ladder is told as they see it'
      : Math.abs(shift.value) < 0.1
        ? `sees like ${first}`
        : `grades ${Math.abs(shift.value).toFixed(1)} of a rung ${shift.value < 0 ? 'lower' : 'higher'} than ${first}`
  const sharp = measured
    ? `errs by ${blur.value.toFixed(1)} of a rung`
    : `error from memory, ${blur.value.toFixed(1)} of a rung`
  return `${name}: ${whole(graded)} graded, ${how}, ${sharp}.`
}

/** How well two keepers agree, in a word (Landis & Koch 1977, Biometrics 33: 159). */
export function agreementText({ graders, kappa, se, n, atMs }: AgreementTold, nowMs: number): string {
  const word = kappa > 0.8 ? 'very well' : kappa > 0.6 ? 'well' : kappa > 0.4 ? 'fairly' : 'poorly'
  const range = `${Math.max(-1, kappa - 1.28 * se).toFixed(2)}–${Math.min(1, kappa + 1.28 * se).toFixed(2)}`
  const how = `weighted kappa ${kappa.toFixed(2)} (${range}) over ${n}`
  return `${graders[0]} and ${graders[1]} agree ${word}: ${how}, ${dayText(atMs, nowMs)}.`
}

/** What a line asks for next. */
export function nextStep(
  told: LineTold | null,
  { grownMs, nowMs }: { /** when the young of who breeds now are grown */ grownMs: number | null; nowMs: number },
): string {
  if (!told) return 'Grade a first session.'
  if (told.came?.unexplained) return `Find out why ${told.rolling ? 'it' : 'the newest generation'} fell.`
  if (told.generationsLeft !== null && told.generationsLeft <= 1) return 'New blood: kinship is at your limit.'
  if (told.rolling) {
    const { culled, gradeAgainMs } = told.rolling
    if (gradeAgainMs <= nowMs) return 'Grade them again: half of the grown are new by now.'
    return culled
      ? `Grade them again when half of the grown are new, about ${dayText(gradeAgainMs, nowMs)}.`
      : 'Take the dull ones out.'
  }
  if (grownMs === null) return 'Choose who breeds.'
  return grownMs <= nowMs
    ? 'Grade the young: by now they are grown.'
    : `Grade the young when they are grown, about ${dayText(grownMs, nowMs)}.`
}
