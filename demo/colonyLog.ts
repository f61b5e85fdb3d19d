import { randomBinomial, randomNormal } from 'd3-random'
import { groupOf } from '#core/groups'
import { begun, type Colony, type CountMethod, DAY_MS, type Entry, type Glass, toMoment } from '#core/records'
import type { Random } from '#core/stats'
import type { Making } from './making'
import type { ColonyPlan } from './planShapes'
import { liveThrough } from './truth'

/** What one animal was sold for, by group. */
const PRICES: Readonly<Record<string, number>> = {
  neocaridina: 2.5,
  'bee-shrimp': 4,
  'ramshorn-snail': 0.4,
  'water-isopod': 0.5,
}

/** A colony of the room: its record, what was logged of it, and how many there truly were each day. */
export interface MadeColony {
  colony: Colony
  log: Entry[]
  n: number[]
}

/** What a log is written from. */
interface Writing {
  plan: ColonyPlan
  n: readonly number[]
  /** what an entry of a day begins with */
  base: (day: number, hour?: number) => ReturnType<Making['stamp']> & { colonyId: string }
  random: Random
  /** what keepers count on a day */
  count: (day: number, method: CountMethod, times?: number) => Entry
  /** the day so many weeks before the end */
  dayOf: (week: number) => number
}

/** Lives a colony through and lets its keepers write about it. */
export function makeColony(making: Making, plan: ColonyPlan, glass: Glass): MadeColony {
  const random = making.randomFor(plan.name)
  const look = looks(random)
  const { n, sold } = liveThrough(plan, random)
  const days = n.length - 1
  const began = making.untilMs - days * DAY_MS
  const colony: Colony = {
    ...begun(making.id(began), began),
    form: plan.form ?? 'colony',
    stays: [{ glassId: glass.id, from: toMoment(began) }],
    name: plan.name,
    groupId: plan.groupId,
    schools: plan.schools ?? {},
    startedAt: toMoment(began),
    founders: { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0, ...(plan.form ? {} : plan.founders) },
    targets: {},
    life: {},
    ...(plan.minimumKeep !== undefined && { minimumKeep: plan.minimumKeep }),
  }
  const base = (day: number, hour = 10) => {
    const ms = began + day * DAY_MS - DAY_MS / 2 + (hour * 3_600_000) / 2
    return { ...making.stamp(Math.min(ms, making.untilMs - 3_600_000), random), colonyId: colony.id }
  }
  const count = (day: number, method: CountMethod, times = 1): Entry => {
    const share = method === 'partOfTank' ? (plan.counts.share ?? 0.2) : undefined
    const found = look(n[day]!, { method, groupId: plan.groupId, part: share ?? 1 })
    const number = Math.max(0, Math.round(found * times))
    return { ...base(day), kind: 'count', number, method, ...(share !== undefined && { share }) }
  }
  const dayOf = (week: number) => Math.max(0, Math.round(days - week * 7))
  const writing = { plan, n, base, random, count, dayOf }
  const log = [
    ...counts(writing, making),
    ...sales(writing, sold),
    ...happenings(writing),
    ...mistakes(writing, making),
  ]
  return { colony, log, n }
}

/** Counts at their usual distance, give or take; none while the keepers are away. */
function counts({ plan, n, random, count }: Writing, { away }: Making): Entry[] {
  const { every, method } = plan.counts
  const days = n.length - 1
  const log: Entry[] = []
  for (let week = every; week <= plan.began - 0.2; week += every * (0.8 + 0.4 * random())) {
    const day = Math.round(week * 7)
    if (day <= days && !away(days - day)) log.push(count(day, method))
  }
  return log
}

function sales({ plan, base }: Writing, sold: readonly { day: number; number: number }[]): Entry[] {
  return sold.map(s => ({
    ...base(s.day, 12),
    kind: 'removal',
    number: s.number,
    outlet: plan.sales!.outlet,
    ...(plan.sales!.outlet === 'sold' && { price: Math.round(s.number * (PRICES[plan.groupId] ?? 2) * 100) / 100 }),
  }))
}

/** Arrivals, deaths and notes, as planned. */
function happenings({ plan, base, dayOf }: Writing): Entry[] {
  const arrived = (plan.arrivals ?? []).map((a): Entry => ({
    ...base(dayOf(a.week), 9),
    kind: 'addition',
    number: a.number,
    origin: 'ownRoom',
    text: a.text,
  }))
  const died = (plan.deathsLogged ?? []).map((d): Entry => ({
    ...base(dayOf(d.week), 14),
    kind: 'death',
    number: d.number,
    sign: d.sign,
    ...(d.text && { text: d.text }),
  }))
  const notes = (plan.notes ?? []).map((t): Entry => ({ ...base(dayOf(t.week), 15), kind: 'note', text: t.text }))
  return [...arrived, ...died, ...notes]
}

/** A count that is far off, and a slip of the pen that was put right. */
function mistakes({ plan, count, dayOf }: Writing, { id }: Making): Entry[] {
  const { wildCount, slip } = plan
  const log: Entry[] = []
  if (wildCount) log.push({ ...count(dayOf(wildCount.week), wildCount.method, wildCount.times), text: wildCount.text })
  const right = slip && count(dayOf(slip.week), 'allSeen')
  if (right?.kind === 'count') {
    const wrong: Entry = { ...right, number: right.number * 10 }
    const later = id(Date.parse(right.loggedAt) + 300_000)
    log.push(wrong, { ...right, id: later, supersedes: wrong.id, text: 'A nought too many.' })
  }
  return log
}

/** What keepers see of n animals: some of them are found, and how well differs from count to count. */
function looks(random: Random) {
  const normal = randomNormal.source(random)
  return (n: number, { method, groupId, part }: { method: CountMethod; groupId: string; part: number }): number => {
    const { counting } = groupOf(groupId)
    const known = method === 'atFood' || method === 'partOfTank' || method === 'estimate' ? method : 'allSeen'
    const { share, sdLog } = counting[known]
    if (method === 'estimate') {
      const step = n > 60 ? 10 : 1
      return Math.round((n * Math.exp(sdLog * 0.6 * normal()())) / step) * step
    }
    const found = Math.min(1, share * part * Math.exp(sdLog * 0.8 * normal()()))
    return randomBinomial.source(random)(Math.round(n), found)()
  }
}
