import { useTheme } from 'vuetify'

/** Colours and face of the charts, following the theme: a canvas knows no style sheet. */
export function useChartStyle() {
  const theme = useTheme()
  const family = "'Atkinson Hyperlegible Next Variable', sans-serif"
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
  return { family, colour, faded, noteStyle }
}
