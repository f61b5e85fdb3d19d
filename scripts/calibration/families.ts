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
 * Boxes with a male and some females each; the young of a box are a family. Animals have true pedigrees, and genes by
 * the infinitesimal model with what inbreeding of the parents leaves. One way keeps the best rungs, the other what the
 * app proposes; both begin with the same animals, and their males and females are put together in the same manner.
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
  const groups: LineGroup[] = []
  let now = Array.from({ length: plan.families }, (_, f) =>
    Array.from({ length: plan.each }, () => make(`f0.${f}`, null, null)),
  )
  const first = meanOf(now)
  for (const [f, list] of now.entries()) groups.push(groupOf(`f0.${f}`, 'p0', gradesOf(random, plan, list), []))
  for (let t = 1; t <= GENERATIONS; t++) {
    const grades = now.map(list => gradesOf(random, plan, list))
    for (const [f] of now.entries()) {
      const last = groups.find(g => g.id === `f${t - 1}.${f}`)!
      groups[groups.indexOf(last)] = { ...last, ...groupOf(last.id, last.period, grades[f]!, last.breeders) }
    }
    const chosen = choose({ plan, proposed, groups, now, grades, t, random })
    const inbreeding = pedigreeOf(all)
    for (const a of all) a.inbreeding = inbreeding.of(a)
    now = chosen.boxes.map(({ sire, dams }, f) =>
      Array.from({ length: plan.each }, () => make(`f${t}.${f}`, sire, dams[Math.floor(random() * dams.length)]!)),
    )
    for (const [f, box] of chosen.boxes.entries()) {
      const set = (sex: 'male' | 'female', list: readonly Animal[]) =>
        [...new Set(list.map(a => a.family))].map(groupId => {
          const own = list.filter(a => a.family === groupId)
          const rungs = Array.from({ length: RUNGS }, (_, k) => own.filter(a => chosen.rung.get(a) === k).length)
          return { groupId, sex, number: own.length, rungs, grader: 'A' }
        })
      groups.push({
        ...groupOf(`f${t}.${f}`, `p${t}`, [], []),
        breeders: [...set('male', [box.sire]), ...set('female', box.dams)],
      })
    }
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
type Grades = ReturnType<typeof gradesOf>

function groupOf(id: string, period: string, grades: Grades, breeders: LineGroup['breeders']): LineGroup {
  const gradings = (['female', 'male'] as const).map(sex => ({
    ...{ grader: 'A', sex },
    cells: Array.from({ length: RUNGS }, (_, k) => ({
      ...{ from: k, to: k },
      number: grades.filter(g => g.rung === k && g.animal.female === (sex === 'female')).length,
    })),
  }))
  return {
    id,
    size: Math.max(2, grades.length),
    breeders,
    period,
    gradings: grades.length > 0 ? gradings : [],
    twice: [],
  }
}

interface Choosing {
  plan: Plan
  proposed: boolean
  groups: readonly LineGroup[]
  now: readonly (readonly Animal[])[]
  grades: readonly Grades[]
  t: number
  random: Random
}

/** Whom to keep, and who comes into which box: a male each, females spread, away from their family where it goes. */
function choose({ plan, proposed, groups, grades, t, random }: Choosing) {
  const stocks: Stock[] = grades.map((list, f) => {
    const of = (female: boolean) =>
      Array.from({ length: RUNGS }, (_, k) => list.filter(g => g.rung === k && g.animal.female === female).length)
    return { groupId: `f${t - 1}.${f}`, grader: 'A', females: of(true), males: of(false) }
  })
  const many = { females: plan.families * plan.dams, males: plan.families }
  const pick = familyPick(fitLine({ rungs: RUNGS, groups: [...groups] }), stocks, many)!
  const keep = (proposed ? pick.proposed : pick.bestRungs).keep
  const rung = new Map(grades.flat().map(g => [g.animal, g.rung]))
  const take = (female: boolean) =>
    keep.flatMap((k, f) =>
      (female ? k.females : k.males).flatMap((n, r) =>
        shuffled(
          random,
          grades[f]!.filter(g => g.rung === r && g.animal.female === female),
        ).slice(0, n),
      ),
    )
  const sires = shuffled(random, take(false)).map(g => g.animal)
  const dams = shuffled(random, take(true)).map(g => g.animal)
  const boxes = sires.map(sire => ({ sire, dams: [] as Animal[] }))
  for (const dam of dams) {
    const free = boxes.toSorted((a, b) => a.dams.length - b.dams.length)
    const least = free[0]!.dams.length
    const box = free.find(b => b.dams.length === least && b.sire.family !== dam.family) ?? free[0]!
    box.dams.push(dam)
  }
  return { boxes: boxes.filter(b => b.dams.length > 0), rung }
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
