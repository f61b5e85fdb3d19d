import { type LineRecords, tellLine } from '#core/lines'
import { begun, type Entry, type Ladder, type Line, toMoment, WEEK_MS } from '#core/records'
import { hashText, type Random, seededRandom } from '#core/stats'
import { newId } from '../../app/data/newId'
import { normal } from './lines'

/**
 * Colonies that breed all the time, lived week by week: animals with ages of their own, broods when they are due,
 * deaths by age, more young lost the fuller the glass. Every few weeks their keeper grades some of the grown and takes
 * the dullest of these out.
 */
interface Animal {
  laid: number
  grownAt: number
  diesAt: number
  female: boolean
  value: number
  /** what is graded, without the keeper's error */
  trait: number
  dueAt: number
}

/** What was told of one colony, and what was true. */
export interface RollingResult {
  weeks: number
  heritability: { held: boolean; width: number; off: number }
  /** rungs a week: what was told and what was true of the same time; null while nothing was told */
  pace: { held: boolean; width: number; off: number; truth: number } | null
  /** mean age of the parents of what was laid, weeks */
  parentsAge: { told: number; truth: number }
  /** the newest grading against what was foreseen of it */
  came: { held: boolean; fell: boolean } | null
}

const KEEPER_BLUR = 0.3
const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length

/** Numbers that differ from colony to colony. */
function setUp(random: Random) {
  const rungs = 4 + Math.floor(2 * random())
  const step = (2.4 + random()) / (rungs - 1)
  return {
    heritability: 0.08 + 0.55 * random(),
    cuts: Array.from({ length: rungs - 1 }, (_, k) => -1.1 + step * (k + 0.3 * random())),
    weeks: 50 + Math.floor(70 * random()),
    every: 5 + Math.floor(6 * random()),
    /** all of them, where they are so few */
    graded: 50 + Math.floor(90 * random()),
    /** part of the dullest that is taken out each time */
    taken: 0.15 + 0.35 * random(),
    room: 150 + 250 * random(),
    adultWeeks: 45 * Math.exp(0.25 * normal(random)),
    grownAfter: 15.5 * Math.exp(0.1 * normal(random)),
    /** food and warmth move all that grow up at a time, for some weeks */
    lasting: 0.8 + 0.15 * random(),
  }
}
type Plan = ReturnType<typeof setUp>

/** A dull male that came in and sires a part of the broods while he lives. */
export interface Stranger {
  week: number
  lives: number
  share: number
  /** his genes' worth below the mean of the grown, in standard deviations of the founders */
  below: number
}

/** A colony with what its keeper wrote down. */
interface Lived {
  plan: Plan
  records: LineRecords
  /** mean breeding value of the grown, week by week */
  values: number[]
  parentAges: number[]
}

/** @param more another length than the colony's own, and a stranger that comes in */
export function livedThrough(seed: number, more: { weeks?: number; stranger?: Stranger } = {}): Lived {
  const random = seededRandom(hashText(`rolling ${seed}`))
  const plan = { ...setUp(random), ...(more.weeks !== undefined && { weeks: more.weeks }) }
  const strange = strangerOf(random, more.stranger)
  const rest = Math.sqrt(1 - plan.heritability)
  const log = logOf(plan)
  let year = 0
  const born = (week: number, value: number): Animal => {
    const grownAt = week + plan.grownAfter * Math.exp(0.12 * normal(random))
    // lives by age rather than by a steady hazard: Weibull of shape 1.6 about the same mean
    const life = (plan.adultWeeks / 0.897) * (-Math.log(1 - random())) ** (1 / 1.6)
    const trait = value + year + rest * normal(random)
    const dueAt = grownAt + 6 * random()
    return { laid: week, grownAt, diesAt: grownAt + life, female: random() < 0.5, value, trait, dueAt }
  }
  let all = Array.from({ length: 40 }, () => born(-16 - 20 * random(), Math.sqrt(plan.heritability) * normal(random)))
  const [values, parentAges]: [number[], number[]] = [[], []]
  for (let week = 0; week <= plan.weeks; week++) {
    year = plan.lasting * year + 0.15 * Math.sqrt(1 - plan.lasting ** 2) * normal(random)
    all = all.filter(a => a.diesAt > week)
    const grown = all.filter(a => a.grownAt <= week)
    const males = grown.filter(a => !a.female)
    const leads = males.map(() => Math.exp(0.9 * normal(random)))
    for (const dam of grown) {
      if (!dam.female || dam.dueAt > week || males.length === 0) continue
      dam.dueAt = week + 5 + 3 * random()
      // so many of a brood as will grow up: fewer in a full glass
      const many = Math.floor((5 * random() + 1) / (1 + (all.length / plan.room) ** 2) + random())
      const sire = strange(week, grown) ?? males[pickBy(random, leads)]!
      for (let i = 0; i < many; i++) {
        const value = (sire.value + dam.value) / 2 + Math.sqrt(plan.heritability / 2) * normal(random)
        all.push(born(week, value))
        parentAges.push((2 * week - sire.laid - dam.laid) / 2)
      }
    }
    values.push(mean(grown.map(a => a.value)))
    if (week >= 4 && week % plan.every === 0 && grown.length > 30) {
      const out = new Set(gradedAndTaken(random, plan, { grown, week, log }))
      all = all.filter(a => !out.has(a))
    }
  }
  return { plan, records: log.records, values, parentAges: parentAges.filter((_, i) => i > parentAges.length / 4) }
}

/** Who sires a brood in the place of a male of the colony's own; nobody where no stranger is there. */
function strangerOf(random: Random, stranger: Stranger | undefined) {
  let value: number | null = null
  return (week: number, grown: readonly Animal[]) => {
    if (!stranger || week < stranger.week || week >= stranger.week + stranger.lives) return null
    value ??= mean(grown.map(a => a.value)) - stranger.below
    return random() < stranger.share ? { value, laid: week - 30 } : null
  }
}

function pickBy(random: Random, weights: readonly number[]): number {
  let u = random() * weights.reduce((a, b) => a + b, 0)
  const at = weights.findIndex(w => (u -= w) <= 0)
  return at < 0 ? weights.length - 1 : at
}

function gradedAndTaken(
  random: Random,
  { cuts, graded, taken }: Plan,
  { grown, week, log }: { grown: readonly Animal[]; week: number; log: ReturnType<typeof logOf> },
): Animal[] {
  const rung = (a: Animal) => cuts.filter(cut => a.trait + KEEPER_BLUR * normal(random) > cut).length
  const seen = grown
    .map(animal => ({ animal, turn: random() }))
    .toSorted((a, b) => a.turn - b.turn)
    .slice(0, graded)
    .map(({ animal }) => ({ animal, rung: rung(animal) }))
  const dull = seen.toSorted((a, b) => a.rung - b.rung).slice(0, Math.floor(taken * seen.length))
  log.write(week, 'grading', seen)
  // as the population model would have it
  log.grown.push({ atMs: week * WEEK_MS, number: grown.length * Math.exp(0.15 * normal(random)) })
  if (dull.length > 0) log.write(week + 0.1, 'removal', dull)
  return dull.map(d => d.animal)
}

/** The log of one colony. */
function logOf({ cuts }: Plan) {
  const ladder: Ladder = {
    ...begun(newId(), 0),
    ...{ roomId: newId(), trait: 'Cover' },
    rungs: [...cuts, 0].map((_, order) => ({ id: newId(), words: `${order}`, order })),
  }
  const line = { ...begun(newId(), 0), roomId: ladder.roomId, name: 'Line', groupId: 'neocaridina' }
  const entries: Entry[] = []
  const grown: { atMs: number; number: number }[] = []
  const records: LineRecords = {
    line: { ...line, crossingGroup: 'neocaridina', ladderIds: [ladder.id] } as Line,
    ...{ ladder, generations: [], breedingGroups: [], entries, grown },
  }
  const colonyId = newId()
  function write(week: number, kind: 'grading' | 'removal', list: readonly { rung: number }[]) {
    const at = toMoment(week * WEEK_MS)
    const rungs = ladder.rungs.flatMap((r, k) => {
      const number = list.filter(x => x.rung === k).length
      return number > 0 ? [{ rungId: r.id, sex: 'unknown' as const, number }] : []
    })
    const stamp = { id: newId(), at, loggedAt: at, keeper: 'A', colonyId }
    entries.push(
      kind === 'grading'
        ? { ...stamp, kind, ladderId: ladder.id, seen: rungs }
        : { ...stamp, kind, number: list.length, outlet: 'given', rungs },
    )
  }
  return { records, grown, write }
}

/** Lives colonies through, and holds what is told of each against its truth. */
export const gradeRolling = (seeds: readonly number[]): RollingResult[] => seeds.flatMap(toldOf)

function toldOf(seed: number): RollingResult[] {
  const { plan, records, values, parentAges } = livedThrough(seed)
  const line = tellLine(records, 0.25)
  if (!line?.told.rolling || line.told.generations.length < 3) return []
  const { heritability, rolling, generations, came } = line.told
  const held = ({ low, high }: { low: number; high: number }, truth: number) => truth >= low && truth <= high
  const last = generations.at(-1)!.fromMs / WEEK_MS
  const step = (plan.cuts.at(-1)! - plan.cuts[0]!) / (plan.cuts.length - 1)
  const over = rolling.pace && values.slice(Math.round(last - rolling.pace.overWeeks), Math.round(last) + 1)
  const truth = over ? slopeOf(over) / step : 0
  return [
    {
      weeks: plan.weeks,
      heritability: {
        held: held(heritability, plan.heritability),
        width: heritability.high - heritability.low,
        off: heritability.value - plan.heritability,
      },
      pace: rolling.pace && {
        ...{ held: held(rolling.pace.weekly, truth), truth, off: rolling.pace.weekly.value - truth },
        width: rolling.pace.weekly.high - rolling.pace.weekly.low,
      },
      parentsAge: { told: rolling.parentsAgeWeeks, truth: mean(parentAges) },
      came: came && { held: held(came.forecast.meanRung, came.meanRung), fell: came.unexplained },
    },
  ]
}

function slopeOf(list: readonly number[]): number {
  const middle = (list.length - 1) / 2
  const spread = list.reduce((sum, _, i) => sum + (i - middle) ** 2, 0)
  return list.reduce((sum, x, i) => sum + (i - middle) * x, 0) / spread
}

/** Figures of some colonies. */
export function rollingTable(results: readonly RollingResult[]) {
  const part = (list: readonly { held: boolean }[]) => list.filter(x => x.held).length / list.length
  const paces = results.flatMap(r => (r.pace ? [r.pace] : []))
  const came = results.flatMap(r => (r.came ? [r.came] : []))
  const [hs, ages] = [results.map(r => r.heritability), results.map(r => r.parentsAge)]
  return {
    n: results.length,
    heritabilityHeld: part(hs),
    heritabilityWidth: mean(hs.map(h => h.width)),
    heritabilityOff: mean(hs.map(h => h.off)),
    paceHeld: part(paces),
    pace: mean(paces.map(p => p.truth)),
    paceWidth: mean(paces.map(p => p.width)),
    paceOff: mean(paces.map(p => p.off)),
    cameHeld: part(came),
    fell: came.filter(c => c.fell).length / came.length,
    parentsAge: mean(ages.map(a => a.truth)),
    parentsAgeOff: mean(ages.map(a => a.told - a.truth)),
  }
}
