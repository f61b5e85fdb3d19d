import { randomBinomial, randomNormal } from 'd3-random'
import { v7 as uuid } from 'uuid'
import { groupOf } from '#core/groups'
import { type Backup, BACKUP_FORMAT, BACKUP_VERSION, noRows } from '#core/formats'
import {
  type Colony,
  type CountMethod,
  DAY_MS,
  Entry,
  type Glass,
  netLitres,
  type Order,
  type Plan,
  type Practice,
  possibleRange,
  type Rack,
  type Room,
  type Scenario,
  type ShelfItem,
  type Source,
  toMoment,
  usualBench,
  type ValueKey,
  valueKeys,
  begun,
} from '#core/records'
import { hashText, type Random, seededRandom } from '#core/stats'
import { blend, readingSd, sourceWater } from '#core/water'
import { type ColonyPlan, type GlassPlan, lanternQuayPlan, type WaterPlan } from './plan'
import { shelfPlans, sourcePlans } from './supplies'
import { keepRounds } from './rounds'
import { liveThrough } from './truth'

/**
 * The invented room with what is true of it. `truth` is for tests only: true numbers by colony id, one a day, the last
 * one today.
 */
export interface DemoRoom {
  backup: Backup
  truth: Record<string, number[]>
}

/** What to make: the same seed and day give the same bytes. */
export interface DemoOptions {
  seed: number
  /** last moment of the records, ms since 1970 */
  untilMs: number
}

/** What one animal was sold for, by group. */
const PRICES: Readonly<Record<string, number>> = {
  neocaridina: 2.5,
  'bee-shrimp': 4,
  'ramshorn-snail': 0.4,
  'water-isopod': 0.5,
}
const KEEPERS = ['A. R.', 'M. T.', 'S. O.']
/** Hour of the records' evening tests (UTC): the hidden pH swing shows only there. */
const DUSK_HOUR = 18

/**
 * Lantern Quay, an invented invertebrate room: racks, glasses and colonies with about fourteen months of counts and
 * water tests, with gaps and mistakes, from a hidden true simulation.
 */
export function lanternQuay({ seed, untilMs }: DemoOptions): DemoRoom {
  const maker = new Maker(seed, untilMs)
  const began = untilMs - 62 * 7 * DAY_MS
  const room: Room = {
    ...begun(maker.id(began), began),
    name: 'Lantern Quay',
    keepers: KEEPERS,
    bench: {
      ...usualBench,
      calibrations: {
        conductivityUsCm: {
          at: toMoment(untilMs - 41 * DAY_MS),
          points: [
            { raw: 88, truth: 84 },
            { raw: 1450, truth: 1413 },
          ],
        },
      },
    },
    care: { days: [2, 6], walk: [] },
    currency: '€',
  }
  const racks: Rack[] = []
  const glasses: Glass[] = []
  const colonies: Colony[] = []
  const entries: Entry[] = []
  const truth: Record<string, number[]> = {}
  const { sources, shelf } = maker.supplies(room.id, began)
  const plans: Plan[] = []
  const rounds = maker.roundDays()

  for (const [order, rackPlan] of lanternQuayPlan.entries()) {
    const rack: Rack = {
      ...begun(maker.id(began), began),
      roomId: room.id,
      name: rackPlan.name,
      kind: rackPlan.kind,
      shelves: rackPlan.shelves.length,
      order,
    }
    racks.push(rack)
    for (const [shelf, glassPlans] of rackPlan.shelves.entries()) {
      for (const [position, plan] of glassPlans.entries()) {
        const glassBegan = untilMs - weeksOf(plan) * 7 * DAY_MS
        const glass: Glass = {
          ...begun(maker.id(glassBegan), glassBegan),
          roomId: room.id,
          name: plan.name,
          kind: plan.kind,
          grossL: plan.grossL,
          fill: { by: 'height', share: plan.fillShare },
          place: { rackId: rack.id, shelf, position },
          ...(plan.inside && { inside: plan.inside }),
          ...(plan.substrate && { substrate: plan.substrate }),
          ...(plan.carbonateG !== undefined && { carbonateG: plan.carbonateG }),
          ...(plan.soilWeeks !== undefined && { soilSince: toMoment(untilMs - plan.soilWeeks * 7 * DAY_MS) }),
        }
        glasses.push(glass)
        entries.push(...maker.waterTests(plan, glass), ...maker.poured(plan, glass, sources))
        const living: { colony: Colony; n: number[] }[] = []
        if (plan.curing) plans.push(maker.plan(plan, glass, sources))
        for (const colonyPlan of plan.colonies) {
          const { colony, log, n } = maker.colony(colonyPlan, glass)
          colonies.push(colony)
          entries.push(...log)
          living.push({ colony, n })
          truth[colony.id] = n
        }
        entries.push(...maker.rounds(plan, glass, living, rounds))
      }
    }
  }
  entries.sort((a, b) => (a.id < b.id ? -1 : 1))
  const idOf = (name: string) => colonies.find(c => c.name === name)!.id
  return {
    backup: {
      ...noRows(),
      format: BACKUP_FORMAT,
      version: BACKUP_VERSION,
      exportedAt: toMoment(untilMs),
      rooms: [room],
      racks,
      glasses,
      colonies,
      sources,
      shelf,
      plans,
      scenarios: maker.scenarios(idOf),
      orders: maker.orders(room.id, idOf),
      practice: maker.practice(room.id),
      entries,
    },
    truth,
  }
}

/**
 * Makes the parts of one room with a generator per part, so that a change in one colony leaves the others as they are.
 */
class Maker {
  private readonly ids: Random
  constructor(
    private readonly seed: number,
    private readonly untilMs: number,
  ) {
    this.ids = seededRandom(seed)
  }

  id(ms: number): string {
    return uuid({ msecs: Math.round(ms), random: Uint8Array.from({ length: 16 }, () => Math.floor(this.ids() * 256)) })
  }

  colony(plan: ColonyPlan, glass: Glass): { colony: Colony; log: Entry[]; n: number[] } {
    const random = this.randomFor(plan.name)
    const normal = randomNormal.source(random)
    const { n, sold } = liveThrough(plan, random)
    const days = n.length - 1
    const began = this.untilMs - days * DAY_MS
    const colony: Colony = {
      ...begun(this.id(began), began),
      form: 'colony',
      stays: [{ glassId: glass.id, from: toMoment(began) }],
      name: plan.name,
      groupId: plan.groupId,
      schools: plan.schools ?? {},
      startedAt: toMoment(began),
      founders: { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0, ...plan.founders },
      targets: {},
      life: {},
      ...(plan.minimumKeep !== undefined && { minimumKeep: plan.minimumKeep }),
    }
    const log: Entry[] = []
    const base = (day: number, hour = 10) => {
      const at = began + day * DAY_MS - DAY_MS / 2 + (hour * 3_600_000) / 2
      const ms = Math.min(at, this.untilMs - 3_600_000)
      return {
        id: this.id(ms),
        at: toMoment(ms),
        loggedAt: toMoment(ms),
        keeper: KEEPERS[Math.floor(random() * KEEPERS.length)]!,
        colonyId: colony.id,
      }
    }
    const count = (day: number, method: CountMethod, times = 1): Entry => {
      const share = method === 'partOfTank' ? (plan.counts.share ?? 0.2) : undefined
      const number = Math.max(
        0,
        Math.round(this.seen(n[day]!, method, plan.groupId, share ?? 1, random, normal) * times),
      )
      return { ...base(day), kind: 'count', number, method, ...(share !== undefined && { share }) }
    }

    const { every, method } = plan.counts
    for (let week = every; week <= plan.began - 0.2; week += every * (0.8 + 0.4 * random())) {
      const day = Math.round(week * 7)
      if (day > days || this.away(days - day)) continue
      log.push(count(day, method))
    }
    for (const s of sold)
      log.push({
        ...base(s.day, 12),
        kind: 'removal',
        number: s.number,
        outlet: plan.sales!.outlet,
        ...(plan.sales!.outlet === 'sold' && { price: Math.round(s.number * (PRICES[plan.groupId] ?? 2) * 100) / 100 }),
      })
    const dayOf = (week: number) => Math.max(0, Math.round(days - week * 7))
    for (const a of plan.arrivals ?? [])
      log.push({ ...base(dayOf(a.week), 9), kind: 'addition', number: a.number, origin: 'ownRoom', text: a.text })
    for (const d of plan.deathsLogged ?? [])
      log.push({
        ...base(dayOf(d.week), 14),
        kind: 'death',
        number: d.number,
        sign: d.sign,
        ...(d.text && { text: d.text }),
      })
    for (const t of plan.notes ?? []) log.push({ ...base(dayOf(t.week), 15), kind: 'note', text: t.text })
    const { wildCount, slip } = plan
    if (wildCount)
      log.push({ ...count(dayOf(wildCount.week), wildCount.method, wildCount.times), text: wildCount.text })
    if (slip) {
      const right = count(dayOf(slip.week), 'allSeen')
      if (right.kind === 'count') {
        const wrong: Entry = { ...right, number: right.number * 10 }
        log.push(wrong, {
          ...right,
          id: this.id(Date.parse(right.loggedAt) + 300_000),
          supersedes: wrong.id,
          text: 'A nought too many.',
        })
      }
    }
    return { colony, log, n }
  }

  waterTests(plan: GlassPlan, glass: Glass): Entry[] {
    const random = this.randomFor(`water of ${plan.name}`)
    const normal = randomNormal.source(random)
    const weeks = Math.min(60, weeksOf(plan))
    const entries: Entry[] = []
    const due = new Map<ValueKey, number>()
    const phase = random() * 0.8
    for (let left = weeks; left >= 0.1; left -= 1) {
      const weeksLeft = Math.max(0.1, left - phase)
      if (this.away(weeksLeft * 7) || random() < 0.08) continue
      const dusk = random() < 0.4
      const ms = Math.round(this.untilMs - weeksLeft * 7 * DAY_MS)
      const at = new Date(ms)
      at.setUTCHours(dusk ? DUSK_HOUR : 7, Math.floor(random() * 60), 0, 0)
      const readings: Partial<Record<ValueKey, { value: number; method: WaterPlan['method'] }>> = {}
      for (const key of valueKeys) {
        const value = plan.water[key]
        if (!value || left > (due.get(key) ?? Infinity) || weeksLeft < (value.stopped ?? 0)) continue
        due.set(key, left - value.every)
        const truth = trueValue(value, weeksLeft, at, dusk)
        const noisy = truth + readingSd(key, value.method, truth) * 0.6 * normal()()
        readings[key] = { value: rounded(key, value.method, noisy), method: value.method }
      }
      if (Object.keys(readings).length === 0 || at.getTime() > this.untilMs) continue
      entries.push(
        Entry.parse({
          id: this.id(at.getTime()),
          at: at.toISOString(),
          loggedAt: at.toISOString(),
          keeper: KEEPERS[Math.floor(random() * KEEPERS.length)]!,
          glassId: glass.id,
          kind: 'waterTest',
          readings,
        }),
      )
    }
    return entries
  }

  /** Sources and shelf of the room. */
  supplies(roomId: string, began: number): { sources: Source[]; shelf: ShelfItem[] } {
    const at = (weeksAgo: number) => toMoment(this.untilMs - weeksAgo * 7 * DAY_MS)
    return {
      sources: sourcePlans.map(({ analyses, ...s }) => ({
        ...begun(this.id(began), began),
        roomId,
        ...s,
        analyses: analyses.map(a => ({ at: at(a.weeksAgo), by: a.by, values: a.values })),
      })),
      shelf: shelfPlans.map(s => ({ ...begun(this.id(began), began), roomId, ...s })),
    }
  }

  /** Changes and top-ups as the keepers wrote them down. */
  poured(plan: GlassPlan, glass: Glass, sources: readonly Source[]): Entry[] {
    const random = this.randomFor(`poured into ${plan.name}`)
    const net = netLitres(glass)
    const entries: Entry[] = []
    const write = (weeksLeft: number, rest: object) => {
      const ms = Math.round(this.untilMs - weeksLeft * 7 * DAY_MS - random() * 0.6 * DAY_MS)
      entries.push(
        Entry.parse({
          id: this.id(ms),
          at: toMoment(ms),
          loggedAt: toMoment(ms),
          keeper: KEEPERS[Math.floor(random() * KEEPERS.length)]!,
          glassId: glass.id,
          ...rest,
        }),
      )
    }
    const { changes, topUps } = plan
    const skipped = (week: number) => this.away(week * 7) || random() < 0.06
    if (changes)
      for (let week = changes.from; week > 0.4; week -= changes.every)
        if (!skipped(week)) write(week, { kind: 'waterChange', litres: Number((net * changes.share).toFixed(1)) })
    if (topUps) {
      const [pure, tap] = sources as [Source, Source]
      for (let week = topUps.from; week > 0.3; week -= 1) {
        if (skipped(week)) continue
        const withTap = topUps.tap && week <= topUps.tap.from ? topUps.tap.litres : 0
        const pours = [
          { source: pure, litres: topUps.pureL - withTap },
          { source: tap, litres: withTap },
        ].filter(p => p.litres > 0)
        write(week, {
          kind: 'topUp',
          litres: topUps.pureL,
          poured: pours.map(p => ({ sourceId: p.source.id, name: p.source.name, litres: p.litres })),
          water: blend(pours.map(p => ({ water: sourceWater(p.source)!.water, litres: p.litres }))),
        })
      }
    }
    return entries
  }

  /** What was tried in the Outlook and kept. */
  scenarios(idOf: (name: string) => string): Scenario[] {
    const at = this.untilMs - 20 * DAY_MS
    const saved = (colonyId: string, name: string, change: Scenario['change']): Scenario => ({
      ...begun(this.id(at), at),
      colonyId,
      name,
      change,
    })
    return [
      saved(idOf('Ember A'), 'Cool for the winter', { temperatureC: 20.5 }),
      saved(idOf('Ember A'), 'Four out each week', { weekly: { of: 'halfGrown', number: 4 } }),
    ]
  }

  /** Who wants animals. */
  orders(roomId: string, idOf: (name: string) => string): Order[] {
    const at = this.untilMs - 9 * DAY_MS
    const order = (
      who: string,
      colony: string,
      number: number,
      of: Order['of'],
      days: number,
      priceEach: number,
    ): Order => ({
      ...begun(this.id(at), at),
      roomId,
      colonyId: idOf(colony),
      who,
      number,
      of,
      dueAt: toMoment(this.untilMs + days * DAY_MS),
      priceEach,
      state: 'open',
    })
    return [
      order('B. N.', 'Ember A', 30, 'halfGrown', 17, 2.5),
      order('The school', 'Barley', 12, 'any', 10, 2),
      order('C. L.', 'Fen isopods', 40, 'any', 24, 0.5),
    ]
  }

  /** What the keepers counted in the practice tank; the keeper of the demo has no initials yet. */
  practice(roomId: string): Practice[] {
    const random = this.randomFor('practice')
    return Array.from({ length: 9 }, (_, i) => {
      const at = this.untilMs - (60 - 6 * i) * DAY_MS
      const shown = [12, 24, 38, 70, 31, 9, 55, 26, 18][i]!
      const found = Math.round(shown * (0.93 - 0.0011 * shown + 0.06 * (random() - 0.5)))
      return {
        ...begun(this.id(at), at),
        roomId,
        shown,
        density: shown / 6,
        stage: i % 3 === 2 ? ('halfGrown' as const) : ('grown' as const),
        found,
        strays: random() < 0.3 ? 1 : 0,
      }
    })
  }

  /** Two rounds a week for four months, newest first; the last one a day and a half ago. */
  roundDays(): { id: string; ms: number }[] {
    return Array.from({ length: 34 }, (_, i) => {
      const ms = Math.round(this.untilMs - (1.5 + 3.5 * i) * DAY_MS)
      return { id: this.id(ms), ms }
    })
  }

  /** What was written on the rounds. */
  rounds(
    plan: GlassPlan,
    glass: Glass,
    colonies: { colony: Colony; n: number[] }[],
    rounds: { id: string; ms: number }[],
  ): Entry[] {
    const random = this.randomFor(`rounds past ${plan.name}`)
    return keepRounds({
      plan,
      glass,
      colonies,
      untilMs: this.untilMs,
      rounds,
      random,
      away: days => this.away(days),
    }).map(({ ms, rest }) =>
      Entry.parse({
        id: this.id(ms),
        at: toMoment(ms),
        loggedAt: toMoment(ms),
        keeper: KEEPERS[Math.floor(random() * KEEPERS.length)]!,
        ...rest,
      }),
    )
  }

  /** The plan behind a glass that is being cured. */
  plan(plan: GlassPlan, glass: Glass, sources: readonly Source[]): Plan {
    const { weeks, groupId, planName, starters } = plan.curing!
    const started = this.untilMs - weeks * 7 * DAY_MS
    const at = toMoment(started)
    return {
      ...begun(this.id(started), started),
      roomId: glass.roomId,
      name: planName,
      groupIds: [groupId],
      schools: {},
      tank: {
        kind: plan.kind,
        grossL: plan.grossL,
        fillShare: plan.fillShare,
        inside: plan.inside,
        substrate: plan.substrate,
        carbonateGL: 0,
        filterRatedL: 40,
        cover: true,
        intakeGuard: true,
        lightHours: 8,
        leaves: 3,
      },
      starters: [starters],
      sourceId: sources[1]!.id,
      startsAt: at,
      done: {
        legal: at,
        place: at,
        substrate: at,
        equipment: at,
        fill: at,
        start: at,
        firstTest: toMoment(started + 7 * DAY_MS),
        grown: toMoment(started + 20 * DAY_MS),
      },
      seen: { biofilm: true, algae: false },
      glassId: glass.id,
    }
  }

  /** What keepers see of n animals: some of them are found, and how well differs from count to count. */
  private seen(
    n: number,
    method: CountMethod,
    groupId: string,
    part: number,
    random: Random,
    normal: (mu?: number, sigma?: number) => () => number,
  ): number {
    const { share, sdLog } =
      groupOf(groupId).counting[
        method === 'atFood' || method === 'partOfTank' || method === 'estimate' ? method : 'allSeen'
      ]
    if (method === 'estimate')
      return Math.round((n * Math.exp(sdLog * 0.6 * normal()())) / (n > 60 ? 10 : 1)) * (n > 60 ? 10 : 1)
    const found = Math.min(1, share * part * Math.exp(sdLog * 0.8 * normal()()))
    return randomBinomial.source(random)(Math.round(n), found)()
  }

  /** The co-op's shared holiday in August and one missed stretch: days before the end. */
  private away(daysLeft: number): boolean {
    return (daysLeft > 96 && daysLeft < 114) || (daysLeft > 232 && daysLeft < 243)
  }

  private randomFor(part: string): Random {
    return seededRandom(hashText(`${this.seed} ${part}`))
  }
}

/** How many weeks ago a glass was set up. */
const weeksOf = (plan: GlassPlan): number => Math.max(plan.curing?.weeks ?? 0, ...plan.colonies.map(c => c.began))

function trueValue(plan: WaterPlan, weeksLeft: number, at: Date, dusk: boolean): number {
  const drift = plan.drift && weeksLeft < plan.drift.from ? plan.drift.perWeek * (plan.drift.from - weeksLeft) : 0
  const month = at.getUTCMonth() + at.getUTCDate() / 31
  return (
    plan.base + drift + (plan.season ?? 0) * Math.cos(((month - 7.5) / 6) * Math.PI) + (dusk ? (plan.dusk ?? 0) : 0)
  )
}

/** Kits are read to half a degree, strips to whole steps, probes to their last digit. */
function rounded(key: ValueKey, method: WaterPlan['method'], value: number): number {
  const step =
    key === 'conductivityUsCm' || key === 'humidityPct'
      ? 1
      : key === 'nitrateMgL'
        ? 1
        : method === 'strip'
          ? 1
          : key === 'ghDh' || key === 'khDh'
            ? 0.2
            : 0.1
  const [low, high] = possibleRange[key]
  return Math.min(high, Math.max(low, Number((Math.round(value / step) * step).toFixed(2))))
}
