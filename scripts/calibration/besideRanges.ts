import { type Beside, besideNext, besideTrait, fitLine, type LineGroup, type LineRead } from '#core/lines'
import { begun, type EntryOf, type Ladder, type RungCount, toMoment, WEEK_MS } from '#core/records'
import { hashText, type Random, seededRandom } from '#core/stats'
import { newId } from '../../app/data/newId'
import { type Animal, normal, type TrueLine, trueLine } from './lines'

/** What was told of a trait that nobody selected, and what was true of it. */
export interface BesideResult {
  /** rungs of it for one of the main trait: what was told, and by the genes of the founders */
  slope: { held: boolean; width: number; off: number; learnt: number }
  /** change of its genes in the next generation, in rungs */
  next: { held: boolean; off: number; asNone: number }
}

const holds = ({ low, high }: { low: number; high: number }, truth: number) => truth >= low && truth <= high
const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length

/** Lives lines through, whose second trait shares some of the genes of the first. */
export const gradeBeside = (seeds: readonly number[]): BesideResult[] => seeds.map(seed => toldOf(trueLine(seed), seed))

/** A second trait: genes that lean with those of the first, food and warmth of its own, and its own rungs. */
function secondTrait(random: Random, { effects, animals }: TrueLine) {
  const [together, heritability] = [1.6 * random() - 0.8, 0.08 + 0.5 * random()]
  const own = effects.map(a => together * a + Math.sqrt(1 - together ** 2) * spreadOf(effects) * normal(random))
  const raw = (a: Animal) => own.reduce((sum, e, i) => sum + e * (a.genes[2 * i]! + a.genes[2 * i + 1]!), 0)
  const founders = animals[0]!.map(raw)
  const middle = mean(founders)
  const scale = Math.sqrt(heritability / mean(founders.map(x => (x - middle) ** 2)))
  const value = (a: Animal) => scale * (raw(a) - middle)
  const years = animals.map(() => 0.15 * normal(random))
  const [blur, sexes] = [0.2 + 0.4 * random(), 0.4 * random()]
  const cuts = [-1.1, -0.1, 0.9].map(cut => cut + 0.4 * normal(random)).sort((a, b) => a - b)
  const graded = (a: Animal, t: number) => {
    const rest = Math.sqrt(1 - heritability) * normal(random) + blur * normal(random)
    return cuts.filter(cut => value(a) + years[t]! + (a.female ? sexes : -sexes) / 2 + rest > cut).length
  }
  return { value, graded, cuts }
}
const spreadOf = (list: Float64Array) => Math.sqrt(mean([...list].map(x => x * x)))

/** Grades of all generations but the last by one keeper, as the log has them. */
function gradings(random: Random, ladder: Ladder, line: TrueLine, graded: (a: Animal, t: number) => number) {
  return line.history.groups.map(({ id }, t): EntryOf<'grading'> => {
    const seen: RungCount[] = line.animals[t]!.filter(() => random() < 0.8).map(a => ({
      ...{ rungId: ladder.rungs[graded(a, t)]!.id, number: 1 },
      sex: a.female ? 'female' : 'male',
    }))
    const at = toMoment(t * 20 * WEEK_MS)
    const stamp = { id: newId(), at, loggedAt: at, keeper: 'A', colonyId: newId() }
    return { ...stamp, kind: 'grading', ladderId: ladder.id, generationId: id, seen }
  })
}

function toldOf(line: TrueLine, seed: number): BesideResult {
  const random = seededRandom(hashText(`beside ${seed}`))
  const { value, graded, cuts } = secondTrait(random, line)
  const ladder: Ladder = {
    ...begun(newId(), 0),
    ...{ roomId: newId(), trait: 'Size' },
    rungs: [0, 1, 2, 3].map(order => ({ id: newId(), words: `${order}`, order })),
  }
  const fit = fitLine(line.history)
  const generations = line.history.groups.map(({ id }: LineGroup, t) => ({
    ...{ id, n: t + 1, fromMs: t * 20 * WEEK_MS, gradings: [], counts: [], size: 0, bred: null },
  }))
  const read: LineRead = { history: line.history, generations, running: [], renewal: null }
  const told = besideTrait(ladder, gradings(random, ladder, line, graded), { read, fit })
  const [second, main] = [cuts, line.cuts].map(c => (c.at(-1)! - c[0]!) / (c.length - 1))
  return { slope: slopeOf(told, line.animals[0]!, { value, ratio: main! / second! }), next: nextOf() }

  function nextOf(): BesideResult['next'] {
    const young = line.animals.at(-1)!
    const parents = line.animals.at(-2)!
    const truth = (mean(young.map(value)) - mean(parents.map(value))) / second!
    const range = besideNext(told, fit, { breeders: line.next.breeders, young: young.length })!
    return { held: holds(range, truth), off: Math.abs(range.value - truth), asNone: Math.abs(truth) }
  }
}

/** What goes with a unit of the main trait by the genes that the founders have. */
function slopeOf(
  { perRung, learnt }: Beside,
  founders: readonly Animal[],
  { value, ratio }: { value: (a: Animal) => number; ratio: number },
): BesideResult['slope'] {
  const [x, y] = [founders.map(a => a.value), founders.map(value)]
  const [mx, my] = [mean(x), mean(y)]
  const truth = (mean(x.map((v, i) => (v - mx) * (y[i]! - my))) / mean(x.map(v => (v - mx) ** 2))) * ratio
  const { low, value: middle, high } = perRung!
  return { held: holds(perRung!, truth), width: high - low, off: middle - truth, learnt }
}

/** Figures of some lines. */
export function besideTable(results: readonly BesideResult[]) {
  const [slopes, nexts] = [results.map(r => r.slope), results.map(r => r.next)]
  const part = (list: readonly { held: boolean }[]) => list.filter(x => x.held).length / list.length
  return {
    n: results.length,
    slopeHeld: part(slopes),
    slopeWidth: mean(slopes.map(s => s.width)),
    slopeOff: mean(slopes.map(s => s.off)),
    learnt: mean(slopes.map(s => s.learnt)),
    nextHeld: part(nexts),
    nextOff: mean(nexts.map(s => s.off)),
    asNone: mean(nexts.map(s => s.asNone)),
  }
}
