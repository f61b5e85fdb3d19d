import { effectiveBySexes, fitLine, foreseen, inbreedingAfter, inbreedingOfGroups, nextGeneration } from '#core/lines'
import { type Random, seededRandom } from '#core/stats'
import { normal, type TrueLine, trueLine } from './lines'

/** What was told of one line, and what was true. */
export interface LineResult {
  generations: number
  heritability: { held: boolean; width: number; off: number }
  /** of the next generation, rung by rung */
  shares: { held: boolean; off: number; asLast: number }[]
  /** mean inbreeding of the next generation; as the two sexes alone would have it */
  inbreeding: { held: boolean; off: number; bySexes: number }
  /** whether a fall was called of a generation as it came, and of one that a stranger fathered in part */
  called: { asItCame: boolean; crossed: boolean }
}

const holds = ({ low, high }: { low: number; high: number }, truth: number) =>
  truth >= low - 1e-9 && truth <= high + 1e-9

/** Lives lines through, and holds what is told of each against its truth. */
export const breedLines = (seeds: readonly number[]): LineResult[] => seeds.map(seed => toldOf(trueLine(seed)))

function toldOf(line: TrueLine): LineResult {
  const { history, next, animals } = line
  const fit = fitLine(history)
  const young = animals.at(-1)!
  const told = nextGeneration(fit, { breeders: next.breeders, young: young.length })
  const last = history.groups.at(-1)!
  const graded = Array.from({ length: history.rungs }, (_, k) => {
    const alone = last.gradings.reduce((sum, g) => sum + g.cells[k]!.number, 0)
    return alone + last.twice.reduce((sum, t) => sum + t.table[k]!.reduce((a, b) => a + b, 0), 0)
  })
  const all = graded.reduce((a, b) => a + b, 0)
  const after = { ...last, id: 'next', breeders: next.breeders, gradings: [], twice: [] }
  const inbred = inbreedingOfGroups([...history.groups, after]).of.get('next')!
  const sexes = [...history.groups.slice(2), after].map(g =>
    effectiveBySexes(g.breeders[0]!.number, g.breeders[1]!.number),
  )
  const random = seededRandom(young.length)
  const called = (share: number) =>
    foreseen(history, { breeders: next.breeders, counts: gradedAs(line, random, share), grader: 'A' }).unexplained
  return {
    called: { asItCame: called(0), crossed: called(0.6) },
    generations: history.groups.length,
    heritability: {
      held: holds(fit.heritability, line.heritability),
      width: fit.heritability.high - fit.heritability.low,
      off: fit.heritability.value - line.heritability,
    },
    shares: told.shares.map((share, k) => {
      const truth = young.filter(a => line.cuts.filter(cut => a.trait > cut).length === k).length / young.length
      return {
        held: holds(share, truth),
        off: Math.abs(share.value - truth),
        asLast: Math.abs(graded[k]! / all - truth),
      }
    }),
    inbreeding: {
      held: holds(inbred, line.inbreeding),
      off: inbred.value - line.inbreeding,
      bySexes: inbreedingAfter(sexes) - line.inbreeding,
    },
  }
}

/** The next generation as its keeper grades it; a share of it has a dull stranger for its father. */
function gradedAs({ animals, cuts, history }: TrueLine, random: Random, share: number): number[] {
  const counts = Array.from({ length: history.rungs }, () => 0)
  for (const { trait } of animals.at(-1)!) {
    const fallen = random() < share ? -1.5 : 0
    counts[cuts.filter(cut => trait + fallen + 0.3 * normal(random) > cut).length]!++
  }
  return counts
}

const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length
const median = (list: readonly number[]) => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)]!

/** Figures of some lines. */
export function linesTable(results: readonly LineResult[]) {
  const shares = results.flatMap(r => r.shares)
  const part = (list: readonly { held: boolean }[]) => list.filter(x => x.held).length / list.length
  return {
    n: results.length,
    heritabilityHeld: part(results.map(r => r.heritability)),
    heritabilityWidth: median(results.map(r => r.heritability.width)),
    heritabilityOff: mean(results.map(r => r.heritability.off)),
    sharesHeld: part(shares),
    sharesOff: mean(shares.map(s => s.off)),
    asLastOff: mean(shares.map(s => s.asLast)),
    inbreedingHeld: part(results.map(r => r.inbreeding)),
    inbreedingOff: mean(results.map(r => r.inbreeding.off)),
    inbreedingError: median(results.map(r => Math.abs(r.inbreeding.off))),
    calledInVain: results.filter(r => r.called.asItCame).length / results.length,
    crossingsCalled: results.filter(r => r.called.crossed).length / results.length,
    bySexesOff: mean(results.map(r => r.inbreeding.bySexes)),
  }
}
