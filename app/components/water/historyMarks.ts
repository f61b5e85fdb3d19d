import type { Plugin } from 'chart.js'

/** Everything of the water history that no ready-made chart type has. Values are as shown on the axis. */
export interface HistoryMarks {
  preferred: readonly [number, number] | null
  tolerated: readonly [number, number] | null
  limits: { low: number; centre: number; high: number } | null
  events: { at: number; kind: 'change' | 'topUp' }[]
  todayMs: number
  ink: string
  muted: string
  water: string
  band: string
  pale: string
}

/** Draws the target bands behind the readings, and control limits, changes, top-ups and the today line over them. */
export const historyMarks: Plugin<'line', { marks?: HistoryMarks }> = {
  id: 'historyMarks',
  beforeDatasetsDraw(chart, _args, { marks }) {
    if (!marks) return
    const { ctx, chartArea: a } = chart
    const y = (v: number) => Math.min(a.bottom, Math.max(a.top, chart.scales.y!.getPixelForValue(v)))
    ctx.save()
    for (const [range, colour] of [
      [marks.tolerated, marks.pale],
      [marks.preferred, marks.band],
    ] as const) {
      if (!range) continue
      ctx.fillStyle = colour
      ctx.fillRect(a.left, y(range[1]), a.right - a.left, y(range[0]) - y(range[1]))
    }
    ctx.restore()
  },
  afterDatasetsDraw(chart, _args, { marks }) {
    if (!marks) return
    const { ctx, chartArea: a } = chart
    const x = (at: number) => chart.scales.x!.getPixelForValue(at)
    ctx.save()
    ctx.font = `13px ${String(chart.options.font?.family ?? 'sans-serif')}`
    if (marks.limits) {
      ctx.strokeStyle = marks.muted
      ctx.setLineDash([6, 4])
      for (const level of [marks.limits.low, marks.limits.high]) {
        const py = chart.scales.y!.getPixelForValue(level)
        if (py < a.top || py > a.bottom) continue
        ctx.beginPath()
        ctx.moveTo(a.left, py)
        ctx.lineTo(a.right, py)
        ctx.stroke()
      }
      ctx.setLineDash([])
    }
    for (const event of marks.events) {
      const px = x(event.at)
      if (px < a.left || px > a.right) continue
      ctx.fillStyle = ctx.strokeStyle = marks.water
      ctx.lineWidth = 1.5
      ctx.beginPath()
      // a change is a filled wedge on the axis, a top-up an open drop
      if (event.kind === 'change') {
        ctx.moveTo(px, a.bottom - 11)
        ctx.lineTo(px + 5, a.bottom)
        ctx.lineTo(px - 5, a.bottom)
        ctx.closePath()
        ctx.fill()
      } else {
        ctx.arc(px, a.bottom - 5, 3.5, 0, 2 * Math.PI)
        ctx.stroke()
      }
    }
    const now = x(marks.todayMs)
    ctx.strokeStyle = marks.muted
    ctx.lineWidth = 1.5
    ctx.beginPath()
    ctx.moveTo(now, a.top)
    ctx.lineTo(now, a.bottom)
    ctx.stroke()
    ctx.fillStyle = marks.ink
    ctx.fillText('today', now + 6, a.top + 12)
    ctx.restore()
  },
}
