import type { FollowedBrood } from '#core/broods'
import { paceAt, preferredC, type ResolvedGroup } from '#core/groups'
import { limbsUnderway, type LostLimbs, type Soft, softAt } from '#core/molts'
import { type Animal, type Entry, type EntryOf, type Id, momentMs, WEEK_MS } from '#core/records'
import { type Growth, growthOf, type OwnGrowth, type SizeRead } from '#core/shells'
import type { TemperatureReading } from '#core/warmth'
import type { Followed } from './allFollowed'
import { type NextMolt, nextMolt } from './nextMolt'
import { lastColony, type Whereabouts, whereabouts } from './whereabouts'

/** A limb that was lost, and what became of it. */
export interface LimbStory {
  entryId: Id
  atMs: number
  several: boolean
  /** molts since then */
  molts: number
  /** when it was seen whole again */
  backMs: number | null
}

/** The life of a followed animal. Plain data: it crosses from a worker and is stored. Moments are milliseconds. */
export interface AnimalLife {
  animalId: Id
  /** in which it lives, or lived last */
  colonyId: Id
  stays: Whereabouts['stays']
  left: Whereabouts['left']
  /** between which days it was born, and by what that is known; who came grown may be of any age */
  born: { fromMs: number | null; toMs: number; by: 'keeper' | 'size' | 'came' } | null
  molts: { entryId: Id; atMs: number; failed: boolean }[]
  nextMolt: NextMolt | null
  soft: Soft | null
  limbs: LimbStory[]
  /** limbs that are on their way back */
  limbsUnderway: LostLimbs[]
  broods: FollowedBrood[]
  /** a rung of a ladder, or the free word of an old entry */
  grades: { entryId: Id; atMs: number; rungId: Id | null; word: string }[]
  /** null where it was never measured */
  growth: Growth | null
}

/** What an animal's life is told from. */
export interface LifeAsked extends Followed {
  resolved: Pick<ResolvedGroup, 'group' | 'targets'>
  /** of the water in which it lives, by time */
  temperatures: readonly TemperatureReading[]
  /** of late, by which the whole colony's pace of today goes */
  temperatureC: number
  /** what others of its kind have taught of growth */
  taught?: readonly OwnGrowth[]
  /** its broods */
  broods: readonly FollowedBrood[]
  nowMs: number
}

/** Tells the life of one animal from the entries that name it. */
export function lifeOf(asked: LifeAsked): AnimalLife {
  const { animal, resolved, broods, nowMs } = asked
  const entries = asked.entries.filter(e => momentMs(e.at) <= nowMs)
  const where = whereabouts(animal, entries)
  const { molts: intervals } = resolved.group.care
  const molts = moltsOf(entries)
  const limbs = limbsOf(entries, molts)
  const growth = growthFrom(asked, entries)
  const until = where.left?.atMs ?? nowMs
  const pace = paceAt(resolved.group.stages.q10.value, asked.temperatureC, preferredC(resolved))
  const born = bornOf(animal, growth)
  const here = !where.left
  const young = born !== null && isYoung(resolved, born, nowMs, pace)
  const shed = molts.filter(m => !m.failed).map(m => m.atMs)
  const lost = limbs.some(l => l.molts === 0 && l.backMs === null)
  const days = intervals && (7 * (young ? intervals.youngWeeks : intervals.adultWeeks).value) / pace
  return {
    animalId: animal.id,
    colonyId: lastColony(where),
    ...where,
    born,
    molts,
    nextMolt: days && here ? nextMolt(shed, days, lost) : null,
    soft: intervals && here ? softAt(intervals, entries, nowMs) : null,
    limbs,
    limbsUnderway: intervals && here ? limbsUnderway(intervals, entries, { nowMs, pace }) : [],
    broods: broods.filter(b => b.firstSeenMs <= until),
    grades: entries.flatMap(e => (e.kind === 'grading' ? gradesIn(e) : [])),
    growth,
  }
}

function gradesIn(e: EntryOf<'grading'>): AnimalLife['grades'] {
  const about = { entryId: e.id, atMs: momentMs(e.at) }
  return [
    ...(e.grades ?? []).map(g => ({ ...about, rungId: null, word: g.grade })),
    ...(e.seen ?? []).map(s => ({ ...about, rungId: s.rungId, word: '' })),
  ]
}

const moltsOf = (entries: readonly Entry[]): AnimalLife['molts'] =>
  entries.flatMap(e =>
    e.kind === 'molts' || e.kind === 'failedMolt' || (e.kind === 'death' && e.sign === 'failedMolt')
      ? e.kind === 'molts' && e.number === 0
        ? []
        : [{ entryId: e.id, atMs: momentMs(e.at), failed: e.kind !== 'molts' }]
      : [],
  )

/** Limbs that were lost, each with the first look after it that found it whole. */
function limbsOf(entries: readonly Entry[], molts: AnimalLife['molts']): LimbStory[] {
  const looks = entries.filter((e): e is EntryOf<'limbLoss'> => e.kind === 'limbLoss')
  return looks.flatMap(e => {
    if (e.back) return []
    const atMs = momentMs(e.at)
    const back = looks.find(l => l.back && momentMs(l.at) > atMs)
    return [
      {
        ...{ entryId: e.id, atMs, several: e.limbs === 'several', backMs: back ? momentMs(back.at) : null },
        molts: molts.filter(m => m.atMs > atMs && !m.failed).length,
      },
    ]
  })
}

function growthFrom(
  { animal, resolved, temperatures, taught = [], nowMs }: LifeAsked,
  entries: readonly Entry[],
): Growth | null {
  const looks = entries.filter((e): e is EntryOf<'shell'> => e.kind === 'shell')
  const sizes: SizeRead[] = looks.flatMap(e =>
    e.diameterMm === undefined ? [] : [{ at: momentMs(e.at), mm: e.diameterMm }],
  )
  const marked = looks.findLast(e => (e.zones?.length ?? 0) > 0)
  return growthOf({
    ...{ resolved, temperatures, taught, nowMs, sizes },
    born: animal.born ? { fromMs: momentMs(animal.born.from), toMs: momentMs(animal.born.to) } : null,
    shell: marked ? { at: momentMs(marked.at), zones: marked.zones! } : null,
  })
}

/** When it was born: as the keeper knows it, else by its size, else before it came. */
function bornOf(animal: Animal, growth: Growth | null): AnimalLife['born'] {
  if (animal.born) return { fromMs: momentMs(animal.born.from), toMs: momentMs(animal.born.to), by: 'keeper' }
  if (growth) return { fromMs: growth.bornMs.low, toMs: growth.bornMs.high, by: 'size' }
  return animal.came ? { fromMs: null, toMs: momentMs(animal.came.to), by: 'came' } : null
}

/** Whether it is not grown yet, by the middle of what is known. */
function isYoung(
  { group }: Pick<ResolvedGroup, 'group'>,
  born: NonNullable<AnimalLife['born']>,
  nowMs: number,
  pace: number,
): boolean {
  if (born.fromMs === null) return false
  const { firstWeeks, youngWeeks } = group.stages
  const weeks = (nowMs - (born.fromMs + born.toMs) / 2) / WEEK_MS
  return weeks * pace < firstWeeks.value + youngWeeks.value
}
