import { describe, expect, it, vi } from 'vitest'
import type { Plan } from '#core/records'
import { usePlanDesk } from '~/composables/usePlanDesk'
import { openDb } from '~/data/database'
import { useRoomStore } from '~/stores/room'
import { plan as planOf, smallRoom, test as waterTest, waterChange } from '../../make'
import { onPage, put, useBench } from './bench'

useBench()

async function planned(more: Partial<Plan> = {}, glassLog = false) {
  const s = smallRoom()
  const plan = planOf(s.room.id, { ...more, ...(glassLog && { glassId: s.glass.id }) })
  const log = glassLog ? [waterTest(s.glass.id, 3, { nitriteMgL: 0.5 }), waterChange(s.glass.id, 20, 50)] : []
  await put(
    s.room,
    [
      { table: 'racks', record: s.rack },
      { table: 'glasses', record: s.glass },
      { table: 'plans', record: plan },
    ],
    log,
  )
  const room = useRoomStore()
  await vi.waitFor(() => expect(room.plans).toHaveLength(1))
  const desk = onPage(() => usePlanDesk(() => plan.id))
  await vi.waitFor(() => expect(desk.plan.value).not.toBeNull())
  const stored = async () => (await openDb().records('plans').get(plan.id))!
  const versions = () => openDb().records('attic').count()
  return { s, plan, desk, stored, versions }
}

describe('a plan on the desk', () => {
  it('is written a while after the typing pauses, once', async () => {
    const { desk, stored, versions } = await planned()
    const before = await versions()
    desk.draft.value!.name = 'Second line'
    desk.draft.value!.litres = '54'
    await vi.waitFor(async () => expect((await stored()).name).toBe('Second line'), { timeout: 4000 })
    expect((await stored()).tank.grossL).toBeCloseTo(54, 6)
    expect(await versions()).toBe(before + 1)
  })
  it('that was only looked at is not written', async () => {
    const { desk, versions } = await planned()
    const before = await versions()
    await desk.save()
    expect(await versions()).toBe(before)
  })
  it('says at its field what cannot be, and keeps the last that could', async () => {
    const { desk, stored } = await planned()
    const litres = desk.plan.value!.tank.grossL
    desk.draft.value!.litres = 'a few'
    await vi.waitFor(() => expect(Object.keys(desk.issues.value)).toContain('litres'))
    await desk.save()
    expect((await stored()).tank.grossL).toBe(litres)
    desk.draft.value!.litres = '45'
    await vi.waitFor(() => expect(desk.issues.value).toEqual({}))
    expect(desk.plan.value!.tank.grossL).toBeCloseTo(45, 6)
  })
  it('keeps what was typed when something else of it changes', async () => {
    const { desk, stored } = await planned()
    desk.draft.value!.name = 'By the window'
    await vi.waitFor(() => expect(desk.plan.value!.name).toBe('By the window'))
    await desk.change({ seen: { biofilm: true, algae: false } })
    await vi.waitFor(async () => expect((await stored()).seen.biofilm).toBe(true))
    expect((await stored()).name).toBe('By the window')
    expect(desk.draft.value!.name).toBe('By the window')
  })
  it('has no log until it is a glass, and then that of the glass', async () => {
    const paper = await planned()
    expect(paper.desk.standing.value).toEqual([])
    const { desk } = await planned({}, true)
    await vi.waitFor(() => expect(desk.standing.value).toHaveLength(2))
    expect(desk.netL.value).toBeGreaterThan(20)
    expect(desk.groups.value.map(g => g.group.id)).toEqual(['neocaridina'])
  })
  it('is gone from the desk when there is none of that name', async () => {
    const { desk } = await planned()
    expect(desk.stored.value).not.toBeNull()
    const none = onPage(() => usePlanDesk(() => 'nobody'))
    expect([none.stored.value, none.draft.value, none.plan.value]).toEqual([null, null, null])
    expect(none.netL.value).toBe(0)
  })
})
