import type { BandPoint } from '#core/population'

/** A fan to draw: its name, colour and points. */
export interface SvgFan {
  name: string
  colour: string
  fan: readonly BandPoint[]
}

const W = 900
const H = 460
const LEFT = 64
const FOOT = 56
const TOP = 44

const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')

/** The Outlook's chart as an SVG picture: bands, middles, axis with units, names. Made for print: ink on paper. */
export function outlookSvg(title: string, fans: readonly SvgFan[], day: (ms: number) => string): string {
  const points = fans.flatMap(f => f.fan)
  const from = Math.min(...points.map(p => p.at))
  const to = Math.max(...points.map(p => p.at))
  const top = Math.max(1, ...points.map(p => p.p90)) * 1.05
  const x = (at: number) => (LEFT + ((at - from) / Math.max(1, to - from)) * (W - LEFT - 24)).toFixed(1)
  const y = (n: number) => (H - FOOT - (n / top) * (H - FOOT - TOP)).toFixed(1)
  const line = (fan: readonly BandPoint[], of: (p: BandPoint) => number) =>
    fan.map(p => `${x(p.at)},${y(of(p))}`).join(' ')
  const step =
    10 ** Math.floor(Math.log10(top / 4)) *
    (top / 4 / 10 ** Math.floor(Math.log10(top / 4)) > 5
      ? 5
      : top / 4 / 10 ** Math.floor(Math.log10(top / 4)) > 2
        ? 2
        : 1)
  const ticks = Array.from({ length: Math.floor(top / step) + 1 }, (_, i) => i * step)
  const months = Array.from({ length: 7 }, (_, i) => from + ((to - from) * i) / 6)
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${W} ${H}" width="${W}" height="${H}" ` +
      `font-family="sans-serif" font-size="13" fill="#17302C">`,
    `<title>${escaped(title)}</title><rect width="${W}" height="${H}" fill="#F5F4EE"/><text x="${LEFT}" y="24" ` +
      `font-size="16" font-weight="600">${escaped(title)}</text>`,
    ...ticks.map(
      t =>
        `<line x1="${LEFT}" x2="${W - 24}" y1="${y(t)}" y2="${y(t)}" stroke="#D9DCD2"/><text x="${LEFT - 8}" ` +
        `y="${y(t)}" dy="4" text-anchor="end">${Math.round(t)}</text>`,
    ),
    `<text x="14" y="${(H - FOOT + TOP) / 2}" transform="rotate(-90 14 ${(H - FOOT + TOP) / 2})" ` +
      `text-anchor="middle">animals</text>`,
    ...months.map(m => `<text x="${x(m)}" y="${H - FOOT + 20}" text-anchor="middle">${escaped(day(m))}</text>`),
    ...fans.map(
      f =>
        `<polygon points="${line(f.fan, p => p.p90)} ${[...f.fan]
          .reverse()
          .map(p => `${x(p.at)},${y(p.p10)}`)
          .join(' ')}" fill="${f.colour}" fill-opacity="0.16"/>`,
    ),
    ...fans.map(
      f => `<polyline points="${line(f.fan, p => p.p50)}" fill="none" stroke="${f.colour}" stroke-width="2.5"/>`,
    ),
    ...fans.map(
      (f, i) =>
        `<rect x="${LEFT + i * 210}" y="${H - 24}" width="14" height="4" fill="${f.colour}"/><text ` +
        `x="${LEFT + 20 + i * 210}" y="${H - 18}">${escaped(f.name.slice(0, 26))}</text>`,
    ),
    '</svg>',
  ].join('\n')
}
