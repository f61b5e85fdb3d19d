import { familyPick, fitLine, kinships, kinshipOf, type LineGroup, type Stock } from '#core/lines'
import { hashText, type Random, seededRandom } from '#core/stats'
import { normal } from './lines'

/** What three generations of two ways of choosing came to, begun alike. */
export interface PairResult {
  groupId: 'families'
  families: number
  /** true mean breeding value of the last generation above the first, in standard deviations of its founders' trait */
  gain: { proposed: number; best: number }
  /** true mean kinship of the last generation */
  kinship: { proposed: number; best: number }
}

interface Animal {
  id: string
  value: number
  trait: number
  female: boolean
  family: string
  sire: Animal | null
  dam: Animal | null
  inbreeding: number
}

const GENERATIONS = 3
const RUNGS = 5

/** Numbers that differ from run to run. */
function setUp(random: Random) {
  return {
    heritability: 0.15 + 0.4 * random(),
    families: 4 + Math.floor(4 * random()),
    each: 24 + Math.floor(16 * random()),
    dams: 3 + Math.floor(3 * random()),
    noise: 0.2 + 0.3 * random(),
    cuts: Array.from({ length: RUNGS - 1 }, (_, k) => -0.9 + 0.75 * k + 0.2 * random()),
  }
}
type Plan = ReturnType<typeof setUp>

/**
 * Founders in one glass, then boxes with a male and some females each; the young of a box are a family. Animals have
 * true pedigrees, and genes by the infinitesimal model with what inbreeding of the parents leaves. The founders' best
 * breed either way. After that one way keeps the best rungs, the other what the app proposes, which reads the newest
 * generation by its families and those before it as one; males and females are put together in the same manner.
 */
function live(seed: number, proposed: boolean) {
  const random = seededRandom(hashText(`families ${seed}`))
  const plan = setUp(random)
  let count = 0
  const all: Animal[] = []
  const make = (family: string, sire: Animal | null, dam: Animal | null): Animal => {
    const kept = sire && dam ? 1 - (sire.inbreeding + dam.inbreeding) / 2 : 2
    const value =
      (sire && dam ? (sire.value + dam.value) / 2 : 0) + Math.sqrt((plan.heritability * kept) / 2) * normal(random)
    const trait = value + Math.sqrt(1 - plan.heritability) * normal(random)
    const one = { id: `a${count++}`, value, trait, female: random() < 0.5, family, sire, dam, inbreeding: 0 }
    all.push(one)
    return one
  }
  let now = [Array.from({ length: plan.families * plan.each }, () => make('f0', null, null))]
  const first = meanOf(now)
  const before: LineGroup[] = []
  let boxes: Box[] = [{ sires: [], dams: [] }]
  for (let t = 0; t <= GENERATIONS; t++) {
    const grades = now.map(list => gradesOf(random, plan, list))
    const families = boxes.map((box, f) => groupOf(`${t} ${f}`, t, grades[f]!, box))
    const stocks = grades.map((list, f) => stockOf(`${t} ${f}`, list))
    const kept =
      proposed && t > 0
        ? familyPick(fitLine({ rungs: RUNGS, groups: [...before, ...families] }), stocks, wanted(plan))!.proposed.keep
        : bestByLot({ grades, random, plan })
    before.push(groupOf(String(t), t, grades.flat(), joined(boxes)))
    const inbreeding = pedigreeOf(all)
    for (const a of all) a.inbreeding = inbreeding.of(a)
    boxes = boxesOf({ kept, grades, random, t })
    now = boxes.map(({ sires, dams }, f) =>
      Array.from({ length: plan.each }, () =>
        make(`${t + 1} ${f}`, sires[0]!.animal, dams[Math.floor(random() * dams.length)]!.animal),
      ),
    )
  }
  const kin = pedigreeOf(all)
  return { gain: meanOf(now) - first, kinship: kin.mean(now.flat()), families: plan.families }
}

const meanOf = (now: readonly (readonly Animal[])[]): number => {
  const list = now.flat()
  return list.reduce((sum, a) => sum + a.value, 0) / list.length
}
const gradesOf = (random: Random, plan: Plan, list: readonly Animal[]) =>
  list
    .map(a => plan.cuts.filter(c => a.trait + plan.noise * normal(random) > c).length)
    .map((rung, i) => ({ animal: list[i]!, rung }))
type Grade = ReturnType<typeof gradesOf>[number]
/** Who came into a box, on which rung. */
interface Box {
  sires: Grade[]
  dams: Grade[]
}
const joined = (boxes: readonly Box[]): Box => ({
  sires: boxes.flatMap(b => b.sires),
  dams: boxes.flatMap(b => b.dams),
})
const byRung = (list: readonly Grade[]) =>
  Array.from({ length: RUNGS }, (_, k) => list.filter(g => g.rung === k).length)
const ofSex = (list: readonly Grade[], female: boolean) => list.filter(g => g.animal.female === female)

/** What the app knows of a generation, or of a family of it: who bred, of the generation before, and the grades. */
function groupOf(id: string, t: number, grades: readonly Grade[], { sires, dams }: Box): LineGroup {
  const set = (sex: 'male' | 'female', list: readonly Grade[]) =>
    list.length > 0 ? [{ groupId: String(t - 1), sex, number: list.length, rungs: byRung(list), grader: 'A' }] : []
  const gradings = (['female', 'male'] as const).map(sex => ({
    ...{ grader: 'A', sex },
    cells: byRung(ofSex(grades, sex === 'female')).map((number, k) => ({ from: k, to: k, number })),
  }))
  const breeders = [...set('male', sires), ...set('female', dams)]
  return { id, size: grades.length, breeders, period: `p${t}`, gradings, twice: [] }
}
/** So many of each sex on each rung. */
const bySex = (list: readonly Grade[]) => ({ females: byRung(ofSex(list, true)), males: byRung(ofSex(list, false)) })
const stockOf = (groupId: string, list: readonly Grade[]): Stock => ({ groupId, grader: 'A', ...bySex(list) })
const wanted = (plan: Plan) => ({ females: plan.families * plan.dams, males: plan.families })

/** How many of each family, by rung, breed. */
type Kept = Pick<Stock, 'females' | 'males'>[]

/** The best rungs of all families; of a rung that is kept in part, as they come. */
function bestByLot({ grades, random, plan }: { grades: Grade[][]; random: Random; plan: Plan }): Kept {
  const of = (female: boolean, many: number) =>
    shuffled(random, ofSex(grades.flat(), female))
      .toSorted((a, b) => b.rung - a.rung)
      .slice(0, many)
  const best = [...of(true, wanted(plan).females), ...of(false, wanted(plan).males)]
  return grades.map(own => bySex(best.filter(g => own.includes(g))))
}

/** Who comes into which box: a male each, females spread, away from their family where it goes. */
function boxesOf({ kept, grades, random, t }: { kept: Kept; grades: Grade[][]; random: Random; t: number }): Box[] {
  const take = (female: boolean) =>
    kept.flatMap((k, f) =>
      (female ? k.females : k.males).flatMap((n, r) =>
        shuffled(
          random,
          ofSex(grades[f]!, female).filter(g => g.rung === r),
        ).slice(0, n),
      ),
    )
  const boxes = shuffled(random, take(false)).map(sire => ({ sires: [sire], dams: [] as Grade[] }))
  for (const dam of shuffled(random, take(true))) {
    const free = boxes.toSorted((a, b) => a.dams.length - b.dams.length)
    const least = free.filter(b => b.dams.length === free[0]!.dams.length)
    const other = least.find(b => t === 0 || b.sires[0]!.animal.family !== dam.animal.family)
    const box = other ?? least[0]!
    box.dams.push(dam)
  }
  return boxes
}

function shuffled<T>(random: Random, list: readonly T[]): T[] {
  return list
    .map(x => ({ x, at: random() }))
    .toSorted((a, b) => a.at - b.at)
    .map(({ x }) => x)
}

/** True kinship of all that bred and of the last ones, by the tabular method. */
function pedigreeOf(all: readonly Animal[]) {
  const kin = kinships(
    all.map(a => ({ id: a.id, sireIds: a.sire ? [a.sire.id] : [], damIds: a.dam ? [a.dam.id] : [] })),
  )
  return {
    of: (a: Animal) => (a.sire && a.dam ? kinshipOf(kin, a.sire.id, a.dam.id) : 0),
    mean: (list: readonly Animal[]) => {
      let [sum, n] = [0, 0]
      for (let i = 0; i < list.length; i += 3)
        for (let j = i + 1; j < list.length; j += 3) {
          sum += kinshipOf(kin, list[i]!.id, list[j]!.id)
          n++
        }
      return sum / n
    },
  }
}

/** Paired runs: both ways from the same beginning. */
export const pairFamilies = (seeds: readonly number[]): PairResult[] =>
  seeds.map(seed => {
    const [own, best] = [live(seed, true), live(seed, false)]
    return {
      ...{ groupId: 'families' as const, families: own.families },
      gain: { proposed: own.gain, best: best.gain },
      kinship: { proposed: own.kinship, best: best.kinship },
    }
  })

/** Means of both ways, and how sure the differences are (standard errors of paired differences). */
export function pairsTable(results: readonly PairResult[]) {
  const mean = (of: (r: PairResult) => number) => results.reduce((sum, r) => sum + of(r), 0) / results.length
  const se = (of: (r: PairResult) => number) => {
    const m = mean(of)
    return Math.sqrt(results.reduce((sum, r) => sum + (of(r) - m) ** 2, 0) / (results.length * (results.length - 1)))
  }
  const gain = (r: PairResult) => r.gain.proposed - r.gain.best
  const kinship = (r: PairResult) => r.kinship.proposed - r.kinship.best
  return {
    n: results.length,
    ...{ gain: mean(r => r.gain.proposed), gainOfBest: mean(r => r.gain.best) },
    ...{ more: mean(gain), moreSe: se(gain) },
    ...{ kinship: mean(r => r.kinship.proposed), kinshipOfBest: mean(r => r.kinship.best) },
    ...{ kinshipMore: mean(kinship), kinshipSe: se(kinship) },
  }
}
