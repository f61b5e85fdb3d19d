import { describe, expect, it, vi } from 'vitest'
import { useMedicineDesk } from '~/composables/useMedicineDesk'
import { openDb } from '~/data/database'
import { entriesOf } from '~/data/log'
import type { Glass } from '#core/records'
import { entryOf, smallRoom } from '../../make'
import { atTheBench, onPage, useBench } from './bench'

useBench()

/** A glass of 50 L gross that is treated, with doses given so many days ago. */
async function treated({
  doses = [] as [days: number, substance?: string][],
  fill = null as Glass['fill'] | null,
} = {}) {
  const s = smallRoom()
  const glassId = s.glass.id
  if (fill) Object.assign(s.glass, { fill })
  const log = doses.map(([days, substance = 'fenbendazole']) =>
    entryOf('treatment', days, { glassId, substance, activeMg: 25, netL: 42 }),
  )
  const desk = await atTheBench(s, log)
  const med = onPage(useMedicineDesk)
  await vi.waitFor(() => expect(med.given).toHaveLength(log.length))
  return { s, desk, med }
}
const treatments = async (glassId: string) =>
  (await entriesOf(await openDb(), glassId)).filter(e => e.kind === 'treatment')

describe('a treatment', () => {
  it('is offered once, then again on its day, and never a third time', async () => {
    const { med, s } = await treated()
    expect(med.refused).toBe('')
    expect(med.course.given).toBe(0)
    await med.give()
    await vi.waitFor(() => expect(med.course.given).toBe(1))
    expect(med.refused).toContain('The second is due in 14 days')
    expect(await treatments(s.glass.id)).toMatchObject([{ substance: 'fenbendazole' }])
  })
  it('draws the second dose from the day of the first', async () => {
    const { med } = await treated({ doses: [[13]] })
    expect(med.refused).toBe('')
    expect(med.plan?.ok && med.plan.calendar.find(d => d.what === 'secondDose')?.atMs).toBe(med.course.nextMs)
    expect(Math.max(...med.drawing!.points.map(p => p.y))).toBeCloseTo(0.6 * (5 / 3), 6)
  })
  it('is over after two, and says when another could begin', async () => {
    const { med } = await treated({ doses: [[15], [1]] })
    expect(med.refused).toMatch(/^This course is over.*in 27 days.*ask a vet/)
  })
  it('names another substance that still works', async () => {
    const { med } = await treated({ doses: [[5, 'praziquantel']] })
    expect(med.other).toBe('praziquantel')
    expect((await treated({ doses: [[40, 'praziquantel']] })).med.other).toBeUndefined()
  })
})

describe('the water that it is reckoned for', () => {
  it('is asked for where nobody said how full the glass is', async () => {
    const { med, s } = await treated({ fill: { by: 'height', share: 0.2, assumed: true } })
    expect(med.unsure).toBe(true)
    med.net = '9'
    expect(med.unsure).toBe(false)
    await med.confirmFill()
    const db = await openDb()
    expect((await db.table('glasses').get(s.glass.id))?.fill).toEqual({ by: 'height', share: 0.2 })
  })
  it('is not asked for where it is known', async () => {
    expect((await treated({ fill: { by: 'netLitres', netL: 40 } })).med.unsure).toBe(false)
    expect((await treated({ fill: { by: 'height', share: 0.9 } })).med.unsure).toBe(false)
  })
})
