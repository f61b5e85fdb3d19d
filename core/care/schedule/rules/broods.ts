import { clutchesOf, youngExpected } from '#core/broods'
import { DAY_MS, presentGlassId } from '#core/records'
import { CLUTCH_DAYS, M } from '../figures'
import type { ColonyCare, DueItem } from '../item'
import { item } from './tools'

/** A window wider than this says nothing of a day (from memory). */
const TELLING_DAYS = 14

/** Looking for young when they may come, and clutches, which dry out or drown when nobody looks. */
export function broodRule({ colony, group, entries }: ColonyCare, nowMs: number): DueItem[] {
  const { brood, youngApart } = group.group.care
  const items: DueItem[] = []
  const hatch = youngExpected(brood, entries)
  const sea = group.group.company.larvaeNeedSea
  // in a colony where somebody is always berried and young come all the time, the window says nothing: the round looks
  // for them in any case. The first ones are looked for, however wide it is
  const first = !entries.some(e => e.kind === 'young')
  const wide = hatch !== null && hatch.toMs - hatch.fromMs > TELLING_DAYS * DAY_MS
  if (brood && hatch && (youngApart || sea || first || !wide)) {
    items.push(
      item({
        key: `young:${colony.id}`,
        kind: 'young',
        colonyId: colony.id,
        glassId: presentGlassId(colony),
        // of a wide window the first third is waited for, but not where minutes count
        dueMs: wide && !youngApart && !sea ? hatch.fromMs + (hatch.toMs - hatch.fromMs) / 3 : hatch.fromMs,
        everyDays: null,
        earlyDays: 3,
        lateDays: youngApart || sea ? 1 : Math.max(2, (hatch.toMs - hatch.fromMs) / DAY_MS),
        minutes: youngApart ? 15 : 1,
        flexible: false,
        why: 'hatchNear',
        whyValues: { sign: brood.sign, seen: hatch.seenMs, n: hatch.number, from: hatch.fromMs, to: hatch.toMs },
        basis: brood.days.basis,
        values: { apart: youngApart ? 1 : 0, sea: sea ? 1 : 0 },
      }),
    )
  }
  for (const clutch of clutchesOf(brood, entries)) {
    if (clutch.state !== 'open') continue
    // the first look of the window comes on its first day, even when the last look was yesterday
    const next = clutch.seenMs + (clutch.seenMs >= clutch.fromMs ? CLUTCH_DAYS.hatching : CLUTCH_DAYS.before) * DAY_MS
    const dueMs = clutch.seenMs < clutch.fromMs ? Math.min(next, clutch.fromMs) : next
    const hatching = dueMs >= clutch.fromMs
    items.push(
      item({
        key: `clutch:${clutch.id}`,
        kind: 'clutch',
        colonyId: colony.id,
        glassId: presentGlassId(colony),
        dueMs,
        everyDays: hatching ? CLUTCH_DAYS.hatching : CLUTCH_DAYS.before,
        earlyDays: 0.5,
        lateDays: 1,
        minutes: 2,
        flexible: false,
        why: hatching ? 'clutchHatching' : 'clutchCheck',
        whyValues: {
          laid: clutch.laidMs,
          from: clutch.fromMs,
          to: clutch.toMs,
          place: clutch.place,
          days: (nowMs - clutch.laidMs) / DAY_MS,
        },
        basis: hatching ? brood!.days.basis : M,
        values: { clutchId: clutch.id, place: clutch.place },
      }),
    )
  }
  return items
}
