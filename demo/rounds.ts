import { randomPoisson } from 'd3-random'
import { groupOf, resolveGroup } from '#core/groups'
import { type Colony, DAY_MS, type Glass, netLitres } from '#core/records'
import { expectedMolts } from '#core/molts'
import type { Random } from '#core/stats'
import type { GlassPlan } from './planShapes'

/** A line that the keepers of the invented room wrote on a round: when, and what. */
export interface RoundLine {
  ms: number
  rest: Record<string, unknown>
}

export interface RoundsInput {
  plan: GlassPlan
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

/**
 * What keepers write when they walk past their glasses twice a week: feedings, skins, berried females, equipment,
 * changes.
 */
export function keepRounds({ plan, glass, colonies, untilMs, rounds, random, away }: RoundsInput): RoundLine[] {
  if (colonies.length === 0) return []
  const lines: RoundLine[] = []
  const poisson = randomPoisson.source(random)
  const write = (ms: number, rest: Record<string, unknown>) => {
    if (ms < untilMs) lines.push({ ms: Math.round(ms), rest })
  }
  const ofGlass = { glassId: glass.id }
  const began = Math.min(...colonies.map(c => Date.parse(c.colony.startedAt)))
  const net = netLitres(glass)
  const trouble = plan.colonies.some(c => c.turn)

  for (const [i, round] of rounds.entries()) {
    if (round.ms < began || away((untilMs - round.ms) / DAY_MS)) continue
    const ms = round.ms + random() * 3_600_000
    write(ms, { ...ofGlass, kind: 'visit', roundId: round.id, outcome: 'looked' })
    // every other round takes the torch to covers and sponges
    if (i % 2 === 1 || i === 0)
      write(ms + 1000, {
        ...ofGlass,
        kind: 'equipment',
        found:
          plan.broken && i === 0
            ? { intake: 'broken', flow: 'fine' }
            : { cover: 'fine', intake: 'fine', flow: 'fine', heater: 'fine' },
      })
    for (const { colony, n } of colonies) {
      const { care } = groupOf(colony.groupId)
      const now = n[Math.max(0, n.length - 1 - Math.round((untilMs - ms) / DAY_MS))] ?? 0
      const molts = expectedMolts(care.molts, { value: now, low: now, high: now }, 3.5)
      const found = molts ? poisson(Math.max(0.01, molts.value * SKINS_FOUND * (trouble && i < 10 ? 0.5 : 1)))() : 0
      if (found > 0) write(ms + 2000, { colonyId: colony.id, kind: 'molts', number: found })
      if (care.brood?.sign === 'berried' && i % 2 === 0) {
        const berried = poisson(Math.max(0.01, 0.5 * now * BERRIED * (trouble && i < 10 ? 0.2 : 1)))()
        write(ms + 3000, {
          colonyId: colony.id,
          kind: 'berried',
          number: berried,
          ...(berried > 2 && random() < 0.3 && { eyed: 1 }),
        })
      }
      if (care.brood?.sign === 'eggMass' && i % 3 === 0)
        write(ms + 3000, { colonyId: colony.id, kind: 'eggMass', number: poisson(1 + 0.03 * now)() })
      if (care.brood && care.brood.sign !== 'clutch' && !care.youngApart && !trouble && i % 5 === 2)
        write(ms + 4000, { colonyId: colony.id, kind: 'young', amount: random() < 0.5 ? 'few' : 'many' })
    }
  }

  const group = resolveGroup(colonies[0]!.colony)
  const { feed } = group
  const { care, setup } = group.group
  const numbers = colonies[0]!.n.at(-1)!
  const asked = (feed.portion * (care.portionFor.by === 'litres' ? net : numbers)) / care.portionFor.value
  const portions = asked < 2 ? Math.max(0.25, Math.round(asked * 4) / 4) : Math.round(asked)
  const rhythm = Math.max(1, feed.everyDays)
  for (let days = 0.7 + random() * 0.2; days < FEEDINGS_DAYS; days += rhythm) {
    const ms = untilMs - days * DAY_MS
    if (ms < began || away(days) || random() < 0.06) continue
    const luck = random()
    write(ms, {
      ...ofGlass,
      kind: 'feeding',
      food: care.food,
      portions,
      eaten: luck < 0.78 ? 'hour' : luck < 0.9 ? 'minutes' : 'leftOver',
      ...(luck >= 0.9 && { removed: true }),
    })
  }
  const every = (days: number, back: number, rest: Record<string, unknown>) => {
    for (let d = days * (0.3 + 0.6 * random()); d < back; d += days)
      if (!away(d) && untilMs - d * DAY_MS > began) write(untilMs - d * DAY_MS, { ...ofGlass, ...rest })
  }
  const wanted = (of: (c: typeof care) => { value: number } | undefined) =>
    colonies.flatMap(c => of(groupOf(c.colony.groupId).care)?.value ?? []).sort((a, b) => a - b)[0]
  const [greens, leaves, calcium] = [wanted(c => c.greensDays), wanted(c => c.leavesDays), wanted(c => c.calciumDays)]
  if (lines.some(l => l.rest.kind === 'young')) every(1, 9, { kind: 'feeding', food: 'powder', portions: 1 })
  if (greens) every(greens, 60, { kind: 'feeding', food: 'greens', portions: 1, eaten: 'hour', removed: true })
  if (leaves)
    every(leaves, 80, {
      kind: 'supplement',
      what: 'leaves',
      number: Math.max(1, Math.round((setup.leavesPer20L.value * net) / 20)),
    })
  if (calcium) every(calcium, 90, { kind: 'supplement', what: 'calcium' })
  if (group.change && !plan.changes)
    every(group.change.everyDays, 84, { kind: 'waterChange', litres: Number((net * group.change.share).toFixed(1)) })
  if (!group.change && !plan.topUps)
    every(4.5, 60, { kind: 'topUp', litres: Number(Math.max(0.1, net * 0.03).toFixed(1)) })
  for (const c of plan.clutches ?? [])
    write(untilMs - c.daysAgo * DAY_MS, {
      colonyId: colonies[0]!.colony.id,
      kind: 'clutch',
      event: 'laid',
      place: c.place,
      ...(c.text && { text: c.text }),
    })
  return lines
}
