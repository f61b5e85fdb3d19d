/** Each turn of the drawn shell is so many times as wide as the one before. */
const EXPANSION = 2.1
const PER_RADIAN = Math.log(EXPANSION) / (2 * Math.PI)
/** A point for each so much of a turn, so that a long zone is as round as a short one. */
const STEP = 0.12

/** A drawn whorl: its edge stands at a radius, and it winds inwards from there. */
export interface WhorlFrame {
  cx: number
  cy: number
  radius: number
  /** diameter of the shell at the edge, mm */
  mostMm: number
}

/** Angle at which the shell had a diameter; the edge stands at nought, and the middle far below. */
const angleOf = (mm: number, { mostMm }: WhorlFrame): number => Math.log(Math.max(1e-3, mm) / mostMm) / PER_RADIAN

/** The smallest diameter that is drawn, as a share of the whole: inside it the turns are too fine to see. */
const INNERMOST = 0.04

const point = ({ cx, cy, radius }: WhorlFrame, angle: number, inner: boolean) => {
  const r = radius * Math.exp(PER_RADIAN * angle) * (inner ? 1 / EXPANSION : 1)
  return `${(cx + r * Math.cos(angle)).toFixed(1)} ${(cy + r * Math.sin(angle)).toFixed(1)}`
}

/**
 * The part of a logarithmic spiral that was built from one diameter to another, as a path: out along its outer edge and
 * back along the turn before. Source: shells grow as logarithmic spirals (Thompson 1917, On Growth and Form, ch. 11).
 */
export function zonePath(frame: WhorlFrame, fromMm: number, toMm: number): string {
  const least = INNERMOST * frame.mostMm
  const [a, b] = [angleOf(Math.max(least, fromMm), frame), angleOf(Math.max(least, toMm), frame)]
  const steps = Math.max(2, Math.ceil(Math.abs(b - a) / STEP))
  const angles = Array.from({ length: steps + 1 }, (_, i) => a + ((b - a) * i) / steps)
  const out = angles.map(t => point(frame, t, false))
  const back = angles.toReversed().map(t => point(frame, t, true))
  return `M${out.join('L')}L${back.join('L')}Z`
}

/** The diameter that the shell had where somebody points at its drawing; null outside it. */
export function diameterAt(frame: WhorlFrame, x: number, y: number): number | null {
  const [dx, dy] = [x - frame.cx, y - frame.cy]
  const r = Math.hypot(dx, dy)
  const turn = Math.atan2(dy, dx)
  // of all turns through this direction the one whose band holds the point
  for (let angle = turn > 0 ? turn - 2 * Math.PI : turn; angle > -30; angle -= 2 * Math.PI) {
    const outer = frame.radius * Math.exp(PER_RADIAN * angle)
    if (r <= outer && r > outer / EXPANSION) return frame.mostMm * Math.exp(PER_RADIAN * angle)
  }
  return null
}
