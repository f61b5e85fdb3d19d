import { generationsAhead } from './ahead'
import { type BreederSet, bothSexes } from './history'
import type { LineFit } from './lineFit'
import type { SharesTold } from './sharesTold'

/** What new blood costs in grade, and when that is made good. */
export interface OutcrossTold {
  /** generation by generation, bred on like this and with new males once */
  on: SharesTold[]
  crossed: SharesTold[]
  /** generations until the crossed line is where the line stands now; null where it is not within those told */
  backAfter: number | null
  /** generations until it is where the line would be without; null where it is not within those told */
  caughtUpAfter: number | null
}

/**
 * A line that takes unrelated males once and goes on with the best of the young, beside one that is bred on. The new
 * males are taken to be as the line's first animals were (from memory: new blood of the same kind that nobody bred for
 * the same goal).
 * @param breeders of both sexes, as they would breed without new blood
 * @param nowMean mean rung of the newest generation
 * @returns null where the breeders lack a sex
 */
export function outcrossAhead(
  fit: LineFit,
  {
    breeders,
    young,
    generations,
    nowMean,
  }: { breeders: readonly BreederSet[]; young: number; generations: number; nowMean: number },
): OutcrossTold | null {
  const females = breeders.filter(b => b.sex !== 'male')
  const males = breeders.filter(b => b.sex !== 'female').reduce((n, b) => n + b.number, 0)
  if (!bothSexes(breeders) || females.length === 0) return null
  const founders = fit.model.history.groups[0]!
  const grader = breeders[0]!.grader
  const strangers: BreederSet = { groupId: founders.id, sex: 'male', number: Math.max(1, males), rungs: null, grader }
  const dams = females.map((b): BreederSet => ({ ...b, sex: 'female' }))
  const asked = { generations, young }
  const on = generationsAhead(fit, { ...asked, breeders })
  const crossed = generationsAhead(fit, { ...asked, breeders: [strangers, ...dams] })
  const when = (reached: (t: number) => boolean) => {
    const t = crossed.findIndex((_, i) => reached(i))
    return t < 0 ? null : t + 1
  }
  return {
    ...{ on, crossed },
    backAfter: when(t => crossed[t]!.meanRung.value >= nowMean),
    caughtUpAfter: when(t => crossed[t]!.meanRung.value >= on[t]!.meanRung.value),
  }
}
