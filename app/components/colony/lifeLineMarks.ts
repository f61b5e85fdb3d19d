import type { Chart, Plugin } from 'chart.js'

/** A count with its likely range, or a step, as drawn on the life line. Moments are milliseconds. */
export interface LifeLineMarks {
  counts: { at: number; implied: number; low: number; high: number; believed: boolean; words: string }[]
  steps: { at: number; /** estimate at that moment */ level: number; change: number; words: string }[]
  /** broods on their way: from when they may have begun, and between which moments they hatch */
  broods: { begunMs: number; fromMs: number; toMs: number }[]
  todayMs: number
  ink: string
  muted: string
  roe: string
  paper: string
}

/**
 * Draws what no ready-made chart type has: counts with error bars, additions and removals as arrows, counts that are
 * not believed as crosses with their reason, a lane of broods at the foot, and the today line. Everything is drawn from
 * the scales, so it follows zoom and size.
 */
export const lifeLineMarks: Plugin<'line', { marks?: LifeLineMarks }> = {
  id: 'lifeLineMarks',
  afterDatasetsDraw(chart, _args, { marks }) {
    if (!marks) return
    const { ctx, chartArea } = chart
    const x = (at: number) => chart.scales.x!.getPixelForValue(at)
    const y = (n: number) => chart.scales.y!.getPixelForValue(n)
    const inside = (px: number) => px >= chartArea.left - 1 && px <= chartArea.right + 1
    ctx.save()
    ctx.font = `13px ${String(chart.options.font?.family ?? 'sans-serif')}`
    ctx.lineWidth = 1.5
    today(chart, marks, x(marks.todayMs))
    for (const brood of marks.broods) lane(chart, brood, { x, colour: marks.roe })
    for (const step of marks.steps)
      if (inside(x(step.at))) arrow(ctx, { px: x(step.at), py: y(step.level) }, step, marks.roe)
    for (const c of marks.counts) {
      const px = x(c.at)
      if (!inside(px)) continue
      ctx.strokeStyle = c.believed ? marks.ink : marks.muted
      if (!c.believed) {
        const py = Math.max(chartArea.top + 8, y(c.implied))
        cross(ctx, px, py)
        ctx.fillStyle = marks.muted
        // to the side on which there is room before the today line
        ctx.textAlign =
          px + 14 + ctx.measureText(c.words).width > x(marks.todayMs) && px > chartArea.left + 200 ? 'right' : 'left'
        ctx.fillText(c.words, px + (ctx.textAlign === 'right' ? -10 : 10), py + 4)
        continue
      }
      ctx.beginPath()
      ctx.moveTo(px, Math.max(chartArea.top, y(c.high)))
      ctx.lineTo(px, y(c.low))
      ctx.stroke()
      ctx.beginPath()
      ctx.arc(px, y(c.implied), 4.5, 0, 2 * Math.PI)
      ctx.fillStyle = marks.paper
      ctx.fill()
      ctx.stroke()
    }
    ctx.restore()
  },
}

function today({ ctx, chartArea }: Chart, marks: LifeLineMarks, px: number) {
  ctx.strokeStyle = marks.muted
  ctx.beginPath()
  ctx.moveTo(px, chartArea.top)
  ctx.lineTo(px, chartArea.bottom)
  ctx.stroke()
  ctx.fillStyle = marks.ink
  ctx.textAlign = 'left'
  ctx.fillText('today', px + 6, chartArea.top + 12)
}

/** A brood at the foot of the line: thin while it is carried or lies, thick where it hatches. */
function lane(
  { ctx, chartArea }: Chart,
  { begunMs, fromMs, toMs }: LifeLineMarks['broods'][number],
  { x, colour }: { x: (at: number) => number; colour: string },
) {
  const within = (at: number) => Math.min(chartArea.right, Math.max(chartArea.left, x(at)))
  const bar = (from: number, to: number, height: number) =>
    ctx.fillRect(within(from), chartArea.bottom - 5 - height / 2, Math.max(1, within(to) - within(from)), height)
  ctx.fillStyle = colour
  ctx.globalAlpha = 0.55
  bar(begunMs, fromMs, 1.5)
  bar(fromMs, toMs, 6)
  ctx.globalAlpha = 1
}

/** Animals that went point down under the line, those that came point up above it. */
function arrow(
  ctx: CanvasRenderingContext2D,
  { px, py }: { px: number; py: number },
  step: LifeLineMarks['steps'][number],
  colour: string,
) {
  const down = step.change < 0
  const from = py + (down ? 8 : -8)
  const to = py + (down ? 34 : -34)
  const head = down ? -6 : 6
  ctx.strokeStyle = ctx.fillStyle = colour
  ctx.beginPath()
  ctx.moveTo(px, down ? from : to)
  ctx.lineTo(px, down ? to : from)
  ctx.stroke()
  const tip = down ? to : from
  ctx.beginPath()
  ctx.moveTo(px, tip)
  ctx.lineTo(px - 3.5, tip + head)
  ctx.lineTo(px + 3.5, tip + head)
  ctx.fill()
  if (step.words) {
    ctx.textAlign = 'left'
    ctx.fillText(step.words, px + 7, down ? to + 2 : to + 8)
  }
}

function cross(ctx: CanvasRenderingContext2D, px: number, py: number) {
  ctx.beginPath()
  ctx.moveTo(px - 5, py - 5)
  ctx.lineTo(px + 5, py + 5)
  ctx.moveTo(px + 5, py - 5)
  ctx.lineTo(px - 5, py + 5)
  ctx.stroke()
}
