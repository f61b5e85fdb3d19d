import { normalFrom, STREAM_STEP, streamAt, uniformAt } from '#core/stats'
import { varietyAmong } from './effectiveBreeders'
import { UNEVENNESS } from './familySizes'
import type { BreederSet } from './history'
import type { LineDraw, LineFit } from './lineFit'
import { amongFew, LINE_PRIOR, youngOf } from './lineModel'
import { sharesBelow } from './lineRun'
import { selectionOf } from './selection'
import { type SharesTold, sharesTold } from './sharesTold'

/** What is asked of the generations to come. */
export interface AheadAsked {
  breeders: readonly BreederSet[]
  generations: number
  /** animals that grow up in each */
  young: number
  seed?: number
}

/**
 * Several generations ahead: the first from these breeders, every next one from the best of the young, as many of each
 * sex. Response falls off as the variance does: by selection itself (Bulmer 1971), and by inbreeding.
 * @returns generation 1, 2, … from now
 */
export function generationsAhead(fit: LineFit, asked: AheadAsked): SharesTold[] {
  const lives = fit.draws.map((draw, d) => liveOn(fit, draw, asked, streamAt(asked.seed ?? 13, d)))
  return Array.from({ length: asked.generations }, (_, t) => sharesTold(lives.map(l => l[t]!)))
}

/** Rungs that each further generation brings. */
export const paceAhead = (ahead: readonly SharesTold[]): number =>
  (ahead.at(-1)!.meanRung.value - ahead[0]!.meanRung.value) / Math.max(1, ahead.length - 1)

/** What keeping the best of a generation does to the next. */
export interface Kept {
  /** by how much the mean of the young rises */
  rise: number
  /** variance of that mean: who exactly they are, how unevenly they breed, and that the young are so many */
  doubt: number
  /** genetic variance among the young */
  variance: number
}

/**
 * The best of so many young are kept, as many of each sex as before (Falconer & Mackay 1996, ch. 11; Bulmer 1971).
 * @param variance genetic, among those that are graded
 * @param seen what is seen varies by: genes, the rest, and the keeper's error
 * @param segregating variance that segregates among the young of these breeders
 */
export function keepBest(
  { variance, seen, segregating }: { variance: number; seen: number; segregating: number },
  { males, females, young }: { males: number; females: number; young: number },
): Kept {
  const regression = variance / seen
  const side = (kept: number, sex: 'male' | 'female') => {
    const { intensity, narrowing } = selectionOf(Math.min(0.98, Math.max(0.005, (2 * kept) / young)))
    const left = variance * (1 - regression * narrowing)
    return {
      rise: intensity * regression * Math.sqrt(seen),
      left: left * amongFew(kept, sex),
      doubt: (left * (1 + UNEVENNESS[sex])) / Math.max(1, kept),
    }
  }
  const [sires, dams] = [side(males, 'male'), side(females, 'female')]
  return {
    rise: (sires.rise + dams.rise) / 2,
    doubt: (sires.doubt + dams.doubt) / 4 + segregating / young,
    variance: (sires.left + dams.left) / 4 + segregating,
  }
}

/** One possible line, generation by generation: the shares of its rungs, as they truly are. */
function liveOn(
  { model }: LineFit,
  { heritability, run }: LineDraw,
  { breeders, generations, young }: AheadAsked,
  stream: number,
): number[][] {
  let turn = stream
  const luck = () => normalFrom(uniformAt((turn = (turn + STREAM_STEP) | 0)))
  const founders = heritability * model.segregates(breeders)
  const { males, females, perGeneration } = varietyAmong(breeders)
  const eye = run.eyes.values().next().value!
  const first = youngOf(breeders, run, model.rowOf, founders)
  let mean = first.mean + Math.sqrt(first.doubt + first.segregating / young) * luck()
  let { variance } = first
  const found: number[][] = []
  for (let t = 0; t < generations; t++) {
    const environment = LINE_PRIOR.environment * luck()
    const below = sharesBelow(run, { mean: mean + environment, variance })
    found.push([...below, 1].map((p, k) => p - (k > 0 ? below[k - 1]! : 0)))
    const segregating = (founders / 2) * (1 - perGeneration) ** (t + 1)
    const seen = variance + run.rest + eye.blur
    const kept = keepBest({ variance, seen, segregating }, { males, females, young })
    mean += kept.rise + Math.sqrt(kept.doubt) * luck()
    ;({ variance } = kept)
  }
  return found
}
