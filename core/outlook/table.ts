import { dayOf } from '#core/records'
import type { BandPoint } from '#core/population'

/**
 * The fans of several scenarios as a table, one row a week: what a CSV file of the Outlook holds.
 * @param zone where the keeper lives: its days are meant
 */
export function outlookRows(
  scenarios: readonly { name: string; fan: readonly BandPoint[] }[],
  zone: string,
): {
  head: string[]
  rows: (string | number)[][]
} {
  const weeks = Math.max(0, ...scenarios.map(s => s.fan.length))
  const head = [
    'week',
    'date',
    ...scenarios.flatMap(s => [`${s.name}: middle (animals)`, `${s.name}: likely from`, `${s.name}: likely to`]),
  ]
  const rows = Array.from({ length: weeks }, (_, week) => [
    week,
    dayOf(scenarios[0]!.fan[week]!.at, zone),
    ...scenarios.flatMap(({ fan }) =>
      [fan[week]!.p50, fan[week]!.p10, fan[week]!.p90].map(x => Math.round(x * 10) / 10),
    ),
  ])
  return { head, rows }
}
