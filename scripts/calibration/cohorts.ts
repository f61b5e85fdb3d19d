import { randomBinomial, randomNormal, randomPoisson } from 'd3-random'
import type { Random } from '#core/stats'
import { countable, type Founders, type LivingColony, type Nature, type Told } from './living'

/**
 * Another colony that the fitted model does not know: numbers by day of birth, which die by a hazard that does not ask
 * for age. Unlike the single animals it feels crowding by a curve that bends (Beverton & Holt 1957; with a power of
 * three, hardly anything until the room is nearly full), its good and bad weeks wander and come back with the year, and
 * its broods come at any time.
 */

/** How steeply crowding sets in, each for one colony in two. */
const POWERS = [1, 3]
/** Weeks wander with this memory and spread; the year adds its wave. */
const MEMORY = 0.9
const WANDER = 0.12
const YEAR = { days: 365, swing: 0.2 }
/** Young die twice as often as grown ones. */
const YOUNG_HAZARD = 2

/** What follows from a nature, worked out once. */
interface Pace {
  hazard: number
  /** days from one brood of a female to the next */
  interval: number
  /** share of eggs that come up in an empty glass */
  comeUp: number
  power: number
  crowding: number
}

function paceOf(nature: Nature, random: Random): Pace {
  const hazard = 1 / nature.lifeDays
  const interval = Math.max(1, nature.carried ? nature.eggDays + nature.restDays : nature.restDays)
  const grownUp = Math.exp(-YOUNG_HAZARD * hazard * nature.matureDays)
  // each newborn female gives back one at this growth: ∫ over her grown days, discounted (Euler and Lotka)
  const comeUpAt = (growth: number) =>
    ((growth + hazard) * interval) /
    (nature.femaleShare * nature.broodSize * grownUp * Math.exp(-growth * (nature.eggDays + nature.matureDays)))
  const comeUp = Math.min(0.95, comeUpAt(Math.max(nature.growth, -0.5 * hazard)))
  return {
    hazard,
    interval,
    comeUp,
    power: POWERS[Math.floor(random() * POWERS.length)]!,
    // so that it just holds itself at its room
    crowding: Math.max(0.05, comeUp / comeUpAt(0) - 1),
  }
}

class Cohorts implements LivingColony {
  private day = 0
  private deaths = 0
  private hatches = 0
  private mood = 0
  private females: number
  private males: number
  /** eggs by the day on which they hatch, young by the day on which they are grown */
  private readonly eggs = new Map<number, { broods: number; eggs: number }>()
  private readonly young = new Map<number, { number: number; countableAt: number }>()
  private readonly phase: number
  private readonly pace: Pace
  private readonly normal: () => number

  constructor(
    private readonly nature: Nature,
    founders: Founders,
    private readonly random: Random,
  ) {
    this.females = founders.females
    this.males = founders.males
    this.normal = randomNormal.source(random)()
    this.pace = paceOf(nature, random)
    this.phase = random() * 2 * Math.PI
  }

  private binomial(n: number, p: number): number {
    return n > 0 && p > 0 ? randomBinomial.source(this.random)(n, Math.min(1, p))() : 0
  }
  private poisson(mean: number): number {
    return mean > 0 ? randomPoisson.source(this.random)(mean)() : 0
  }

  live(): void {
    this.day++
    this.deaths = 0
    if (this.day % 7 === 0) this.passWeek()
    const wave = YEAR.swing * Math.sin((2 * Math.PI * this.day) / YEAR.days + this.phase)
    const good = Math.exp(this.mood + wave)
    const crowd = countable(this.told())
    this.lose(1 / Math.sqrt(good))
    this.lay()
    this.hatch(good, crowd)
    this.ripen()
  }

  private passWeek(): void {
    this.mood = MEMORY * this.mood + WANDER * this.normal()
    const { chance, share } = this.nature.blows
    if (this.random() < chance) this.strike(share)
  }
  strike(share: number): void {
    this.die(() => share)
  }

  private lose(factor: number): void {
    const dying = (times: number) => 1 - Math.exp(-this.pace.hazard * times * factor)
    this.die(grown => dying(grown ? 1 : YOUNG_HAZARD))
  }

  /** Lets a share of the grown and of the young die. */
  private die(share: (grown: boolean) => number): void {
    const before = countable(this.told())
    this.females -= this.binomial(this.females, share(true))
    this.males -= this.binomial(this.males, share(true))
    for (const y of this.young.values()) y.number -= this.binomial(y.number, share(false))
    this.deaths += before - countable(this.told())
  }

  /** Broods are laid at any time, by whoever there is. */
  private lay(): void {
    const fathers = this.nature.femaleShare === 1 || this.males > 0
    const laid = fathers ? this.poisson(this.females / this.pace.interval) : 0
    if (laid === 0) return
    const hatches = this.day + Math.max(1, Math.round(this.nature.eggDays * (1 + 0.1 * this.normal())))
    const here = this.eggs.get(hatches) ?? { broods: 0, eggs: 0 }
    const eggs = here.eggs + this.poisson(laid * this.nature.broodSize)
    this.eggs.set(hatches, { broods: here.broods + laid, eggs })
  }

  private hatch(good: number, crowd: number): void {
    const hatching = this.eggs.get(this.day)
    if (!hatching) return
    this.eggs.delete(this.day)
    this.hatches += hatching.broods
    const { comeUp, crowding, power } = this.pace
    const { matureDays, countableDays, room } = this.nature
    const born = this.poisson((hatching.eggs * comeUp * good) / (1 + crowding * (crowd / room) ** power))
    if (born === 0) return
    const days = Math.max(2, Math.round(matureDays * (1 + 0.12 * this.normal())))
    const countableAt = this.day + Math.max(1, Math.round((countableDays * days) / matureDays))
    const here = this.young.get(this.day + days)
    this.young.set(this.day + days, {
      number: born + (here?.number ?? 0),
      countableAt: here?.countableAt ?? countableAt,
    })
  }

  private ripen(): void {
    const grown = this.young.get(this.day)
    if (!grown) return
    this.young.delete(this.day)
    const first = this.binomial(grown.number, this.nature.femaleShare)
    this.females += first
    this.males += grown.number - first
  }

  told(): Told {
    let halfGrown = 0
    let hatchlings = 0
    for (const y of this.young.values())
      if (y.countableAt <= this.day) halfGrown += y.number
      else hatchlings += y.number
    return { females: this.females, males: this.males, halfGrown, hatchlings }
  }
  broods(): number {
    return [...this.eggs.values()].reduce((sum, e) => sum + e.broods, 0)
  }
  hatched(): number {
    return this.hatches
  }
  died(): number {
    return this.deaths
  }
  takeOut(number: number): number {
    let pool = countable(this.told())
    const out = Math.min(number, pool)
    let left = out
    const take = (here: number) => {
      const gone = Math.min(here, this.binomial(left, here / pool))
      pool -= here
      left -= gone
      return gone
    }
    for (const y of this.young.values()) if (y.countableAt <= this.day) y.number -= take(y.number)
    this.males -= take(this.males)
    this.females = Math.max(0, this.females - left)
    return out
  }
}

/** A colony of cohorts. */
export const cohorts = (nature: Nature, founders: Founders, random: Random): LivingColony =>
  new Cohorts(nature, founders, random)
