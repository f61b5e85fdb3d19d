import { describe, expect, it, vi } from 'vitest'
import { computed } from 'vue'
import { useOutlookDesk } from '~/composables/useOutlookDesk'
import { openDb } from '~/data/database'
import { scenariosOf } from '~/data/records'
import { useLogStore } from '~/stores/log'
import { useRoomStore } from '~/stores/room'
import { count, smallRoom } from '../../make'
import { onPage, put, useBench } from './bench'

useBench()

async function outlookOf(more: Parameters<typeof smallRoom>[0] = {}) {
  const s = smallRoom(more)
  await put(
    s.room,
    [
      { table: 'racks', record: s.rack },
      { table: 'glasses', record: s.glass },
      { table: 'colonies', record: s.colony },
    ],
    [count(s.colony.id, 5, 60)],
  )
  const room = useRoomStore()
  const desk = onPage(() => useOutlookDesk(computed(() => room.colonyById.get(s.colony.id))))
  await vi.waitFor(() => expect(room.colonyById.has(s.colony.id)).toBe(true))
  const stored = () => scenariosOf(openDb(), s.colony.id)
  return { s, desk, stored }
}

describe('scenarios', () => {
  it('a typed one stands beside things as they are, and nothing typed is nothing changed', async () => {
    const { desk } = await outlookOf()
    expect(desk.lines.map(l => l.name)).toEqual(['As things are'])
    expect(desk.changed).toBe(false)
    desk.draft.temperature = '26'
    expect(desk.changed).toBe(true)
    expect(desk.lines.map(l => [l.id, l.name])).toEqual([
      ['now', 'As things are'],
      ['draft', 'This one'],
    ])
    expect(desk.lines[1]!.change).toEqual({ temperatureC: 26 })
    // what is no temperature is no scenario
    desk.draft.temperature = 'warm'
    expect(desk.read.ok).toBe(false)
    expect(desk.lines).toHaveLength(1)
  })
  it('one is saved under its name, or under what it changes, and stands on the chart then', async () => {
    const { desk, stored } = await outlookOf()
    desk.draft.temperature = '26'
    await desk.save()
    await vi.waitFor(() => expect(desk.saved).toHaveLength(1))
    expect(desk.saved[0]!.name).toMatch(/26/)
    expect(desk.lines.map(l => l.name)).toEqual(['As things are', desk.saved[0]!.name])
    // the fields are free for the next one
    expect(desk.draft.temperature).toBe('')
    desk.draft.takeNow = '10'
    desk.name = 'A few out'
    await desk.save()
    await vi.waitFor(() => expect(desk.saved).toHaveLength(2))
    expect((await stored()).map(x => x.name)).toContain('A few out')
    expect(useLogStore().last?.words).toBe('“A few out” saved.')
  })
  it('a saved one is changed in place', async () => {
    const { desk, stored } = await outlookOf()
    desk.draft.temperature = '26'
    desk.name = 'Warm'
    await desk.save()
    await vi.waitFor(() => expect(desk.saved).toHaveLength(1))
    desk.change(desk.saved[0]!)
    expect(desk.draft.temperature).toBe('26')
    // while it is being changed it stands once, under its own name
    expect(desk.lines.map(l => l.name)).toEqual(['As things are', 'Warm'])
    desk.draft.temperature = '27'
    await desk.save()
    await vi.waitFor(() => expect(desk.saved[0]!.change.temperatureC).toBe(27))
    expect(await stored()).toHaveLength(1)
  })
  it('one that is put away leaves the chart and the fields, and stays in the records', async () => {
    const { s, desk, stored } = await outlookOf()
    desk.draft.temperature = '26'
    await desk.save()
    await vi.waitFor(() => expect(desk.saved).toHaveLength(1))
    const [kept] = desk.saved
    desk.change(kept!)
    await desk.putAway(kept!)
    await vi.waitFor(() => expect(desk.saved).toEqual([]))
    expect(desk.draft.temperature).toBe('')
    expect(await stored()).toEqual([])
    const rows = await openDb().records('scenarios').toArray()
    expect(rows.filter(r => r.colonyId === s.colony.id)).toMatchObject([{ ended: { why: 'putAway' } }])
  })
  it('four lines at most, each of its own colour and dash', async () => {
    const { desk } = await outlookOf()
    for (const c of ['18', '20', '22', '26']) {
      desk.draft.temperature = c
      await desk.save()
    }
    await vi.waitFor(() => expect(desk.saved).toHaveLength(4))
    expect(desk.lines).toHaveLength(4)
    expect(new Set(desk.lines.map(l => l.colour)).size).toBe(4)
    expect(new Set(desk.lines.map(l => JSON.stringify(l.dash))).size).toBe(4)
  })
})

describe('what is asked', () => {
  it('keeps to the weeks that are looked at, and to numbers', async () => {
    const { desk } = await outlookOf()
    expect(desk.ask).toEqual({ weeks: 52, number: 50, of: 'total', byWeek: 12 })
    desk.byWeek = '80'
    expect(desk.ask.byWeek).toBe(52)
    desk.weeks = '26'
    expect(desk.ask.byWeek).toBe(26)
    desk.number = 'lots'
    expect(desk.wanted.ok).toBe(false)
    expect(desk.ask.number).toBe(50)
    desk.number = '0'
    expect(desk.wanted.ok).toBe(false)
    desk.of = 'halfGrown'
    desk.number = '120'
    expect(desk.ask).toMatchObject({ number: 120, of: 'halfGrown' })
  })
})
