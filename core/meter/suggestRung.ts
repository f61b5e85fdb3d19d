import { ordinalRegression, rungChances } from '#core/lines'

/** What was measured of a photo that a keeper has graded. */
export interface GradedPhoto {
  /** from 0, the dullest */
  rung: number
  cover: number
  depth: number
}

/** Which rung a photo may stand on. */
export interface RungSuggested {
  /** chance of each rung, the dullest first */
  chances: number[]
  /** the likeliest */
  rung: number
  /** own graded photos that it was learnt from */
  photos: number
  /** too few photos to say, no rung stands out, or one does */
  known: 'tooFew' | 'unsure' | 'sure'
}

/** Fewer own photos say nothing; from about so many on the suggestion is as good as it gets (measured; see science). */
export const FEW_PHOTOS = 12
export const ENOUGH_PHOTOS = 40
/** A rung stands out where it is likelier than all others together. */
const STANDS_OUT = 0.5
/** Half an animal on each rung, evenly covered from the dullest up: until photos say otherwise (from memory). */
const BEFOREHAND = 0.5
/** Spread of the slopes before any photo, for cover by 0.3 and depth by 15 (from memory). */
const SLOPE_SD = 3
const SCALE = { cover: [0.5, 0.3], depth: [60, 15] } as const

const placeOf = ({ cover, depth }: Pick<GradedPhoto, 'cover' | 'depth'>): number[] => [
  (cover - SCALE.cover[0]) / SCALE.cover[1],
  (depth - SCALE.depth[0]) / SCALE.depth[1],
]

/**
 * Suggests a rung from the keeper's own graded photos: ordinal regression on cover and depth, learnt for one ladder.
 * @param rungs of the ladder
 */
export function suggestRung(
  photos: readonly GradedPhoto[],
  rungs: number,
  measured: Pick<GradedPhoto, 'cover' | 'depth'>,
): RungSuggested {
  const depth = photos.length > 0 ? photos.reduce((sum, p) => sum + p.depth, 0) / photos.length : SCALE.depth[0]
  const one = (k: number, n: number) => Array.from({ length: rungs }, (_, i) => (i === k ? n : 0))
  const fit = ordinalRegression(
    [
      ...Array.from({ length: rungs }, (_, k) => ({
        counts: one(k, BEFOREHAND),
        x: placeOf({ cover: (k + 0.5) / rungs, depth }),
      })),
      ...photos.map(p => ({ counts: one(p.rung, 1), x: placeOf(p) })),
    ],
    SLOPE_SD,
  )
  const chances = rungChances(fit, placeOf(measured))
  const rung = chances.indexOf(Math.max(...chances))
  const known = photos.length < FEW_PHOTOS ? 'tooFew' : chances[rung]! < STANDS_OUT ? 'unsure' : 'sure'
  return { chances, rung, photos: photos.length, known }
}
