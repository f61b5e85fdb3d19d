import type { RungCount, TrayKind } from '#core/records'

/** Grown animals by rung and sex, keyed by `rungId sex`. */
export type Standings = Readonly<Record<string, number>>
/** What lies in the trays that are not the stock itself. */
export type Trays = Readonly<Record<Exclude<TrayKind, 'hold'>, Standings>>

export const noTrays: Trays = { breed: {}, offer: {}, part: {} }
export const stackKey = (rungId: string, sex: RungCount['sex']): string => `${rungId} ${sex}`

/** What lies in a tray; on hold is whoever lies in no other. */
export function inTray(stock: Standings, trays: Trays, tray: TrayKind): Standings {
  if (tray !== 'hold') return trays[tray]
  return Object.fromEntries(
    Object.entries(stock).map(([key, n]) => [
      key,
      Math.max(0, n - (trays.breed[key] ?? 0) - (trays.offer[key] ?? 0) - (trays.part[key] ?? 0)),
    ]),
  )
}

/**
 * Moves animals of a rung and sex from one tray to another: as many as lie there at most, so that all trays together
 * always hold the stock.
 */
export function moveBetween(
  stock: Standings,
  trays: Trays,
  { key, from, to, number }: { key: string; from: TrayKind; to: TrayKind; number: number },
): Trays {
  const there = inTray(stock, trays, from)[key] ?? 0
  const moved = Math.max(0, Math.min(Math.round(number), there))
  if (moved === 0 || from === to) return trays
  const next = { breed: { ...trays.breed }, offer: { ...trays.offer }, part: { ...trays.part } }
  if (from !== 'hold') next[from][key] = there - moved
  if (to !== 'hold') next[to][key] = (next[to][key] ?? 0) + moved
  return next
}

/** Trays of a draft that fit into a stock which has changed since: what is no longer there lies in none. */
export function fitTrays(stock: Standings, trays: Trays): Trays {
  let fitted: Trays = noTrays
  for (const to of ['breed', 'offer', 'part'] as const)
    for (const [key, number] of Object.entries(trays[to]))
      fitted = moveBetween(stock, fitted, { key, from: 'hold', to, number })
  return fitted
}

/** Whoever of a stock is not among some others of it. */
export const restOf = (stock: Standings, others: Standings): Standings =>
  Object.fromEntries(Object.entries(stock).map(([key, n]) => [key, Math.max(0, n - (others[key] ?? 0))]))

/** Numbers by rung and sex as a record holds them. */
export const countsIn = (standings: Standings): RungCount[] =>
  Object.entries(standings).flatMap(([key, number]) => {
    const [rungId, sex] = key.split(' ') as [string, RungCount['sex']]
    return number > 0 ? [{ rungId, sex, number }] : []
  })

/** The way back from a record. */
export const standingsOf = (counts: readonly RungCount[]): Standings =>
  Object.fromEntries(counts.map(c => [stackKey(c.rungId, c.sex), c.number]))

/** Animals in all of it. */
export const standingTotal = (standings: Standings): number => Object.values(standings).reduce((a, b) => a + b, 0)

/**
 * The stock by the model: so many grown animals of a sex, shared out over the rungs as they were graded, each whole
 * (largest remainders, after Hamilton).
 * @param shares of each rung; any unit
 */
export function sharedOut(number: number, shares: readonly number[]): number[] {
  const all = shares.reduce((a, b) => a + b, 0)
  const whole = Math.round(number)
  if (all === 0 || whole <= 0) return shares.map(() => 0)
  const exact = shares.map(s => (whole * s) / all)
  const down = exact.map(Math.floor)
  const order = exact.map((x, i) => [x - down[i]!, i] as const).toSorted((a, b) => b[0] - a[0])
  let left = whole - down.reduce((a, b) => a + b, 0)
  for (const [, i] of order) {
    if (left-- <= 0) break
    down[i]!++
  }
  return down
}
