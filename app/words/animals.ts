import type { AnimalLife } from '#core/animals'
import { groupOf } from '#core/groups'
import { type Animal, type AnimalSex, DAY_MS, WEEK_MS, type ZoneKind } from '#core/records'
import type { Growth, ZoneDates } from '#core/shells'
import { formatNumber } from '#core/units'
import { whole } from './numbers'
import { dayText } from './when'

export const sexWord: Readonly<Record<AnimalSex, string>> = {
  female: 'female',
  male: 'male',
  unknown: 'not known',
}

/** What a stretch of a shell looks like, as it is chosen. */
export const zoneWord: Readonly<Record<ZoneKind, string>> = {
  white: 'white patches',
  thin: 'thin, fast',
  even: 'even',
  thick: 'thick, slow',
  pits: 'pits',
  chips: 'chipped',
}

/** What is measured of a group's animals. */
export const sizeWord = {
  shell: 'Shell across',
  shellHeight: 'Height of the shell',
  carapace: 'Carapace across',
  length: 'Length',
} as const

const MONTH_WEEKS = 30.44 / 7
/** "5 weeks", "8 months", "2 years and a half" of an age. */
function ageOf(weeks: number): string {
  if (weeks < 10) return `${whole(weeks)} ${Math.round(weeks) === 1 ? 'week' : 'weeks'}`
  if (weeks < 78) return `${whole(weeks / MONTH_WEEKS)} months`
  return `${formatNumber(weeks / 52.18, 1)} years`
}

/** "8 to 11 months old", "at least 5 months old". */
export function ageText({ born }: Pick<AnimalLife, 'born'>, atMs: number): string {
  if (!born) return 'Of unknown age'
  const least = Math.max(0, (atMs - born.toMs) / WEEK_MS)
  if (born.fromMs === null) return `At least ${ageOf(least)} old`
  const most = (atMs - born.fromMs) / WEEK_MS
  const [a, b] = [ageOf(least), ageOf(most)]
  if (a === b) return `${b} old`
  const [, unit] = b.split(' ')
  return a.split(' ')[1] === unit ? `${a.split(' ')[0]} to ${b} old` : `${a} to ${b} old`
}

/** By what an age is known. */
export const ageBasis: Readonly<Record<NonNullable<AnimalLife['born']>['by'], string>> = {
  keeper: 'from the day of birth that you gave',
  size: 'from its sizes and how its kind grows',
  came: 'from the day it came to you',
}

/** The sentence over a life: "Ash is soft until 28 Nov: leave her in peace." */
export function lifeHeadline(animal: Pick<Animal, 'name' | 'sex'>, life: AnimalLife, nowMs: number): string {
  const { name } = animal
  if (life.left) {
    const how = life.left.how === 'died' ? 'died' : 'left'
    const age = ageText(life, life.left.atMs).replace(/^./, c => c.toLowerCase())
    return `${name} ${how} on ${dayText(life.left.atMs, nowMs)}, ${age}.`
  }
  if (life.soft)
    return `${name} is soft until ${dayText(life.soft.untilMs, nowMs)}: no nets, no hands, no hungry neighbours.`
  const carried = life.broods.find(b => !b.end)
  if (carried) return `${name} carries eggs, seen since ${dayText(carried.firstSeenMs, nowMs)}.`
  const limb = life.limbs.find(l => l.backMs === null)
  if (limb && limb.molts >= 2)
    return (
      `${name} lost ${limb.several ? 'limbs' : 'a limb'} on ${dayText(limb.atMs, nowMs)} and molted twice since: ` +
      'is it whole again?'
    )
  if (limb)
    return (
      `${name} is growing back ${limb.several ? 'several limbs' : 'a limb'}: ${moltsSince(limb.molts)} since ` +
      `${dayText(limb.atMs, nowMs)}.`
    )
  return `${name} is well, as far as the log tells.`
}
const moltsSince = (n: number) => (n === 0 ? 'no molt' : n === 1 ? 'one molt' : `${whole(n)} molts`)

/** "between 3 and 19 Dec, likely 10 Dec". */
export function nextMoltText({ nextMolt }: AnimalLife, nowMs: number): string {
  if (!nextMolt) return 'write down a first one'
  const { earliestMs, likelyMs, latestMs } = nextMolt
  if (latestMs < nowMs) return `overdue since ${dayText(latestMs, nowMs)}, or the skin was eaten`
  const from = Math.max(nowMs, earliestMs)
  return `${dayText(from, nowMs)} to ${dayText(latestMs, nowMs)}, likely ${dayText(Math.max(nowMs, likelyMs), nowMs)}`
}

/** A size as it is told, with how it is known. */
export function sizeText({ sizeMm, sizes }: Growth, nowMs: number): string {
  const last = sizes.at(-1)!
  const read = `${formatNumber(last.mm, 1)} mm on ${dayText(last.at, nowMs)}`
  if (nowMs - last.at < 10 * DAY_MS) return read
  return `${read}; ${formatNumber(sizeMm.low, 1)} to ${formatNumber(sizeMm.high, 1)} mm by now`
}

/** "0.2 to 0.5 mm a week now". */
export const perWeekText = ({ perWeekMm: { low, high } }: Growth): string => {
  const [a, b] = [formatNumber(low, 1), formatNumber(high, 1)]
  return a === b ? `about ${b} mm a week now` : `${a} to ${b} mm a week now`
}

/** When it can breed. */
export function breedsText({ breeds, breedsMm }: Growth, nowMs: number): string {
  const size = `${formatNumber(breedsMm, 0)} mm`
  if (breeds === 'already') return `it has the ${size} that breeders have`
  if (!breeds) return `it may never reach the ${size} that breeders have`
  return `${size} between ${dayText(breeds.ms.low, nowMs)} and ${dayText(breeds.ms.high, nowMs)}`
}

/** The last growth against the usual one; empty where there are no two sizes. */
export function latelyText({ lately }: Growth, nowMs: number): string {
  if (!lately) return ''
  const { grownMm, usualMm, fromMs, toMs } = lately
  const verdict =
    grownMm < usualMm.low ? 'slower than usual' : grownMm > usualMm.high ? 'faster than usual' : 'as usual'
  return (
    `${formatNumber(grownMm, 1)} mm from ${dayText(fromMs, nowMs)} to ${dayText(toMs, nowMs)}: ${verdict} ` +
    `(${formatNumber(usualMm.low, 1)} to ${formatNumber(usualMm.high, 1)} mm at that size and warmth)`
  )
}

/** On what a curve stands. */
export const curveBasis = ({ own, sizes, plain }: Growth): string =>
  own
    ? `Von Bertalanffy’s curve through its own ${whole(sizes.length)} sizes, held to what its kind grows like.` +
      (plain ? ` By its sizes alone it would reach ${formatNumber(plain.mostMm, 0)} mm.` : '')
    : 'Fewer than four sizes: the curve is that of its kind, and only its place on it is its own.'

const HISTORY: Readonly<Record<ZoneKind, string>> = {
  white: 'short of calcium',
  thin: 'warm and well fed',
  even: 'steady',
  thick: 'slower, with time to build',
  pits: 'bitten by soft or sour water',
  chips: 'chipped',
}

/** The life that a shell tells, in sentences; of each zone only what was when it was built. */
export function shellHistory(
  zones: readonly ZoneDates[],
  { breedsMm }: Growth,
  came: number | null,
  nowMs: number,
): string[] {
  return zones.map((z, i) => {
    const when =
      came !== null && z.from.value >= came - 7 * DAY_MS
        ? 'since it came to you'
        : z.endMm <= breedsMm
          ? 'when it was young'
          : i === 0
            ? 'at first'
            : 'then'
    const stretch =
      i === zones.length - 1 ? `from ${aboutText(z.from, nowMs)} until now` : `until ${aboutText(z.to, nowMs)}`
    const span = `${formatNumber(z.fromMm, 0)} to ${formatNumber(z.endMm, 0)} mm`
    return `${when.replace(/^./, c => c.toUpperCase())} ${HISTORY[z.kind]}: ${span}, ${stretch}.`
  })
}
const aboutText = (r: { low: number; value: number; high: number }, nowMs: number): string => {
  const [low, high] = [dayText(r.low, nowMs), dayText(r.high, nowMs)]
  return low === high ? low : `${dayText(r.value, nowMs)} (${low} to ${high})`
}

/** What a shell says of the water of today: only its newest edge, and pits, which eat into all of it. */
export function shellToday(zones: readonly ZoneDates[]): string {
  const edge = zones.at(-1)
  if (!edge) return ''
  if (zones.some(z => z.kind === 'pits'))
    return 'Pits speak of the water now: it is soft or sour for shells. Test KH, pH and calcium.'
  if (edge.kind === 'white')
    return 'The edge is white: calcium is short now. Test GH and calcium, give greens and shell grit.'
  if (edge.kind === 'thin')
    return 'The edge is thin: it grows faster than it can build. Less warmth or food, more calcium.'
  if (edge.kind === 'chips') return 'The edge is chipped: it was dropped or bitten; the water is not to blame.'
  return 'The newest edge is sound: nothing speaks against the water now. Older marks are the past.'
}

/** What is under an animal's name. */
export const animalUnder = (animal: Animal): string =>
  [groupOf(animal.groupId).animal[0], animal.sex === 'unknown' ? '' : sexWord[animal.sex], animal.marks ?? '']
    .filter(Boolean)
    .join(' · ')

/** One thing of a life, for its table. */
export interface LifeEvent {
  at: number
  what: string
}

/** All that is told of a life, newest first. */
export function lifeEvents(
  life: AnimalLife,
  { colonyName, rungWords }: { colonyName: (id: string) => string; rungWords: (id: string) => string },
): LifeEvent[] {
  const events: LifeEvent[] = [
    ...life.stays.flatMap(s =>
      s.fromMs === null ? [] : [{ at: s.fromMs, what: `came to ${colonyName(s.colonyId)}` }],
    ),
    ...life.molts.map(m => ({ at: m.atMs, what: m.failed ? 'in molt trouble' : 'shed its skin' })),
    ...life.limbs.flatMap(l => [
      { at: l.atMs, what: l.several ? 'lost several limbs' : 'lost a limb' },
      ...(l.backMs === null ? [] : [{ at: l.backMs, what: `whole again after ${moltsSince(l.molts)}` }]),
    ]),
    ...life.broods.flatMap(b => [
      { at: b.firstSeenMs, what: 'first seen with eggs' },
      ...(b.end
        ? [{ at: b.end.toMs, what: b.end.how === 'hatched' ? 'eggs gone: hatched' : 'eggs gone too early: lost' }]
        : []),
    ]),
    ...(life.growth?.sizes ?? []).map(s => ({ at: s.at, what: `${formatNumber(s.mm, 1)} mm` })),
    ...life.grades.map(g => ({ at: g.atMs, what: `graded ${g.rungId ? rungWords(g.rungId) : g.word}` })),
    ...(life.left ? [{ at: life.left.atMs, what: life.left.how === 'died' ? 'died' : 'was taken out' }] : []),
  ]
  return events.sort((a, b) => b.at - a.at)
}
