import { DAY_MS, type Eaten, type Entry, type EntryOf, type FoodKind, momentMs, WEEK_MS } from '#core/records'
import { LEFTOVER_HOURS, M, YOUNG_DAYS } from '../figures'
import type { ColonyCare, DueItem, GlassCare } from '../item'
import { isOver, item, last, startOf } from './tools'

const HOUR_MS = 3_600_000
/** Less when some was left, more when it was gone in minutes (common practice; the factors are from memory). */
const LESS = 0.7
const MORE = 1.25
/** What the keeper gives may lie so far from what the numbers ask for, and no further (from memory). */
const LEAST = 0.5
const MOST = 2
/** The smallest part of a piece that a hand breaks. */
const CRUMB = 0.25

/**
 * Feeding by school, with amounts that follow what became of the last one, powder while young are small, and leftovers
 * that are still in the glass.
 */
export function feedingRule(g: GlassCare, nowMs: number): DueItem[] {
  // larvae and young that are reared get their own food, and a batch that is over none
  const colonies = g.colonies.filter(c => c.colony.form !== 'rearing' && !isOver(c) && !isWaiting(c, nowMs))
  if (colonies.length === 0) return []
  // a poisoned water says “stop feeding”: the round does not say otherwise
  if (g.colonies.some(isPoisoned)) return leftovers(g, nowMs)
  // the colony that is fed most often decides: they eat from one bowl
  const { group } = colonies.toSorted((a, b) => a.group.feed.everyDays - b.group.feed.everyDays)[0]!
  const { feed } = group
  const { food } = group.group.care
  const given = last(g.entries, 'feeding', e => e.food === food)
  const fed = last(g.entries, 'feeding', e => e.food !== undefined)
  const started = startOf(g)
  const rested = started + (feed.restWeeks ?? 0) * WEEK_MS
  const resting = !fed && feed.restWeeks !== undefined
  const portions = adapted(portionsFor(colonies, g.netL, food), given, g.entries)
  const young = youngSeen(colonies, nowMs)
  const items = [
    item({
      key: `feed:${g.glass.id}`,
      kind: 'feed',
      glassId: g.glass.id,
      dueMs: fed ? momentMs(fed.at) + feed.everyDays * DAY_MS : resting ? rested : started,
      everyDays: feed.everyDays,
      earlyDays: feed.everyDays / 4,
      lateDays: waitDays(colonies, young !== null),
      minutes: 0.5,
      flexible: false,
      timed: feed.everyDays < 1,
      why: fed ? 'feedEvery' : resting ? 'feedRested' : 'feedNever',
      whyValues: {
        every: feed.everyDays,
        days: fed ? (nowMs - momentMs(fed.at)) / DAY_MS : 0,
        weeks: feed.restWeeks ?? 0,
      },
      basis: feed.basis,
      values: { food, portions },
    }),
  ]
  if (young !== null && food !== 'powder') {
    const powder = last(g.entries, 'feeding', e => e.food === 'powder')
    items.push(
      item({
        key: `powder:${g.glass.id}`,
        kind: 'powder',
        glassId: g.glass.id,
        dueMs: Math.max(young, powder ? momentMs(powder.at) + DAY_MS : -Infinity),
        everyDays: 1,
        earlyDays: 0.25,
        lateDays: 3,
        minutes: 0.5,
        flexible: false,
        why: 'powderYoung',
        whyValues: { days: (nowMs - young) / DAY_MS },
        basis: { kind: 'commonPractice' },
        values: { food: 'powder', portions: 1 },
      }),
    )
  }
  return [...items, ...leftovers(g, nowMs)]
}

/** Whether a pool waits for its hatch: food would only foul it. */
const isWaiting = ({ batch }: ColonyCare, nowMs: number): boolean => batch?.kind === 'pool' && batch.hatch.value > nowMs

/** Whether a verdict on their water orders to stop feeding. */
const isPoisoned = (c: ColonyCare): boolean =>
  c.values.some(v => v.actions.some(a => a.key === 'water.doEmergencyChange'))

/**
 * Days that they go without food unharmed (from memory): biofilm carries grazers a week, not young ones and not
 * hunters.
 */
function waitDays(colonies: readonly ColonyCare[], young: boolean): number {
  if (young) return 3
  return Math.min(
    ...colonies.map(c =>
      c.group.group.setup.grazes
        ? 10
        : ['crab', 'crayfish', 'branchiopod'].includes(c.group.group.company.kind)
          ? 4
          : 7,
    ),
  )
}

/** Portions that the numbers or the water ask for, of the food that the glass gets. */
function portionsFor(colonies: readonly ColonyCare[], netL: number, food: FoodKind): number {
  let portions = 0
  for (const { group, numbers } of colonies) {
    const { care } = group.group
    if (care.food !== food) continue
    portions +=
      (group.feed.portion * (care.portionFor.by === 'litres' ? netL : (numbers?.value ?? 0))) / care.portionFor.value
  }
  return byHand(portions)
}

/** Amounts that a hand can give: quarters of a piece up to two, halves up to five, then whole ones. */
const byHand = (portions: number): number => {
  const parts = portions < 2 ? 4 : portions < 5 ? 2 : 1
  return Math.max(CRUMB, Math.round(portions * parts) / parts)
}

/** The last portion, less or more by what became of it; what the numbers ask for when none was written down. */
function adapted(asked: number, given: EntryOf<'feeding'> | undefined, entries: readonly Entry[]): number {
  if (given?.portions === undefined) return asked
  const eaten = outcomeOf(given, entries)
  const next = given.portions * (eaten === 'leftOver' ? LESS : eaten === 'minutes' ? MORE : 1)
  const step = byHand(Math.min(MOST * asked, Math.max(LEAST * asked, next)))
  // a quarter less must not round back to the same
  return eaten === 'leftOver' && step >= given.portions
    ? Math.max(CRUMB, given.portions - (given.portions > 2 ? 1 : 0.25))
    : step
}

/** What became of a feeding: told with it, or by the next look before another feeding. */
function outcomeOf(given: EntryOf<'feeding'>, entries: readonly Entry[]): Eaten | null {
  if (given.eaten) return given.eaten
  for (const e of entries.slice(entries.indexOf(given) + 1)) {
    if (e.kind !== 'feeding') continue
    if (e.food !== undefined) return null
    if (e.eaten) return e.eaten
  }
  return null
}

/** When young were seen last, within the weeks in which they want powder; null otherwise. */
function youngSeen(colonies: readonly ColonyCare[], nowMs: number): number | null {
  const seen = colonies
    .filter(c => !c.group.group.care.youngApart && ['shrimp', 'crayfish'].includes(c.group.group.company.kind))
    .flatMap(c => last(c.entries, 'young') ?? [])
    .map(e => momentMs(e.at))
  const at = Math.max(...seen)
  return seen.length > 0 && at > nowMs - YOUNG_DAYS * DAY_MS ? at : null
}

/** After this long they are gone or have rotted, and the water tells. */
const FORGOTTEN_DAYS = 3

function leftovers(g: GlassCare, nowMs: number): DueItem[] {
  const given = last(g.entries, 'feeding', e => e.food !== undefined && LEFTOVER_HOURS[e.food] !== null)
  if (!given || momentMs(given.at) < nowMs - FORGOTTEN_DAYS * DAY_MS || given.removed) return []
  const after = g.entries
    .slice(g.entries.indexOf(given) + 1)
    .filter((e): e is EntryOf<'feeding'> => e.kind === 'feeding' && e.food === undefined)
  if (after.some(e => e.removed)) return []
  const eaten = given.eaten ?? after.at(-1)?.eaten
  if (eaten === 'minutes' || eaten === 'hour') return []
  const hours = LEFTOVER_HOURS[given.food!]!
  return [
    item({
      key: `leftovers:${g.glass.id}`,
      kind: 'leftovers',
      glassId: g.glass.id,
      dueMs:
        eaten === 'leftOver'
          ? Math.min(nowMs, momentMs((after.at(-1) ?? given).at))
          : momentMs(given.at) + hours * HOUR_MS,
      everyDays: null,
      earlyDays: 0,
      lateDays: 0.5,
      minutes: 1,
      flexible: false,
      timed: true,
      why: eaten === 'leftOver' ? 'leftoversSeen' : 'leftoversLie',
      whyValues: { food: given.food!, hours, since: (nowMs - momentMs(given.at)) / HOUR_MS },
      basis: M,
      values: { food: given.food! },
    }),
  ]
}
