import { randomBinomial, randomPoisson } from 'd3-random'
import type { Random } from '#core/stats'
import type { ColonyPlan } from './planShapes'

/** True numbers of a colony, day by day, and what was taken out. The keepers of the invented room never see these. */
export interface Truth {
  n: number[]
  sold: { day: number; number: number }[]
}

/** Days from egg to a young animal that can be counted: newborns of that time are not among the true numbers yet. */
const DAYS_TO_SEEN = 24

/**
 * Lives a colony through day by day: whole animals, births that crowding holds down and that show after a delay, deaths
 * by chance. Deliberately not the model that is fitted to the log.
 * @param plan what is true of the colony
 * @param random seeded generator
 */
export function liveThrough(plan: ColonyPlan, random: Random): Truth {
  const poisson = randomPoisson.source(random)
  const binomial = randomBinomial.source(random)
  const days = Math.round(plan.began * 7)
  const founders = Object.values(plan.founders).reduce((a, b) => a + b, 0)
  const births: number[] = []
  const n = [founders]
  const sold: Truth['sold'] = []
  for (let day = 1; day <= days; day++) {
    const weeksLeft = (days - day) / 7
    const rates = plan.turn && weeksLeft < plan.turn.from ? plan.turn : plan
    let now = n[day - 1]!
    // mood of the week: food and weather move births together
    const mood = 1 + 0.25 * Math.sin(day / 23 + founders)
    births.push(poisson(Math.max(0, (rates.births * mood * now * Math.max(0, 1 - now / plan.capacity)) / 7))())
    now += births[day - 1 - DAYS_TO_SEEN] ?? 0
    now -= binomial(now, Math.min(1, rates.deaths / 7))()
    for (const a of plan.arrivals ?? []) if (Math.round(days - a.week * 7) === day) now += a.number
    const { sales } = plan
    if (sales && weeksLeft <= sales.from && day % Math.round(sales.every * 7) === 0 && now > 3 * sales.number) {
      sold.push({ day, number: sales.number })
      now -= sales.number
    }
    for (const d of plan.deathsLogged ?? []) if (Math.round(days - d.week * 7) === day) now -= d.number
    n.push(Math.max(0, now))
  }
  return { n, sold }
}
