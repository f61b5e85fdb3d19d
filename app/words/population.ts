import type { CountNote } from '#core/abundance'
import type { SpeciesGroup } from '#core/groups'
import type { Learnt, Look, MatrixSummary, PopulationAnswer, StageName } from '#core/population'
import { num, percent, whole } from './numbers'

/** What a stage is called in a group. */
export function stageWord(stage: StageName, { stages }: Pick<SpeciesGroup, 'stages'>): string {
  switch (stage) {
    case 'eggs':
      return { carried: 'Eggs carried', laid: 'Eggs laid', resting: 'Resting eggs' }[stages.eggs]
    case 'first':
      return stages.first === 'larva' ? 'Larvae' : 'Hatchlings'
    case 'young':
      return 'Half-grown'
    case 'females':
      return stages.femaleShare.value === 1 ? 'Grown' : 'Grown females'
    case 'males':
      return 'Grown males'
  }
}

/** What a stage is, for those that are not in the number. */
export const stageHint: Partial<Record<StageName, string>> = {
  eggs: 'not in the number',
  first: 'too small to count: not in the number',
}

const matterWord: Readonly<Record<MatrixSummary['matters'][number]['what'], string>> = {
  births: 'how many broods there are',
  eggs: 'how many eggs come up',
  first: 'survival of the hatchlings',
  young: 'survival of the half-grown',
  adults: 'survival of the grown',
}

/** "What matters most here: survival of the half-grown, then …". */
export function mattersText({ matters }: MatrixSummary): string {
  const [first, second] = matters
  if (!first) return ''
  return second && second.share > 0.1
    ? `What matters most for its growth: ${matterWord[first.what]} (${num(percent(first.share))}), then ` +
        `${matterWord[second.what]} (${num(percent(second.share))}).`
    : `What matters most for its numbers: ${matterWord[first.what]}.`
}

const learntWord: Readonly<Record<Learnt['name'], string>> = {
  recruits: 'Young that come up',
  losses: 'Deaths',
  room: 'Room in the glass',
  shape: 'How steeply crowding sets in',
  seen: 'Share of animals that counts find',
  sight: 'Share of broods that is seen',
}
export const learntName = (l: Learnt): string => learntWord[l.name]
/** "1.3 times the default, likely 0.9 to 1.8; before any entry 0.4 to 2.4". */
export function learntText({ now, before }: Learnt): string {
  const f = (x: number) => x.toFixed(x < 10 ? 2 : 1)
  return (
    `${f(now.value)} times the default, likely ${f(now.low)} to ${f(now.high)}; before any entry ` +
    `${f(before.low)} to ${f(before.high)}`
  )
}

const lookWord: Readonly<Record<Look['what'], string>> = {
  fullCount: 'A full count',
  broods: 'A look for broods',
  sample: 'A sample of a fifth of the tank',
}
/** What one full count today would tell: a narrower range, or whether a number without doubt still holds. */
export function fullCountText({ low, high }: { low: number; high: number }): string {
  const [from, to] = [whole(low), whole(high)]
  return from === to
    ? `One full count today would tell whether it is still ${num(from)}.`
    : `One full count today would narrow it to about ${num(`${from} to ${to}`)}.`
}

/** "A full count would narrow the number in eight weeks by 40 %." */
export function lookText({ what, left }: Look): string {
  const narrowed = Math.round(100 * (1 - left))
  return narrowed < 3
    ? `${lookWord[what]} would hardly narrow it.`
    : `${lookWord[what]} would narrow the number in eight weeks by about ${num(`${narrowed} %`)}.`
}

/** What was remarkable in how a count was reckoned. */
export const countNoteText: Readonly<Record<CountNote, string>> = {
  passesDoNotFall: 'the catches do not fall from pass to pass: the number is open above',
  marksAreShed: 'animals that molt shed their marks: read as a rough figure',
  fewRecaptures: 'few came back with a mark',
  scatterTellsLittle: 'the counts of the day scatter too much, or are too few, to tell the share found',
  ownHitRate: 'with your own hit rate from the practice tank',
  heaps: 'they sat in heaps: more samples would help',
}

/** Why the answer should be read with care. */
export function disagreementText(p: Pick<PopulationAnswer, 'fit' | 'counts'>): string {
  switch (p.fit.disagreement) {
    case 'counts':
      return (
        `Log and model disagree: ${num(whole(p.counts.slice(-10).filter(c => c.weight === 'none').length))} ` +
        `of the last counts could not be believed. Look for something that is not in the log, such as deaths, ` +
        `thieves or animals moved.`
      )
    case 'jumps':
      return (
        'Log and model disagree: the number seems to have jumped without an entry for it. If animals died or ' +
        'moved, log it.'
      )
    case 'thin':
      return (
        'Log and model hardly agree: few of the possible colonies fit what was seen. Take the range as wider ' +
        'than it says.'
      )
    case null:
      return ''
  }
}
