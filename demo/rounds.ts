import { randomPoisson } from 'd3-random'
import { groupOf, resolveGroup } from '#core/groups'
import { type Colony, DAY_MS, type Glass, netLitres, type Source } from '#core/records'
import { moltCourse } from '#core/molts'
import type { Random } from '#core/stats'
import { bucketFor } from './buckets'
import type { GlassPlan } from './planShapes'

/** A line that the keepers of the invented room wrote on a round: when, and what. */
export interface RoundLine {
  ms: number
  rest: Record<string, unknown>
}

export interface RoundsInput {
  plan: GlassPlan
  sources: readonly Source[]
  glass: Glass
  /** colonies in it with their true numbers, one a day, the last one today */
  colonies: readonly { colony: Colony; n: readonly number[] }[]
  untilMs: number
  /** ids of the rounds, newest first, with their moments */
  rounds: readonly { id: string; ms: number }[]
  random: Random
  away: (daysLeft: number) => boolean
}

/** Share of the shed skins that anybody finds, and of grown females that carry eggs at a time. */
const SKINS_FOUND = 0.3
const BERRIED = 0.07
/** Days back in which every feeding was written down, and those before which the weekly looks begin. */
const FEEDINGS_DAYS = 20

/** What a line is written with. */
interface Writing extends RoundsInput {
  write: (ms: number, rest: Record<string, unknown>) => void
  poisson: (mean: number) => number
  beganMs: number
  /** whether something goes wrong with a colony of late */
  trouble: boolean
}

/**
 * What keepers write when they walk past their glasses twice a week: feedings, skins, berried females, equipment,
 * changes.
 */
export function keepRounds(input: RoundsInput): RoundLine[] {
  const { plan, colonies, untilMs, rounds, random, away } = input
  if (colonies.length === 0) return []
  const lines: RoundLine[] = []
  const poissonFrom = randomPoisson.source(random)
  const writing: Writing = {
    ...input,
    write: (ms, rest) => {
      if (ms < untilMs) lines.push({ ms: Math.round(ms), rest })
    },
    poisson: mean => poissonFrom(Math.max(0.01, mean))(),
    beganMs: Math.min(...colonies.map(c => Date.parse(c.colony.startedAt))),
    trouble: plan.colonies.some(c => c.turn),
  }
  for (const [i, round] of rounds.entries())
    if (round.ms >= writing.beganMs && !away((untilMs - round.ms) / DAY_MS)) walkPast(writing, i)
  feed(writing)
  tend(
    writing,
    lines.some(l => l.rest.kind === 'young'),
  )
  return lines
}

/** One round at the glass: the visit, the equipment every other time, and what was seen of each colony. */
function walkPast({ write, ...rest }: Writing, index: number): void {
  const { plan, glass, colonies, rounds, random } = rest
  const round = rounds[index]!
  const ms = round.ms + random() * 3_600_000
  const ofGlass = { glassId: glass.id }
  write(ms, { ...ofGlass, kind: 'visit', roundId: round.id, outcome: 'looked' })
  // every other round takes the torch to covers and sponges
  if (index % 2 === 1 || index === 0)
    write(ms + 1000, {
      ...ofGlass,
      kind: 'equipment',
      found:
        plan.broken && index === 0
          ? { intake: 'broken', flow: 'fine' }
          : { cover: 'fine', intake: 'fine', flow: 'fine', heater: 'fine' },
    })
  for (const lived of colonies) seeColony({ write, ...rest }, lived, { index, ms })
}

/** Skins, berried females, egg masses and young of one colony, as a keeper sees them. */
function seeColony(
  { write, poisson, random, untilMs, trouble }: Writing,
  { colony, n }: RoundsInput['colonies'][number],
  { index, ms }: { index: number; ms: number },
): void {
  const { care, life } = groupOf(colony.groupId)
  const ofColony = { colonyId: colony.id }
  const now = n[Math.max(0, n.length - 1 - Math.round((untilMs - ms) / DAY_MS))] ?? 0
  const molts = care.molts ? shedIn(care.molts, now, 3.5) : 0
  const ill = trouble && index < 10
  const found = molts > 0 ? poisson(molts * SKINS_FOUND * (ill ? 0.5 : 1)) : 0
  if (found > 0) write(ms + 2000, { ...ofColony, kind: 'molts', number: found })
  if (care.brood?.sign === 'berried' && index % 2 === 0) {
    const number = poisson(0.5 * now * BERRIED * (ill ? 0.2 : 1))
    write(ms + 3000, { ...ofColony, kind: 'berried', number, ...(number > 2 && random() < 0.3 && { eyed: 1 }) })
  }
  if (care.brood?.sign === 'eggMass' && index % 3 === 0)
    write(ms + 3000, { ...ofColony, kind: 'eggMass', number: poisson(1 + 0.03 * now) })
  if (care.brood && care.brood.sign !== 'clutch' && !care.youngApart && !trouble && index % 5 === 2) {
    const amount = random() < 0.5 ? 'few' : 'many'
    // larvae that need the sea are never seen as young
    if (life.breedsInPlace) write(ms + 4000, { ...ofColony, kind: 'young', amount })
  }
}

/** Skins that so many shed in some days, a third of them young. */
function shedIn(molts: Parameters<typeof moltCourse>[0], all: number, days: number): number {
  const week = { untilMs: days * DAY_MS, all, grown: 0.65 * all, sdLog: 0, pace: 1 }
  return moltCourse(molts, 0, [week]).reduce((sum, s) => sum + s.grown + s.young, 0)
}

/** The feedings of the last weeks, in the rhythm and portion of the first colony's school. */
function feed({ write, glass, colonies, untilMs, beganMs, random, away }: Writing): void {
  const { feed, group } = resolveGroup(colonies[0]!.colony)
  const { care } = group
  const numbers = colonies[0]!.n.at(-1)!
  const asked = (feed.portion * (care.portionFor.by === 'litres' ? netLitres(glass) : numbers)) / care.portionFor.value
  const portions = asked < 2 ? Math.max(0.25, Math.round(asked * 4) / 4) : Math.round(asked)
  const rhythm = Math.max(1, feed.everyDays)
  for (let days = 0.7 + random() * 0.2; days < FEEDINGS_DAYS; days += rhythm) {
    const ms = untilMs - days * DAY_MS
    if (ms < beganMs || away(days) || random() < 0.06) continue
    const luck = random()
    write(ms, {
      glassId: glass.id,
      kind: 'feeding',
      food: care.food,
      portions,
      eaten: luck < 0.78 ? 'hour' : luck < 0.9 ? 'minutes' : 'leftOver',
      ...(luck >= 0.9 && { removed: true }),
    })
  }
}

/** What comes in a rhythm of its own: powder for young, greens, leaves, calcium, water; and clutches of the plan. */
function tend(writing: Writing, young: boolean): void {
  const { write, plan, glass, colonies, untilMs, beganMs, random, away } = writing
  const every = (days: number, back: number, rest: Record<string, unknown>) => {
    for (let d = days * (0.3 + 0.6 * random()); d < back; d += days)
      if (!away(d) && untilMs - d * DAY_MS > beganMs) write(untilMs - d * DAY_MS, { glassId: glass.id, ...rest })
  }
  const net = netLitres(glass)
  const bucket = (kind: 'waterChange' | 'topUp', exact: number) => {
    const litres = Number(exact.toFixed(1))
    return { kind, litres, ...bucketFor(plan, kind, litres, writing.sources) }
  }
  const { change, group } = resolveGroup(colonies[0]!.colony)
  const wanted = (of: (c: typeof group.care) => { value: number } | undefined) =>
    colonies.flatMap(c => of(groupOf(c.colony.groupId).care)?.value ?? []).sort((a, b) => a - b)[0]
  const [greens, leaves, calcium] = [wanted(c => c.greensDays), wanted(c => c.leavesDays), wanted(c => c.calciumDays)]
  if (young) every(1, 9, { kind: 'feeding', food: 'powder', portions: 1 })
  if (greens) every(greens, 60, { kind: 'feeding', food: 'greens', portions: 1, eaten: 'hour', removed: true })
  if (leaves)
    every(leaves, 80, {
      kind: 'supplement',
      what: 'leaves',
      number: Math.max(1, Math.round((group.setup.leavesPer20L.value * net) / 20)),
    })
  if (calcium) every(calcium, 90, { kind: 'supplement', what: 'calcium' })
  if (change && !plan.changes) every(change.everyDays, 84, bucket('waterChange', net * change.share))
  if (!change && !plan.topUps) every(4.5, 60, bucket('topUp', Math.max(0.1, net * 0.03)))
  for (const c of plan.clutches ?? [])
    write(untilMs - c.daysAgo * DAY_MS, {
      colonyId: colonies[0]!.colony.id,
      kind: 'clutch',
      event: 'laid',
      place: c.place,
      ...(c.text && { text: c.text }),
    })
}
