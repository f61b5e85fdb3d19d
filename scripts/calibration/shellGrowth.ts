import { randomNormal, randomUniform } from 'd3-random'
import { groupOf, resolveGroup } from '#core/groups'
import { DAY_MS, WEEK_MS } from '#core/records'
import { growthOf } from '#core/shells'
import { hashText, quantileSorted, seededRandom, streamAt } from '#core/stats'

/** What was told of one animal that was measured, held against its truth. */
export interface ShellResult {
  groupId: string
  /** sizes that were read */
  sizes: number
  bornKnown: boolean
  /** age in weeks: whether its range holds the truth, width of the range and distance of the middle as shares */
  age: { held: boolean; width: number; off: number }
  /** size in eight weeks, the same in mm */
  ahead: { held: boolean; width: number; off: number }
}

const GROUPS = ['ramshorn-snail', 'apple-snail', 'land-crab', 'dwarf-crayfish'] as const
const NOW = Date.UTC(2026, 10, 25)
const AHEAD_WEEKS = 8

/**
 * Grows animals that do not follow the fitted curve: they begin slower than it (a generalised curve, between von
 * Bertalanffy's and Gompertz's), have good weeks and bad ones that follow each other, and live in a room that breathes
 * with the year; the ruler is read to half a millimetre, now and then aslant. Full size and pace are drawn as the group
 * is held to spread.
 */
export function growShells(seeds: readonly number[]): ShellResult[] {
  return seeds.flatMap(seed =>
    GROUPS.flatMap((groupId, g) =>
      [1, 3, 6].flatMap((sizes, s) => growOne(streamAt(seed, g, s), groupId, sizes, seed % 2 === 0)),
    ),
  )
}

function growOne(seed: number, groupId: string, many: number, bornKnown: boolean): ShellResult[] {
  const random = seededRandom(hashText(`shells ${seed}`))
  const normal = randomNormal.source(random)(0, 1)
  const uniform = randomUniform.source(random)
  const resolved = resolveGroup({ groupId, schools: {}, targets: {}, life: {} })
  const { sizes, stages } = groupOf(groupId)
  const [hatch, breeds, most] = [sizes!.hatchMm.value, sizes!.breedsMm.value, sizes!.mostMm.value]
  const weeksToBreed = stages.firstWeeks.value + stages.youngWeeks.value
  const ageWeeks = uniform(0.6, 3)() * weeksToBreed
  const ownMost = most * Math.exp(0.12 * normal())
  const shape = uniform(0, 0.4)()
  const slowDown = (mm: number, full: number) => (full - mm) * (mm / full) ** shape
  const [c, phase] = [uniform(1, 2)(), uniform(0, 1)()]
  const middle = (resolved.targets.temperatureC!.preferred[0] + resolved.targets.temperatureC!.preferred[1]) / 2
  const celsius = (ms: number) => middle + c * Math.sin(2 * Math.PI * (ms / (365 * DAY_MS) + phase))
  const bornMs = NOW - ageWeeks * WEEK_MS
  // the pace at which the group's usual animal of this shape breeds on its day
  const k = paceFor(slowDown, { hatch, breeds, most, weeksToBreed }) * Math.exp(0.25 * normal())
  const days = Math.ceil((NOW - bornMs) / DAY_MS) + 7 * AHEAD_WEEKS + 30
  const grown = new Float64Array(days + 1).fill(hatch)
  let luck = 0
  for (let day = 0; day < days; day++) {
    if (day % 7 === 0) luck = 0.7 * luck + 0.21 * normal()
    const warmth = stages.q10.value ** ((celsius(bornMs + day * DAY_MS) - middle) / 10)
    grown[day + 1] = grown[day]! + (k / 7) * warmth * Math.exp(luck) * Math.max(0, slowDown(grown[day]!, ownMost))
  }
  const sizeAt = (ms: number) => grown[Math.min(days, Math.max(0, Math.round((ms - bornMs) / DAY_MS)))]!
  const first = NOW - Math.min(0.7 * ageWeeks, 26) * WEEK_MS
  const read = Array.from({ length: many }, (_, i) => {
    const at = many === 1 ? NOW - uniform(0, 14)() * DAY_MS : first + ((NOW - first) * i) / (many - 1)
    // a ruler is read to half a millimetre, and now and then aslant
    const slant = random() < 0.1 ? 1 - 0.06 * random() : 1
    return { at, mm: Math.max(0.5, Math.round(2 * (slant * sizeAt(at) + 0.3 * normal())) / 2) }
  })
  const temperatures = Array.from({ length: 40 }, (_, i) => NOW - (39 - i) * 10 * DAY_MS).map(at => ({
    at,
    value: Math.round(10 * (celsius(at) + 0.2 * normal())) / 10,
  }))
  const born = bornKnown ? { fromMs: bornMs - 3 * DAY_MS, toMs: bornMs + 3 * DAY_MS } : null
  const told = growthOf({ resolved, sizes: read, born, temperatures, nowMs: NOW })
  if (!told) return []
  const weeks = (ms: number) => (NOW - ms) / WEEK_MS
  const aheadMs = NOW + AHEAD_WEEKS * WEEK_MS
  const next = told.curve.reduce((a, b) => (Math.abs(b.at - aheadMs) < Math.abs(a.at - aheadMs) ? b : a))
  const truth = sizeAt(next.at)
  const age = { low: weeks(told.bornMs.high), value: weeks(told.bornMs.value), high: weeks(told.bornMs.low) }
  return [
    {
      ...{ groupId, sizes: many, bornKnown },
      age: {
        held: age.low <= ageWeeks && ageWeeks <= age.high,
        width: (age.high - age.low) / ageWeeks,
        off: age.value / ageWeeks - 1,
      },
      ahead: { held: next.low <= truth && truth <= next.high, width: next.high - next.low, off: next.value - truth },
    },
  ]
}

/** Pace per week at which an animal of a shape reaches breeding size in its weeks. */
function paceFor(
  slowDown: (mm: number, full: number) => number,
  { hatch, breeds, most, weeksToBreed }: { hatch: number; breeds: number; most: number; weeksToBreed: number },
): number {
  let [mm, sum] = [hatch, 0]
  const step = (breeds - hatch) / 400
  for (; mm < breeds; mm += step) sum += step / slowDown(mm + step / 2, most)
  return sum / weeksToBreed
}

/** One row of the table: how often the ranges hold, how wide they are, and how far their middles lean. */
export function summariseShells(results: readonly ShellResult[]) {
  const middle = (of: (r: ShellResult) => number) =>
    quantileSorted(
      results.map(of).sort((a, b) => a - b),
      0.5,
    )
  const share = (of: (r: ShellResult) => boolean) => results.filter(of).length / results.length
  const unknown = results.filter(r => !r.bornKnown)
  const ages = (of: (r: ShellResult) => number) =>
    unknown.length > 0
      ? quantileSorted(
          unknown.map(of).sort((a, b) => a - b),
          0.5,
        )
      : Number.NaN
  return {
    n: results.length,
    ageHeld: unknown.length > 0 ? unknown.filter(r => r.age.held).length / unknown.length : Number.NaN,
    ageWidth: ages(r => r.age.width),
    ageOff: ages(r => r.age.off),
    aheadHeld: share(r => r.ahead.held),
    aheadWidth: middle(r => r.ahead.width),
    aheadOff: middle(r => r.ahead.off),
  }
}
