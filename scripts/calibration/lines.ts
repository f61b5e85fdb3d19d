import { inbreedingOf, kinships, type GroupGrading, type LineGroup, type LineHistory } from '#core/lines'
import { hashText, type Random, seededRandom } from '#core/stats'

/**
 * Lines of animals with genes of their own: forty to a hundred loci of uneven effects, each animal two copies of each,
 * sires who share unevenly by rank, broods of uneven size. None of it is what the fitted model believes.
 */
export interface Animal {
  genes: Uint8Array
  value: number
  /** what is graded, without the keeper's error */
  trait: number
  female: boolean
  sire: number
  dam: number
}

interface Keeper {
  name: string
  shift: number
  noise: number
}

/** A line as it truly was, and what its keeper wrote of it. */
export interface TrueLine {
  heritability: number
  history: LineHistory
  animals: Animal[][]
  /** of each locus, for one copy, on a scale of its own */
  effects: Float64Array
  cuts: number[]
  /** who bred the last generation, which nobody graded yet */
  next: Pick<LineGroup, 'breeders'>
  /** mean inbreeding of the last generation, by its true pedigree */
  inbreeding: number
}

export const normal = (random: Random): number =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())

interface Genome {
  effects: Float64Array
  /** of an animal of the founders' population */
  meanValue: number
  scale: number
}

/** Effects by an exponential curve, frequencies about a third, scaled so that the founders' genes vary as wished. */
function genomeOf(random: Random, loci: number, heritability: number): { genome: Genome; frequencies: Float64Array } {
  const effects = Float64Array.from({ length: loci }, () => -Math.log(1 - random()) * (random() < 0.5 ? -1 : 1))
  const frequencies = Float64Array.from({ length: loci }, () => 0.15 + 0.7 * random())
  const variance = effects.reduce((sum, a, i) => sum + 2 * frequencies[i]! * (1 - frequencies[i]!) * a * a, 0)
  const meanValue = effects.reduce((sum, a, i) => sum + 2 * frequencies[i]! * a, 0)
  return { genome: { effects, meanValue, scale: Math.sqrt(heritability / variance) }, frequencies }
}

const valueOf = ({ effects, meanValue, scale }: Genome, genes: Uint8Array): number => {
  let sum = -meanValue
  for (let i = 0; i < effects.length; i++) sum += effects[i]! * (genes[2 * i]! + genes[2 * i + 1]!)
  return scale * sum
}

const rungOf = (cuts: readonly number[], x: number): number => cuts.filter(cut => x > cut).length

/** Numbers that differ from line to line. */
function setUp(random: Random) {
  const rungs = 4 + Math.floor(random() * 3)
  const from = -1.2 - 0.5 * random()
  const step = (2.6 + random()) / (rungs - 1)
  return {
    heritability: 0.08 + 0.55 * random(),
    cuts: Array.from({ length: rungs - 1 }, (_, k) => from + step * (k + 0.4 * random()) + 0.4),
    generations: 4 + Math.floor(random() * 3),
    graded: 80 + Math.floor(60 * random()),
    sires: 3 + Math.floor(9 * random()),
    dams: 10 + Math.floor(20 * random()),
    sexes: 0.5 * random(),
    keepers: [
      { name: 'A', shift: 0, noise: 0.15 + 0.45 * random() },
      { name: 'B', shift: 0.35 * normal(random), noise: 0.15 + 0.45 * random() },
    ],
    second: random() < 0.5,
  }
}

function born(random: Random, genome: Genome, parents: readonly [Animal, Animal], at: { sire: number; dam: number }) {
  const loci = genome.effects.length
  const genes = new Uint8Array(2 * loci)
  for (let i = 0; i < loci; i++) {
    genes[2 * i] = parents[0].genes[2 * i + (random() < 0.5 ? 0 : 1)]!
    genes[2 * i + 1] = parents[1].genes[2 * i + (random() < 0.5 ? 0 : 1)]!
  }
  return { genes, value: valueOf(genome, genes), female: random() < 0.5, ...at }
}

const GRADED_TWICE = 50

type Plan = ReturnType<typeof setUp>

/** Founders, and how animals of a generation come to what is graded. */
function founding(random: Random, plan: Plan) {
  const { genome, frequencies } = genomeOf(random, 40 + Math.floor(60 * random()), plan.heritability)
  const rest = Math.sqrt(1 - plan.heritability)
  const environments = Array.from({ length: plan.generations + 1 }, () => 0.15 * normal(random))
  const trait = (value: number, female: boolean, t: number) =>
    value + environments[t]! + (female ? 1 : -1) * (plan.sexes / 2) + rest * normal(random)
  const founders = Array.from({ length: plan.graded }, (): Animal => {
    const genes = Uint8Array.from({ length: 2 * frequencies.length }, (_, i) =>
      random() < frequencies[Math.floor(i / 2)]! ? 1 : 0,
    )
    const [value, female] = [valueOf(genome, genes), random() < 0.5]
    return { genes, value, female, trait: trait(value, female, 0), sire: -1, dam: -1 }
  })
  return { genome, trait, founders }
}

/** What one or two keepers write of a generation. @returns the first one's rungs, animal by animal */
function gradedBy(random: Random, plan: Plan, now: readonly Animal[], t: number) {
  const [first, second] = plan.second && t % 2 === 1 ? plan.keepers.toReversed() : plan.keepers
  const seen = (k: Keeper) => now.map(a => rungOf(plan.cuts, a.trait + k.shift + k.noise * normal(random)))
  const rungs = seen(first!)
  const other = plan.second && t > 0 ? seen(second!) : null
  const each = [...plan.cuts.keys(), plan.cuts.length]
  const alone = other ? GRADED_TWICE : 0
  const gradings = (['female', 'male'] as const).map((sex): GroupGrading => ({
    grader: first!.name,
    sex,
    cells: each.map(k => ({
      from: k,
      to: k,
      number: now.filter((a, i) => i >= alone && a.female === (sex === 'female') && rungs[i] === k).length,
    })),
  }))
  const table = each.map(a =>
    each.map(b => now.filter((_, i) => i < alone && rungs[i] === a && other?.[i] === b).length),
  )
  const twice = other ? [{ graders: [first!.name, second!.name] as const, table }] : []
  return { grader: first!.name, rungs, gradings, twice }
}

/** Someone who breeds: where it stands in its generation, its rung, and its share in the young. */
interface Breeder {
  animal: Animal
  at: number
  rung: number
  share: number
}

/** The best of a sex; of one rung it is chance who. */
function bestOf(
  random: Random,
  of: { now: readonly Animal[]; rungs: readonly number[] },
  female: boolean,
  many: number,
) {
  return of.now
    .map((animal, at) => ({ animal, at, rung: of.rungs[at]!, tie: random() }))
    .filter(x => x.animal.female === female)
    .toSorted((x, y) => y.rung - x.rung || x.tie - y.tie)
    .slice(0, many)
}

/** Males by rank, each next one a fixed part of the one before, and which of them leads is chance; females by brood. */
function breedersOf(random: Random, plan: Plan, of: { now: readonly Animal[]; rungs: readonly number[] }) {
  const part = 0.45 + 0.45 * random()
  const sires = bestOf(random, of, false, plan.sires)
  const ranks = sires.map(() => random()).map((x, _, all) => all.filter(y => y < x).length)
  return {
    sires: sires.map((s, i): Breeder => ({ ...s, share: part ** ranks[i]! })),
    dams: bestOf(random, of, true, plan.dams).map((d): Breeder => ({ ...d, share: Math.exp(0.5 * normal(random)) })),
  }
}

function drawFrom(random: Random, list: readonly Breeder[]): Breeder {
  let u = random() * list.reduce((sum, x) => sum + x.share, 0)
  return list.find(x => (u -= x.share) <= 0) ?? list.at(-1)!
}

/**
 * Lives a line through and writes its gradings down.
 * @param seed of everything
 */
export function trueLine(seed: number): TrueLine {
  const random = seededRandom(hashText(`line ${seed}`))
  const plan = setUp(random)
  const { genome, trait, founders } = founding(random, plan)
  let now = founders
  const animals = [now]
  const groups: LineGroup[] = []
  let breeders: LineGroup['breeders'] = []
  const rungs = plan.cuts.length + 1
  for (let t = 0; t < plan.generations; t++) {
    const seen = gradedBy(random, plan, now, t)
    const { gradings, twice } = seen
    groups.push({ id: `g${t}`, size: now.length, breeders, period: `p${t}`, gradings, twice })
    const { sires, dams } = breedersOf(random, plan, { now, rungs: seen.rungs })
    const setOf = (sex: 'male' | 'female', list: readonly Breeder[]) => ({
      ...{ groupId: `g${t}`, sex, number: list.length, grader: seen.grader },
      rungs: Array.from({ length: rungs }, (_, k) => list.filter(x => x.rung === k).length),
    })
    breeders = [setOf('male', sires), setOf('female', dams)]
    now = Array.from({ length: plan.graded }, (): Animal => {
      const [s, d] = [drawFrom(random, sires), drawFrom(random, dams)]
      const young = born(random, genome, [s.animal, d.animal], { sire: s.at, dam: d.at })
      return { ...young, trait: trait(young.value, young.female, t + 1) }
    })
    animals.push(now)
  }
  const { heritability, cuts } = plan
  const inbreeding = trueInbreeding(animals)
  return {
    heritability,
    history: { rungs, groups },
    animals,
    effects: genome.effects,
    cuts,
    next: { breeders },
    inbreeding,
  }
}

/** Mean inbreeding of the last of some generations, by the tabular method over all animals. */
function trueInbreeding(generations: readonly (readonly Animal[])[]): number {
  const offsets = generations.map((_, t) => generations.slice(0, t).reduce((sum, g) => sum + g.length, 0))
  const name = (t: number, i: number) => `${offsets[t]! + i}`
  const kin = kinships(
    generations.flatMap((list, t) =>
      list.map((a, i) => ({
        id: name(t, i),
        sireIds: t === 0 ? [] : [name(t - 1, a.sire)],
        damIds: t === 0 ? [] : [name(t - 1, a.dam)],
      })),
    ),
  )
  const last = generations.length - 1
  return generations[last]!.reduce((sum, _, i, list) => sum + inbreedingOf(kin, name(last, i)) / list.length, 0)
}
