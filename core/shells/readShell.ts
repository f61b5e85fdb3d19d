import type { ZoneKind } from '#core/records'
import type { ThermalClock } from '#core/warmth'
import { type GrowthBelief, rangeOfBelief } from './growthPosterior'
import { ageAt } from './vonBertalanffy'

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
  belief: GrowthBelief
  clock: ThermalClock
}

/**
 * Turns the zones of a shell into dates: each end is a diameter that the animal once had, and its growth curve says
 * when. Dates never run backwards, and never beyond the look.
 */
export function readShell({ belief, clock }: Reader, shell: { at: number; zones: readonly ShellZone[] }) {
  const dateOf = (mm: number) =>
    rangeOfBelief(belief, c => {
      const weeks = c.born + Math.max(0, ageAt(c, mm))
      return weeks < Infinity ? Math.min(shell.at, clock.msAt(7 * weeks)) : shell.at
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
