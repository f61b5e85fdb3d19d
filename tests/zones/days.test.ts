import { describe, expect, it } from 'vitest'
import { outlookRows } from '#core/outlook'
import { dayAfter, DAY_MS } from '#core/records'
import { deviceZone } from '~/data/deviceZone'
import { emptyColonyDraft, readColony } from '~/forms/colonyDraft'
import { colonyEdit, readColonyEdit } from '~/forms/colonyEdit'
import { deviceDay, deviceDayEnd, deviceDayFrom, hourOn, readPastDay } from '~/forms/deviceDays'
import { glassDraft, readGlass } from '~/forms/glassDraft'
import { readOrder } from '~/forms/orderDraft'
import { planDraft, readPlan } from '~/forms/planDraft'
import { readSource, sourceDraft } from '~/forms/sourceDraft'
import { defaultUnits as units } from '~/words/unitPrefs'
import { aheadText } from '~/words/when'
import { colony, glass, nextId, plan, rack } from '../make'

/**
 * These run once in each zone of `vitest.config.ts`. A day is walked through hour by hour, because what goes wrong goes
 * wrong in the morning or in the evening only.
 */
const roomId = nextId()
const dawn = Date.UTC(2026, 10, 25)
const hours = Array.from({ length: 24 }, (_, h) => dawn + h * 3_600_000 + 60_000)

it('runs where it says', () => {
  // some zones have two names
  const { timeZone } = new Intl.DateTimeFormat('en', { timeZone: process.env.TZ }).resolvedOptions()
  expect(deviceZone()).toBe(timeZone)
})

describe.each(hours.map(ms => [new Date(ms).toISOString().slice(11, 16), ms] as const))('at %s UTC', (_time, now) => {
  const today = deviceDay(now)
  it('today is the day on the keeper’s wall', () => {
    const wall = new Date(now)
    const [y, m, d] = today.split('-').map(Number)
    expect([y, m, d]).toEqual([wall.getFullYear(), wall.getMonth() + 1, wall.getDate()])
    expect(now < deviceDayEnd(now) && deviceDayEnd(now) - now <= 25 * 3_600_000).toBe(true)
  })
  it('a colony can begin today, and its day reads back', () => {
    const typed = { ...emptyColonyDraft('neocaridina'), name: 'Ember', startedAt: today }
    const read = readColony({ ...typed, heads: { ...typed.heads, females: '4' } }, nextId(), now)
    expect(read.ok || read.issues).toBe(true)
    if (!read.ok) return
    expect(colonyEdit(read.colony, units).startedAt).toBe(today)
    const again = readColonyEdit(colonyEdit(read.colony, units), read.colony, units, now)
    expect(again.ok && again.colony.startedAt).toBe(read.colony.startedAt)
  })
  it('tomorrow is refused, yesterday is yesterday', () => {
    expect(readPastDay(deviceDayFrom(now, 1), now).ok).toBe(false)
    const read = readPastDay(deviceDayFrom(now, -1), now)
    expect(read.ok && deviceDay(read.ms)).toBe(deviceDayFrom(now, -1))
  })
  it('soil, an analysis and a move of today are of today', () => {
    const racks = [rack(roomId)]
    const soil = { ...glassDraft(null, racks, units), name: 'Soft', litres: '30', substrate: 'activeSoil' as const }
    const made = readGlass(
      { ...soil, depthCm: '3', soilSince: today },
      { old: null, roomId, glasses: [], racks, units, nowMs: now },
    )
    expect(made.ok && glassDraft(made.glass, racks, units).soilSince).toBe(today)
    const tested = readSource(
      { ...sourceDraft(null), name: 'Tap', values: { ghDh: '9' }, on: today },
      { old: null, roomId, units, nowMs: now },
    )
    expect(tested.ok && Date.parse(tested.source.analyses[0]!.at) <= now).toBe(true)
    const c = colony(glass(roomId, nextId()).id)
    const moved = readColonyEdit({ ...colonyEdit(c, units), glassId: nextId(), movedAt: today }, c, units, now)
    expect(moved.ok && deviceDay(Date.parse(moved.colony.stays.at(-1)!.from))).toBe(today)
  })
  it('an order of today is not over, and a plan keeps its day', () => {
    const typed = { who: 'B. N.', colonyId: nextId(), number: '3', of: 'any' as const, dueAt: today, priceEach: '' }
    const order = readOrder(typed, nextId(), roomId, now)
    expect(order.ok && deviceDay(Date.parse(order.order.dueAt))).toBe(today)
    expect(readOrder({ ...typed, dueAt: deviceDayFrom(now, -1) }, nextId(), roomId, now).ok).toBe(false)
    const p = plan(roomId, { startsAt: new Date(now).toISOString() })
    const later = readPlan({ ...planDraft(p, units), startsAt: deviceDayFrom(now, 3) }, p, units)
    expect(later.ok && planDraft(later.plan, units).startsAt).toBe(deviceDayFrom(now, 3))
  })
  it('words and tables name the same day', () => {
    expect(aheadText(hourOn(deviceDayFrom(now, 1), 9)!, now)).toMatch(/^tomorrow/)
    const fan = [0, 7].map(d => ({ at: now + d * DAY_MS, p10: 1, p25: 1, p50: 1, p75: 1, p90: 1 }))
    expect(outlookRows([{ name: 'a', fan }], deviceZone()).rows.map(r => r[1])).toEqual([today, dayAfter(today, 7)])
  })
})
