import { normalFrom, quickNormalBelow, type Ranged, STREAM_STEP, streamAt, uniformAt } from '#core/stats'
import { varietyAmong } from './effectiveBreeders'
import { UNEVENNESS } from './familySizes'
import type { BreederSet } from './history'
import type { LineDraw, LineFit } from './lineFit'
import { LINE_PRIOR, youngOf } from './lineModel'
import { rangeOf } from './nextGeneration'
import { selectionOf } from './selection'

/** A line some generations on, when each time as many of the best are kept. */
export interface GenerationAhead {
  /** mean rung, from 1 */
  meanRung: Ranged
  /** share on a rung or above it, for each rung */
  upFrom: Ranged[]
}

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
export function generationsAhead(fit: LineFit, asked: AheadAsked): GenerationAhead[] {
  const { history } = fit.model
  const lives = fit.draws.map((draw, d) => liveOn(fit, draw, asked, streamAt(asked.seed ?? 13, d)))
  return Array.from({ length: asked.generations }, (_, t) => {
    const shares = lives.map(l => l[t]!)
    return {
      meanRung: rangeOf(shares.map(s => s.reduce((sum, share, k) => sum + share * (k + 1), 0))),
      upFrom: Array.from({ length: history.rungs }, (__, k) =>
        rangeOf(shares.map(s => s.slice(k).reduce((a, b) => a + b, 0))),
      ),
    }
  })
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
  const rowOf = new Map(model.history.groups.map((g, row) => [g.id, row]))
  const { males, females, perGeneration } = varietyAmong(breeders)
  const eye = run.eyes.values().next().value!
  const first = youngOf(breeders, run, rowOf, heritability)
  let mean = first.mean + Math.sqrt(first.doubt + first.segregating / young) * luck()
  let variance = first.variance
  const found: number[][] = []
  for (let t = 0; t < generations; t++) {
    const environment = LINE_PRIOR.environment * luck()
    const sd = Math.sqrt(variance + run.rest + run.sexes ** 2)
    const below = eye.cuts.map(cut => quickNormalBelow((cut - mean - environment) / sd))
    found.push([...below, 1].map((p, k) => p - (k > 0 ? below[k - 1]! : 0)))
    const seen = variance + run.rest + eye.blur
    const side = (kept: number, sex: 'male' | 'female') => {
      const share = Math.min(0.98, Math.max(0.005, (2 * kept) / young))
      const { intensity, narrowing } = selectionOf(share)
      const regression = variance / seen
      const left = variance * (1 - regression * narrowing)
      const many = Math.max(1, kept) / (1 + UNEVENNESS[sex])
      return {
        rise: intensity * regression * Math.sqrt(seen),
        left: left * (1 - 1 / Math.max(1.5, many)),
        doubt: left / many,
      }
    }
    const [sires, dams] = [side(males, 'male'), side(females, 'female')]
    const segregating = (heritability / 2) * (1 - perGeneration) ** (t + 1)
    mean += (sires.rise + dams.rise) / 2 + Math.sqrt((sires.doubt + dams.doubt) / 4 + segregating / young) * luck()
    variance = (sires.left + dams.left) / 4 + segregating
  }
  return found
}
