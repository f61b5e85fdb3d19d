import { randomGamma, randomNormal } from 'd3-random'
import { colonyBroods } from '#core/broods'
import { preferredC, type ResolvedGroup, resolveGroup } from '#core/groups'
import { DAY_MS, type Entry, Entry as EntrySchema, toMoment } from '#core/records'
import { hashText, type Random, seededRandom } from '#core/stats'
import { middle, shareOf } from './summing'

/**
 * Single broods of keepers whose pace differs by a tenth. Eggs go by degree-days above a threshold, hour by hour of a
 * day that is warm at noon; lengths are of a gamma law; eyes come at a share of the development that differs from brood
 * to brood. A keeper looks every two to nine days, misses one look in twelve, sees eyes half of the time, and reads the
 * thermometer once a week. What reckons the windows knows nothing of this.
 */

const START = Date.parse('2025-01-10T08:00:00.000Z')
const groups = [
  'neocaridina',
  'bee-shrimp',
  'amphidromous-shrimp',
  'dwarf-crayfish',
  'ramshorn-snail',
  'apple-snail',
] as const

/** What became of one window. */
export interface HatchResult {
  groupId: string
  /** whether six broods of this keeper were watched before */
  watched: boolean
  /** whether the hatch lay in the likely range; its width and how far its middle was off, in days */
  held: boolean
  width: number
  off: number
}

/** A keeper with a room: warmth that wanders and goes by the year and the day, a thermometer, eyes. */
interface Keeper {
  pace: number
  resolved: ResolvedGroup
  /** °C at an hour since the start */
  warmth: (hour: number) => number
  threshold: number
  random: Random
  normal: () => number
}

const LONGEST_DAYS = 700

function keeperOf(groupId: string, random: Random): Keeper {
  const normal = randomNormal.source(random)()
  const resolved = resolveGroup({ groupId, schools: {}, targets: {}, life: {} })
  const usual = preferredC(resolved) + 0.8 * normal()
  const [phase, swing] = [365 * random(), 0.2 + 0.5 * random()]
  const weather: number[] = [0]
  for (let day = 1; day < LONGEST_DAYS; day++) weather.push(0.85 * weather[day - 1]! + 0.25 * normal())
  return {
    pace: Math.exp(0.1 * normal()),
    resolved,
    warmth: hour =>
      usual +
      Math.sin((2 * Math.PI * (hour / 24 - phase)) / 365) +
      weather[Math.min(LONGEST_DAYS - 1, Math.floor(hour / 24))]! +
      swing * Math.sin((2 * Math.PI * (hour - 9)) / 24),
    // a threshold that gives about the group's Q10 where it is kept
    threshold: preferredC(resolved) - 10 / Math.log(resolved.group.stages.q10.value),
    random,
    normal,
  }
}

/** Spread between the broods of one keeper: a clutch in the air differs more than one that is carried. */
const spreadOf = (sign: string) => (sign === 'clutch' ? 0.12 : 0.09)

/** The day on which a brood hatches that was laid on a day. */
function hatchDay({ pace, resolved, warmth, threshold, random }: Keeper, laid: number, sign: string): number {
  const shape = 1 / spreadOf(sign) ** 2
  const own = randomGamma.source(random)(shape)() / shape
  const needed = 7 * resolved.group.stages.eggWeeks.value * pace * own * (preferredC(resolved) - threshold)
  let sum = 0
  for (let hour = Math.round(24 * laid); ; hour++) {
    sum += Math.max(0, warmth(hour) - threshold) / 24
    if (sum >= needed) return hour / 24
  }
}

/** What the keeper writes of one brood, from before it began until it is asked about or has hatched. */
function logBrood(
  keeper: Keeper,
  { laid, hatches, sign }: { laid: number; hatches: number; sign: string },
  write: (day: number, rest: object) => string,
): { firstSeen: number } | null {
  const { random } = keeper
  const eyesAt = laid + (hatches - laid) * (0.62 + 0.16 * random())
  let firstSeen: number | null = null
  let clutchId = ''
  for (let day = laid - 6 * random() - 3; day < hatches + 9; day += 2 + 7 * random()) {
    const there = day >= laid && day < hatches
    const seen = there && random() > 1 / 12
    if (sign === 'clutch') {
      if (seen && !clutchId)
        clutchId = write((firstSeen = Math.min(day, laid + 1.4 * random())), { kind: 'clutch', event: 'laid' })
      else if (seen) write(day, { kind: 'clutch', event: 'checked', clutchId })
      else if (clutchId && day >= hatches) {
        write(day, { kind: 'clutch', event: 'hatched', clutchId, young: 80 })
        break
      }
    } else {
      const eyed = sign === 'berried' && seen && random() < 0.5 ? { eyed: day >= eyesAt ? 1 : 0 } : {}
      write(day, { kind: sign, number: seen ? 1 : 0, ...eyed })
      if (seen) firstSeen ??= day
      if (day >= hatches) break
    }
  }
  return firstSeen === null ? null : { firstSeen }
}

function lived(groupId: string, seed: number, watched: boolean): HatchResult | null {
  const random = seededRandom(hashText(`hatch ${groupId} ${watched} ${seed}`))
  const keeper = keeperOf(groupId, random)
  const sign = keeper.resolved.group.care.brood!.sign
  const entries: Entry[] = []
  let id = 0
  const write = (day: number, rest: object) => {
    const at = toMoment(START + day * DAY_MS)
    const entry = EntrySchema.parse({ id: uuid(++id, seed), at, loggedAt: at, colonyId: uuid(0, 1), ...rest })
    entries.push(entry)
    return entry.id
  }
  let laid = 10
  for (let nth = 0; nth < (watched ? 6 : 0); nth++) {
    const hatches = hatchDay(keeper, laid, sign)
    logBrood(keeper, { laid, hatches, sign }, write)
    laid = hatches + 14 + 10 * random()
  }
  const hatches = hatchDay(keeper, laid, sign)
  const seen = logBrood(keeper, { laid, hatches, sign }, write)
  const asked = seen && seen.firstSeen + 2 + 6 * random()
  // who asks when all is over, or never saw it, asks nothing
  if (!asked || asked >= hatches) return null
  const nowMs = START + asked * DAY_MS
  const temperatures = Array.from({ length: Math.floor(asked / 7) }, (_, week) => ({
    at: START + 7 * week * DAY_MS,
    value: Math.round(2 * (keeper.warmth(24 * 7 * week + 10) + 0.3 * keeper.normal())) / 2,
  }))
  const broods = colonyBroods({ resolved: keeper.resolved, entries, temperatures, rooms: null, nowMs })!
  const line = broods.lines.at(-1)
  if (!line) return null
  const truth = START + hatches * DAY_MS
  const { earliestMs, likelyMs, latestMs } = line.hatch
  return {
    groupId,
    watched,
    held: truth >= earliestMs && truth <= latestMs,
    width: (latestMs - earliestMs) / DAY_MS,
    off: (likelyMs - truth) / DAY_MS,
  }
}

const uuid = (n: number, seed: number) =>
  `00000000-0000-7000-8000-${(seed % 65536).toString(16).padStart(4, '0')}${n.toString(16).padStart(8, '0')}`

/** Windows of broods of keepers of whom nothing is known, and of such whose last six broods were watched. */
export const watchBroods = (seeds: readonly number[]): HatchResult[] =>
  groups.flatMap(groupId =>
    seeds.flatMap(seed => [false, true].flatMap(watched => lived(groupId, seed, watched) ?? [])),
  )

/** Sums windows up. */
export const summariseBroods = (results: readonly HatchResult[]) => ({
  n: results.length,
  in80: shareOf(results, r => r.held),
  width: middle(results.map(r => r.width)),
  off: middle(results.map(r => Math.abs(r.off))),
  bias: middle(results.map(r => r.off)),
})
