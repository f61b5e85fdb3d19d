import { WEEK_MS } from '#core/records'
import { Z80 } from '#core/stats'
import { crowded } from './crowd'
import type { Fit } from './fit'
import { spread80 } from './particles'
import type { PopulationAnswer, PopulationQuestion, Range } from './question'
import { meanStep, type StageRates } from './rates'
import { FEMALES, LOSSES, MALES, MOOD, RECRUITS, ROOM, STAGES, YOUNG_1, YOUNG_2 } from './stages'
import { MOOD_WEEKS } from './step'

/** Weeks over which growth is told, and colonies that are lived ahead for it. */
const GROWTH_WEEKS = 8
const GROWTH_COLONIES = 200

/**
 * Growth per week over the coming weeks, colony by colony, without the chance of births and deaths: what differs is
 * what is not known of numbers, stages, rates and mood.
 */
export function growthAhead(
  fit: Fit,
  r: StageRates,
  dying: number,
): Range & { /** share of the colonies that grow */ rising: number } {
  const { cloud, size } = fit
  const many = Math.min(GROWTH_COLONIES, size)
  const growth = new Float64Array(many)
  const x = new Float64Array(STAGES)
  const steps = Math.round(GROWTH_WEEKS / r.dtWeeks)
  const numberIn = () => x[YOUNG_1]! + x[YOUNG_2]! + x[FEMALES]! + x[MALES]!
  for (let k = 0; k < many; k++) {
    const i = Math.floor(((k + 0.5) * size) / many)
    for (let s = 0; s < STAGES; s++) x[s] = cloud[s * size + i]!
    const before = numberIn()
    const room = r.capacity * Math.exp(cloud[ROOM * size + i]!)
    for (let step = 0; step < steps; step++) {
      const mood = cloud[MOOD * size + i]! * Math.exp((-step * r.dtWeeks) / MOOD_WEEKS)
      const [recruits, losses] = [cloud[RECRUITS * size + i]!, cloud[LOSSES * size + i]!]
      const { comeUp, loss, broods } = crowded(r, { recruits, mood, losses, n: numberIn(), room })
      meanStep(x, dying > 0 ? { ...r, adultHazard: r.adultHazard + (dying * r.dtWeeks) / loss } : r, {
        comeUp,
        loss,
        broods,
      })
    }
    growth[k] = before > 0 ? (Math.max(numberIn(), 0.01) / before) ** (1 / GROWTH_WEEKS) - 1 : 0
  }
  return { ...spread80(growth.sort()), rising: growth.filter(g => g > 0).length / many }
}

/**
 * Change per week over the last eight weeks of the estimate, with what came and went put back; the spread is that of
 * both ends.
 */
export function recentChange({ events, nowMs }: PopulationQuestion, { path }: Fit): PopulationAnswer['recent'] {
  const now = path.at(-1)!
  const then = path.findLast(p => p.at <= nowMs - GROWTH_WEEKS * WEEK_MS)
  if (!then) return null
  const weeks = (nowMs - then.at) / WEEK_MS
  let moved = 0
  for (const e of events)
    if (e.kind === 'step' && !e.death && !e.hatched && e.at > then.at && e.at <= nowMs) moved += e.change
  const log = (n: number) => Math.log(Math.max(n, 0.5))
  const change = log(now.p50 - moved) - log(then.p50)
  const sd = (b: typeof now) => (log(b.p90) - log(b.p10)) / (2 * Z80)
  const wide = Z80 * Math.hypot(sd(now), sd(then))
  const perWeek = (x: number) => Math.expm1(x / weeks)
  return {
    perWeek: { value: perWeek(change), low: perWeek(change - wide), high: perWeek(change + wide) },
    weeks,
    from: then.p50,
    moved,
  }
}
