import type { ScaleOptions } from 'chart.js'
import { useTheme } from 'vuetify'

/** Colours, face and axes of the charts, following the theme: a canvas knows no style sheet. */
export function useChartStyle() {
  const theme = useTheme()
  const family = "'Atkinson Hyperlegible Next Variable', sans-serif"
  const font = { family, size: 14 }
  const colour = (name: string) => String(theme.current.value.colors[name])
  function faded(name: string, share: number) {
    const hex = colour(name)
    return `rgba(${[1, 3, 5].map(i => Number.parseInt(hex.slice(i, i + 2), 16)).join(',')},${share})`
  }
  /** The note at a point: ink on paper, turned round. */
  const noteStyle = () => ({
    backgroundColor: colour('ink'),
    titleColor: colour('background'),
    bodyColor: colour('background'),
    titleFont: { family },
    bodyFont: { family },
    displayColors: false,
    cornerRadius: 6,
  })
  /** What somebody read or saw: rings without a line. */
  const rings = () => ({
    showLine: false,
    pointRadius: 5,
    pointBackgroundColor: colour('background'),
    pointBorderColor: colour('ink'),
    pointBorderWidth: 1.6,
  })
  /** What all charts are: as large as their place, and still. */
  const frame = { responsive: true, maintainAspectRatio: false, animation: false, font: { family } } as const
  /** Time from left to right, with words that never stand aslant. */
  const timeAxis = (
    span: { min?: number; max?: number },
    label: (ms: number, before: number | undefined) => string,
  ): ScaleOptions<'time'> =>
    ({
      type: 'time',
      ...span,
      time: { minUnit: 'week' },
      grid: { display: false },
      border: { color: colour('rule') },
      ticks: {
        color: colour('muted'),
        font,
        maxRotation: 0,
        autoSkipPadding: 24,
        callback: (v, i, ticks) => label(Number(v), ticks[i - 1]?.value),
      },
    }) as ScaleOptions<'time'>
  /** A quantity from the bottom up, named with its unit. */
  const valueAxis = (
    title: string,
    span: { min: number; max?: number },
    text: (value: number) => string | number,
  ): ScaleOptions<'linear'> =>
    ({
      type: 'linear',
      ...span,
      title: { display: true, text: title, color: colour('muted'), font },
      grid: { color: colour('rule') },
      border: { display: false },
      ticks: { color: colour('muted'), font, maxTicksLimit: 7, includeBounds: false, callback: v => text(Number(v)) },
    }) as ScaleOptions<'linear'>
  return { colour, faded, noteStyle, rings, frame, timeAxis, valueAxis }
}
