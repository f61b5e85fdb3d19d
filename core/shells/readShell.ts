import type { ThermalClock } from '#core/broods'
import type { ZoneKind } from '#core/records'
import type { GrowthLaw } from './growthLaw'
import { type GrowthBelief, rangeOfBelief } from './growthPosterior'

/** A zone of a whorl, from the end of the one before (the middle, for the first) to its own end as a diameter. */
export interface ShellZone {
  kind: ZoneKind
  endMm: number
}

/** When a zone was built, each end with its likely range. Moments are milliseconds. */
export interface ZoneDates extends ShellZone {
  fromMm: number
  from: { low: number; value: number; high: number }
  to: { low: number; value: number; high: number }
}

interface Reader {
  law: GrowthLaw
  belief: GrowthBelief
  clock: ThermalClock
}

/**
 * Turns the zones of a shell into dates: each end is a diameter that the animal once had, and its growth curve says
 * when. Dates never run backwards, and never beyond the look.
 */
export function readShell({ law, belief, clock }: Reader, shell: { at: number; zones: readonly ShellZone[] }) {
  const { mostMm, k, born } = belief
  const dateOf = (mm: number) =>
    rangeOfBelief(belief, i => {
      if (mm <= law.hatchMm) return Math.min(shell.at, clock.msAt(7 * born[i]!))
      const left = (mostMm[i]! - law.hatchMm) / (mostMm[i]! - mm)
      return left > 0 ? Math.min(shell.at, clock.msAt(7 * (born[i]! + Math.log(left) / k[i]!))) : shell.at
    })
  let from = dateOf(0)
  let fromMm = 0
  return shell.zones.map((zone, n): ZoneDates => {
    // the edge is of the day of the look
    const edge = { low: shell.at, value: shell.at, high: shell.at }
    const to = n === shell.zones.length - 1 ? edge : dateOf(zone.endMm)
    const dated = { ...zone, fromMm, from, to }
    ;[from, fromMm] = [to, zone.endMm]
    return dated
  })
}
