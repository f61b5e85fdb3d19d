import type { Care } from '#core/groups'
import { animalsOf, DAY_MS, type Entry, type EntryOf, type Id, momentMs, WEEK_MS } from '#core/records'

/** Animals that are soft after a molt, or that something happened to which a molt mends. Moments are milliseconds. */
export interface Soft {
  /** what told of it */
  of: 'molts' | 'failedMolt' | 'limbLoss'
  atMs: number
  /** until then they are kept out of hands, nets and company */
  untilMs: number
  number: number
  /** who it is, where they are followed */
  animalIds: readonly Id[]
}

/**
 * Whether any of a colony are soft at present: the last to be so. Skins that are found tell of a molt, so do molts that
 * failed; who lost a limb is as tender.
 * @param entries standing entries of the colony, by time
 * @returns null when nothing of late speaks of it
 */
export function softAt(
  { softDays }: Pick<NonNullable<Care['molts']>, 'softDays'>,
  entries: readonly Entry[],
  nowMs: number,
): Soft | null {
  let soft: Soft | null = null
  for (const e of entries) {
    if (e.kind !== 'molts' && e.kind !== 'failedMolt' && e.kind !== 'limbLoss') continue
    const atMs = momentMs(e.at)
    const untilMs = atMs + softDays.range[1] * DAY_MS
    // a limb that is whole again tells of no new wound
    if (e.kind === 'limbLoss' && e.back) continue
    if (e.number > 0 && atMs <= nowMs && untilMs > nowMs && (!soft || untilMs >= soft.untilMs))
      soft = { of: e.kind, atMs, untilMs, number: e.number, animalIds: animalsOf(e) }
  }
  return soft
}

/** Limbs that were lost, and when they come back. */
export interface LostLimbs {
  atMs: number
  number: number
  /** who lost them, where they are followed */
  animalIds: readonly Id[]
  /** several limbs of one: it is kept apart, since others go for it */
  several: boolean
  /** a bud can be seen from the first molt on; whole again after one more (common practice: one or two molts) */
  lookMs: number
  wholeMs: number
}

/** Who loses a limb molts sooner than the others: within so much of the usual interval (from memory). */
const SOONER = 0.8

/**
 * Limbs that are not yet back.
 * @param pace of life by the water's temperature, against the usual one
 */
export function limbsUnderway(
  { adultWeeks }: Pick<NonNullable<Care['molts']>, 'adultWeeks'>,
  entries: readonly Entry[],
  { nowMs, pace }: { nowMs: number; pace: number },
): LostLimbs[] {
  const molt = (SOONER * adultWeeks.value * WEEK_MS) / pace
  const looks = entries.filter((e): e is EntryOf<'limbLoss'> => e.kind === 'limbLoss' && momentMs(e.at) <= nowMs)
  return looks.flatMap(e => {
    if (e.back) return []
    const atMs = momentMs(e.at)
    const wholeMs = atMs + 2 * molt
    const animalIds = animalsOf(e)
    const healed = looks.some(l => l.back && momentMs(l.at) > atMs && sameAnimals(animalIds, animalsOf(l)))
    if (healed || wholeMs <= nowMs) return []
    return [{ atMs, number: e.number, animalIds, several: e.limbs === 'several', lookMs: atMs + molt, wholeMs }]
  })
}

/** Whether a look speaks of the same animals; one that names nobody speaks of those that were not named. */
const sameAnimals = (lost: readonly Id[], back: readonly Id[]): boolean =>
  lost.length === 0 ? back.length === 0 : lost.every(id => back.includes(id))
