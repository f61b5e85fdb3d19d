import { randomNormal, randomPoisson } from 'd3-random'
import type { Random } from '#core/stats'
import type { Founders, LivingColony, Nature, Told } from './living'

/**
 * A colony that the fitted model does not know: single animals with an age of their own, day by day. Deliberately built
 * otherwise than `core/population`: animals ripen at an age that each has from birth (no rooms, no chance to leave
 * them), die of age by a Gompertz curve, are born in broods of a day, feel crowding as a straight line, and share bad
 * weeks (a heater, a missed feeding) that come as blows rather than as a mood that wanders.
 */

interface Animal {
  female: boolean
  countableAt: number
  matureAt: number
  diesAt: number
  freeFrom: number
}
interface Brood {
  hatches: number
  eggs: number
  mother: Animal
}

const DAYS = 7
/** Gompertz: most die old, some early. */
const SHAPE = 3
const FRAILTY = 0.12
const SCALE = 0.92

/** Days that an animal has to live once grown: the inverse of S(t) = exp(−b(e^{at} − 1)), its mean near lifeDays. */
const daysToLive = (nature: Nature, random: Random): number =>
  (Math.log(1 - Math.log(1 - random()) / FRAILTY) / (SHAPE / nature.lifeDays)) * SCALE

/**
 * Euler and Lotka's equation for this life, solved for the share that comes up: one female egg must give back one,
 * discounted by the growth.
 */
function comeUpForGrowth(n: Nature): number {
  let sum = 0
  const interval = n.carried ? n.eggDays + n.restDays : Math.max(n.restDays, 0.5)
  for (let t = n.restDays / 2; t < 3 * n.lifeDays; t += interval)
    sum +=
      Math.exp(-n.growth * (n.eggDays + n.matureDays + t)) *
      Math.exp(-FRAILTY * (Math.exp((SHAPE * t) / SCALE / n.lifeDays) - 1))
  return Math.min(0.95, 1 / (sum * n.broodSize * 0.85 * n.femaleShare))
}

class SingleAnimals implements LivingColony {
  private day = 0
  private deaths = 0
  private hatches = 0
  private clutches: Brood[] = []
  private animals: Animal[]
  private readonly comeUp: number
  private readonly normal: () => number

  constructor(
    private readonly nature: Nature,
    founders: Founders,
    private readonly random: Random,
  ) {
    this.normal = randomNormal.source(random)()
    this.comeUp = comeUpForGrowth(nature)
    this.animals = [
      ...Array.from({ length: founders.females }, () => this.founder(true)),
      ...Array.from({ length: founders.males }, () => this.founder(false)),
    ]
  }

  /** A grown animal of the first day, of any age. */
  private founder(female: boolean): Animal {
    return {
      female,
      countableAt: -1,
      matureAt: 0,
      diesAt: daysToLive(this.nature, this.random) * (0.6 + 0.4 * this.random()),
      freeFrom: Math.floor(this.random() * this.nature.restDays),
    }
  }
  private hatchling(): Animal {
    const { nature, random, day } = this
    const matureAt = day + Math.round(nature.matureDays * (0.8 + 0.4 * random()))
    return {
      female: random() < nature.femaleShare,
      countableAt: day + Math.round(nature.countableDays * (0.8 + 0.4 * random())),
      matureAt,
      diesAt: day + nature.matureDays * 0.6 + daysToLive(nature, random),
      freeFrom: matureAt + Math.round(random() * nature.restDays),
    }
  }
  private there(): Animal[] {
    return this.animals.filter(a => a.countableAt <= this.day)
  }

  live(): void {
    this.day++
    const before = this.there()
    const { blows, room } = this.nature
    if (this.day % DAYS === 0 && this.random() < blows.chance) this.strike(blows.share)
    this.lay()
    // a straight line: nothing comes up any more where the room is full
    const born = this.hatch(this.comeUp * Math.max(0.01, 1 - before.length / room))
    this.animals = this.animals.filter(a => a.diesAt > this.day)
    const left = new Set(this.animals)
    this.deaths = before.filter(a => !left.has(a)).length
    this.animals.push(...born)
  }

  strike(share: number): void {
    this.animals = this.animals.filter(() => this.random() > share)
  }

  private lay(): void {
    const { nature, random, day } = this
    const fathers = nature.femaleShare === 1 || this.animals.some(a => !a.female && a.matureAt <= day)
    for (const a of this.animals) {
      if (!fathers || !a.female || a.matureAt > day || a.freeFrom > day) continue
      const eggs = Math.max(1, Math.round(nature.broodSize * (0.7 + 0.3 * random()) * (1 + 0.25 * this.normal())))
      const hatches = day + Math.round(nature.eggDays * (0.9 + 0.2 * random()))
      this.clutches.push({ hatches, eggs, mother: a })
      a.freeFrom = (nature.carried ? hatches : day) + Math.max(1, Math.round(nature.restDays * (0.4 + 1.2 * random())))
    }
  }

  private hatch(survival: number): Animal[] {
    const poisson = randomPoisson.source(this.random)
    const born: Animal[] = []
    this.clutches = this.clutches.filter(b => {
      if (b.hatches > this.day) return true
      if (this.nature.carried && b.mother.diesAt <= this.day) return false
      this.hatches++
      // those that will not come up are never made: nobody sees them
      for (let k = poisson(b.eggs * survival)(); k > 0; k--) born.push(this.hatchling())
      return false
    })
    return born
  }

  told(): Told {
    const told = { females: 0, males: 0, halfGrown: 0, hatchlings: 0 }
    for (const a of this.animals) {
      if (a.countableAt > this.day) told.hatchlings++
      else if (a.matureAt > this.day) told.halfGrown++
      else told[a.female ? 'females' : 'males']++
    }
    return told
  }
  broods(): number {
    return this.clutches.length
  }
  hatched(): number {
    return this.hatches
  }
  died(): number {
    return this.deaths
  }
  takeOut(number: number): number {
    const from = this.there()
    const out = new Set<Animal>()
    while (out.size < Math.min(number, from.length)) out.add(from[Math.floor(this.random() * from.length)]!)
    this.animals = this.animals.filter(a => !out.has(a))
    return out.size
  }
}

/** A colony of single animals; grown ones of mixed age on its first day. */
export const singleAnimals = (nature: Nature, founders: Founders, random: Random): LivingColony =>
  new SingleAnimals(nature, founders, random)
