import type { Heads } from '#core/records'

/** Animals marked on one frame, by stage. */
export type FrameCount = Record<'grown' | 'halfGrown' | 'young', number>

/** Marks of a frame, told apart by stage. */
export function tallyMarks(marks: readonly { stage: keyof FrameCount }[]): FrameCount {
  const of = (stage: keyof FrameCount) => marks.filter(m => m.stage === stage).length
  return { grown: of('grown'), halfGrown: of('halfGrown'), young: of('young') }
}

/** What several frames of the same tank come to. */
export interface FramesCount {
  /** mean of the frames' sums */
  mean: number
  /** whole animals, never fewer than the parts told apart */
  number: number
  parts: Heads
  /** sum of each frame */
  series: number[]
  /** the stage that was marked most in all: whose hit rate counts */
  mostly: keyof FrameCount
}

/** Joins frames; null when nothing was marked on any of them. */
export function joinFrames(frames: readonly FrameCount[]): FramesCount | null {
  const series = frames.map(f => f.grown + f.halfGrown + f.young)
  const total = series.reduce((a, b) => a + b, 0)
  if (total === 0) return null
  const sum = (stage: keyof FrameCount) => frames.reduce((s, f) => s + f[stage], 0)
  const average = (stage: keyof FrameCount) => Math.round(sum(stage) / frames.length)
  const parts = {
    females: 0,
    males: 0,
    unsexed: average('grown'),
    halfGrown: average('halfGrown'),
    young: average('young'),
  }
  const mean = total / frames.length
  return {
    mean,
    number: Math.max(Math.round(mean), parts.unsexed + parts.halfGrown + parts.young),
    parts,
    series,
    mostly: (['grown', 'halfGrown', 'young'] as const).toSorted((a, b) => sum(b) - sum(a))[0]!,
  }
}

/**
 * Square decimetres that the practice picture stands for: 30 by 20 cm. Taken for a photo too where nobody says how wide
 * it is.
 */
export const PRACTICE_DM2 = 6

/** How crowded a picture is: animals on a square decimetre of what it shows. */
export function densityOf(animals: number, widthCm: number, picture: { width: number; height: number }): number {
  const area = widthCm > 0 ? (widthCm * widthCm * picture.height) / picture.width / 100 : PRACTICE_DM2
  return Math.max(0.2, animals / area)
}
