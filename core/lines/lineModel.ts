import { type Chosen, chosenOf, type Eye, joinChosen, type Standing } from './chosen'
import { UNEVENNESS } from './familySizes'
import { groupKinships } from './groupKinship'
import { type BreederSet, type GradedSex, gradersOf, heldBy, type LineHistory, type Stayed } from './history'
import { breederGroups } from './breederGroups'
import { fillChances, type LineRun, sign } from './lineRun'
import { differedIn, raisedBy, upbringingOf } from './upbringing'

/** Figures from memory that the fit begins with, marked as such where they are shown. */
export const LINE_PRIOR = {
  /** standard deviation of what one generation's food and warmth add to all of it, in those of the trait */
  environment: 0.15,
  /** a keeper's error: its standard deviation in those of the trait, and the spread of that on the log scale */
  blur: 0.35,
  blurSd: 0.5,
  /** how far keepers lie apart */
  shift: 0.35,
  /** how far males and females lie apart */
  sexes: 0.5,
  /** where the lowest border lies, and the ratio of the steps between them */
  lowest: 1.5,
  steps: 0.6,
  /** founders that come later lie anywhere about the first */
  strangers: 1,
} as const

/** Animals of a founder group do not know each other; its young have all of the variance. */
export interface LineModel {
  readonly history: LineHistory
  readonly graders: readonly string[]
  /** how many standard normal numbers it is made of */
  readonly size: number
  /** row of each group */
  readonly rowOf: ReadonlyMap<string, number>
  /** part of the founders' variance that inbreeding of some breeders leaves to segregate among their young */
  segregates(breeders: readonly BreederSet[]): number
  /**
   * Lives the line through.
   * @param like a run whose latents differ by the one latent that is named alone: what stands before it is taken over
   */
  run(latents: Float64Array, heritability: number, like?: { run: LineRun; latent: number }): LineRun
}

/** One multinomial of a history: how many fell into each of its cells, which follow one another in `chances`. */
export interface Graded {
  counts: readonly number[]
  total: number
  at: number
}

/** All that was graded, as multinomials in the order in which the model gives their chances. */
export function cellsOf(history: LineHistory): Graded[] {
  const found: Graded[] = []
  let at = 0
  const add = (counts: readonly number[]) => {
    found.push({ counts, total: counts.reduce((a, b) => a + b, 0), at })
    at += counts.length
  }
  for (const { gradings, twice } of history.groups) {
    for (const { cells } of gradings) add(cells.map(c => c.number))
    for (const { table } of twice) add(table.flat())
  }
  return found
}

/** Where each unknown stands among the latents. */
interface Layout {
  blurs: number
  shifts: number
  periods: number
  groups: number
  /** how far the sexes lie apart; only where somebody told them apart */
  sexes: number
  /** what one step of each condition adds; only of such as differed */
  slopes: number
  size: number
}

function layoutOf(history: LineHistory, counts: { graders: number; periods: number; differed: number }): Layout {
  const { graders, periods, differed } = counts
  const sexed = history.groups.some(g => g.gradings.some(x => x.sex !== 'mixed'))
  const blurs = history.rungs - 1
  const shifts = blurs + graders
  const periodsAt = shifts + Math.max(0, graders - 1)
  const groups = periodsAt + periods
  const sexes = groups + history.groups.length - 1
  const slopes = sexes + (sexed ? 1 : 0)
  return { blurs, shifts, periods: periodsAt, groups, sexes, slopes, size: slopes + differed }
}

/** The first group that each latent changes: a year’s environment and a group’s drift change nothing before them. */
const firstRowsOf = (layout: Layout, { groups }: LineHistory, periods: readonly string[]): number[] =>
  Array.from({ length: layout.size }, (_, i) =>
    i < layout.periods || i >= layout.sexes
      ? 0
      : i < layout.groups
        ? groups.findIndex(g => g.period === periods[i - layout.periods])
        : i - layout.groups + 1,
  )

/** How each keeper sees, as some latents have it: the borders rise by steps about three standard deviations in all. */
function eyesOf(z: Float64Array, { blurs, shifts }: Layout, graders: readonly string[]): Map<string, Eye> {
  const rungs = blurs + 1
  const usualStep = 3 / rungs
  const cuts = [(-usualStep * (rungs - 2)) / 2 + LINE_PRIOR.lowest * z[0]!]
  for (let k = 1; k < blurs; k++) cuts.push(cuts[k - 1]! + usualStep * Math.exp(LINE_PRIOR.steps * z[k]!))
  return new Map(
    graders.map((grader, i) => [
      grader,
      {
        cuts,
        shift: i === 0 ? 0 : LINE_PRIOR.shift * z[shifts + i - 1]!,
        blur: (LINE_PRIOR.blur * Math.exp(LINE_PRIOR.blurSd * z[blurs + i]!)) ** 2,
      },
    ]),
  )
}

/**
 * The threshold model of a line over its generations: breeding values, what each environment added, and how each
 * keeper sees. Every unknown is a standard normal number, so that a fit has one prior and one way of looking.
 * Sources: Wright (1934), Genetics 19: 506; Falconer & Mackay (1996), ch. 11 and 18; Bulmer (1971), Am. Nat. 105: 201.
 * Drift is what who exactly bred, and how unevenly, leaves open (Hill 1972, Biometrics 28: 747).
 */
export function lineModel(history: LineHistory): LineModel {
  const graders = gradersOf(history)
  const periods = [...new Set(history.groups.map(g => g.period))]
  const rowOf = new Map(history.groups.map((g, row) => [g.id, row]))
  const kin = groupKinships(breederGroups(history.groups))
  const differed = differedIn(history)
  const upbringings = history.groups.map(g => upbringingOf([...g.gradings, ...g.twice]))
  const layout = layoutOf(history, { graders: graders.length, periods: periods.length, differed: differed.length })
  const cells = cellsOf(history).reduce((sum, c) => sum + c.counts.length, 0)
  function segregates(breeders: readonly BreederSet[]): number {
    const all = breeders.reduce((sum, b) => sum + heldBy(b), 0)
    return 1 - breeders.reduce((sum, b) => sum + (heldBy(b) / all) * kin.inbreeding[rowOf.get(b.groupId)!]!, 0)
  }
  const kept = history.groups.map(({ breeders }) => segregates(breeders))

  const firstRows = firstRowsOf(layout, history, periods)
  const startsAt = history.groups.map((_, row) =>
    cellsOf({ ...history, groups: history.groups.slice(0, row) }).reduce((sum, c) => sum + c.counts.length, 0),
  )

  function run(z: Float64Array, heritability: number, like?: { run: LineRun; latent: number }): LineRun {
    const from = like ? firstRows[like.latent]! : 0
    const made: LineRun = {
      eyes: like && from > 0 ? like.run.eyes : eyesOf(z, layout, graders),
      sexes: layout.slopes > layout.sexes ? (LINE_PRIOR.sexes * z[layout.sexes]!) / 2 : 0,
      differed,
      slopes: differed.map(({ condition: { prior } }, i) => prior.mean + prior.sd * z[layout.slopes + i]!),
      rest: 1 - heritability,
      standings: like ? like.run.standings.slice(0, from) : [],
      chances: new Float64Array(cells),
    }
    let at = startsAt[from] ?? 0
    if (like) made.chances.set(like.run.chances.subarray(0, at))
    for (let row = from; row < history.groups.length; row++) {
      const group = history.groups[row]!
      const environment = LINE_PRIOR.environment * z[layout.periods + periods.indexOf(group.period)]!
      const raised = raisedBy(differed, made.slopes, upbringings[row])
      const luck = row === 0 ? 0 : z[layout.groups + row - 1]!
      if (group.breeders.length === 0)
        made.standings.push({ mean: LINE_PRIOR.strangers * luck, variance: heritability, environment, raised })
      else {
        const { mean, variance, doubt, segregating } = youngOf(group.breeders, made, rowOf, heritability * kept[row]!)
        const young = {
          mean,
          variance,
          environment,
          raised,
          doubt: doubt + segregating / Math.max(1, group.size),
        }
        const all = group.stayed ? withStayed(young, group.stayed, made, rowOf) : young
        const moved = all.mean + Math.sqrt(all.doubt) * luck
        made.standings.push({ mean: moved, variance: all.variance, environment: all.environment, raised })
      }
      at = fillChances(made, row, group, at)
    }
    return made
  }
  return { history, graders, size: layout.size, rowOf, segregates, run }
}

/** Animals of whose mean something is not known: a variance. */
type Doubted = Standing & Pick<Chosen, 'doubt'>

/**
 * Young and those whom they have joined, as one. What was chosen of those that stayed is not all in their genes: the
 * rest of it is still to be seen on them, and goes with them.
 */
export function withStayed(
  young: Doubted,
  { share, breeders }: Stayed,
  run: LineRun,
  rowOf: ReadonlyMap<string, number>,
): Doubted {
  const before = run.standings[rowOf.get(breeders.groupId)!]!
  const eye = eyeOf(run, breeders.grader)
  const stayed = chosenOf(breeders, { standing: before, eye, environment: run.rest, unevenness: 0 })
  const beside = ((stayed.mean - before.mean) * run.rest) / before.variance
  const born = 1 - share
  return {
    mean: born * young.mean + share * stayed.mean,
    variance: born * young.variance + share * stayed.variance + born * share * (young.mean - stayed.mean) ** 2,
    environment: born * young.environment + share * (before.environment + beside),
    raised: young.raised,
    doubt: born ** 2 * young.doubt + share ** 2 * stayed.doubt,
  }
}

/** What breeders pass on, and what segregates among their young. */
export interface Young extends Chosen {
  segregating: number
}

/**
 * The young of some breeders: half of each side, and what segregates (infinitesimal model; Bulmer 1971). Where sexes
 * are not told apart both sides are the same animals.
 * @param founders genetic variance of the founders less what inbreeding of the parents took
 */
export function youngOf(
  breeders: readonly BreederSet[],
  run: LineRun,
  rowOf: ReadonlyMap<string, number>,
  founders: number,
): Young {
  const side = (sex: GradedSex): Chosen & { number: number } => {
    const own = breeders.filter(b => b.sex === sex || b.sex === 'mixed')
    const sets = own.map(b => {
      const number = b.sex === 'mixed' ? b.number / 2 : b.number
      const chosen = chosenOf(b, {
        standing: run.standings[rowOf.get(b.groupId)!]!,
        eye: moved(eyeOf(run, b.grader), sign[b.sex] * run.sexes),
        environment: run.rest,
        unevenness: UNEVENNESS[b.sex],
      })
      return { number, weight: heldBy({ ...b, number }), chosen }
    })
    return { ...joinChosen(sets), number: sets.reduce((sum, s) => sum + s.number, 0) }
  }
  const [sires, dams] = [side('male'), side('female')]
  const segregating = founders / 2
  const within = sires.variance * amongFew(sires.number, 'male') + dams.variance * amongFew(dams.number, 'female')
  return {
    mean: (sires.mean + dams.mean) / 2,
    variance: within / 4 + segregating,
    doubt: (sires.doubt + dams.doubt) / 4,
    segregating,
  }
}

/** Part of a variance that is left within a sample of so few breeders; the rest lies between samples. */
export const amongFew = (number: number, sex: GradedSex): number =>
  Math.max(0, 1 - (1 + UNEVENNESS[sex]) / Math.max(1, number))

/** How a keeper sees; one who graded nothing that is left sees like the one who graded most. */
const eyeOf = ({ eyes }: LineRun, grader: string): Eye => eyes.get(grader) ?? eyes.values().next().value!

const moved = (eye: Eye, by: number): Eye => (by === 0 ? eye : { ...eye, shift: eye.shift + by })
