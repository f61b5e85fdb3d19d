import { describe, expect, it, vi } from 'vitest'
import { useDripDesk } from '~/composables/useDripDesk'
import { useDripTimer } from '~/composables/useDripTimer'
import { useSettingsStore } from '~/stores/settings'
import { dripNow, type RunningDrip } from '~/words/drip'
import { plain } from '~/words/numbers'
import { defaultUnits } from '~/words/unitPrefs'
import { NOW, smallRoom, test as waterTest } from '../../make'
import { atTheBench, onPage, useBench } from './bench'

useBench()

async function bagAtGlass() {
  const s = smallRoom()
  const desk = await atTheBench(s, [waterTest(s.glass.id, 2, { ghDh: 8, khDh: 4, temperatureC: 23 })])
  const drip = onPage(() => useDripDesk())
  await vi.waitFor(() => expect(drip.glass.khDh).toBe('4'))
  return { desk, drip }
}

describe('bag and glass', () => {
  it('fills in what the glass was tested at, and leaves open what nobody knows', async () => {
    const { drip } = await bagAtGlass()
    expect(drip.glass).toMatchObject({ ghDh: '8', khDh: '4', temperatureC: '23' })
    expect(drip.glass.conductivityUsCm).toBe('')
    expect(drip.keys).not.toContain('salinityGKg')
    expect(plain(drip.headline)).toContain('Type one value of the bag first')
    expect(drip.drawing).toBeNull()
  })
  it('lets the value that differs most against its rate set the pace', async () => {
    const { drip } = await bagAtGlass()
    drip.bag = { ghDh: '8', khDh: '4', temperatureC: '23' }
    expect(plain(drip.headline)).toContain('bag and glass are near')
    const alike = drip.plan!.minutes
    drip.bag = { ...drip.bag, ghDh: '20' }
    expect(plain(drip.headline)).toContain('GH sets the pace')
    expect(drip.plan!.minutes).toBeGreaterThan(alike)
    // drawn from the bag towards the glass, never steeper than the limit
    const { points, fastest, to } = drip.drawing!
    expect(points[0]!.y).toBeCloseTo(20, 6)
    expect(points.at(-1)!.y).toBeCloseTo(to + 0.1 * (20 - to), 6)
    const slope = (fastest[1]!.y - fastest[0]!.y) / (fastest[1]!.x - fastest[0]!.x)
    for (const [i, p] of points.slice(1).entries())
      expect((p.y - points[i]!.y) / (p.x - points[i]!.x)).toBeGreaterThanOrEqual(slope * 1.001)
  })
  it('follows the keeper’s own rate: half of it takes twice as long', async () => {
    const { drip } = await bagAtGlass()
    drip.bag = { ghDh: '26' }
    const usual = drip.plan!.minutes
    const rate = Number(drip.rateOf('ghDh'))
    drip.setRate('ghDh', String(rate / 2))
    expect(drip.plan!.minutes / usual).toBeCloseTo(2, 6)
    // what is no rate is no rate: the default holds
    drip.setRate('ghDh', '0')
    expect(drip.plan!.minutes).toBeCloseTo(usual, 6)
  })
  it('shows rates and values in the keeper’s unit, and reckons the same drip', async () => {
    const { drip } = await bagAtGlass()
    drip.bag = { temperatureC: '18' }
    const [minutes, rate] = [drip.plan!.minutes, Number(drip.rateOf('temperatureC'))]
    useSettingsStore().units.temperature = 'f'
    await vi.waitFor(() => expect(drip.glass.temperatureC).toBe('73.4'))
    drip.bag = { temperatureC: '64.4' }
    // a rate is a difference: it has a scale and no zero point
    expect(Number(drip.rateOf('temperatureC'))).toBeCloseTo(rate * 1.8, 6)
    expect(drip.plan!.minutes).toBeCloseTo(minutes, 6)
  })
  it('bridges nine tenths by its end, and fills the vessel only where nothing is taken out', async () => {
    const { drip } = await bagAtGlass()
    drip.bag = { khDh: '14' }
    expect(drip.course.map(c => c.minutes)[0]).toBe(0)
    expect(drip.course[0]).toMatchObject({ litres: 1, khDh: '14.0' })
    // 4 + 10 × 0.1
    expect(drip.course.at(-1)).toMatchObject({ litres: 1, khDh: '5.0' })
    drip.mode = 'filling'
    expect(drip.course.at(-1)).toMatchObject({ khDh: '5.0' })
    expect(drip.course.at(-1)!.litres).toBeCloseTo(10, 6)
    const litres = drip.course.map(c => c.litres)
    expect(litres).toEqual(litres.toSorted((a, b) => a - b))
  })
  it('plans nothing into a vessel that is no vessel', async () => {
    const { drip } = await bagAtGlass()
    drip.vesselText = '0.01'
    expect(drip.vessel.ok).toBe(false)
    expect(drip.plan).toBeNull()
    expect(drip.course).toEqual([])
    expect(drip.headline).toBe('')
  })
})

describe('the timer', () => {
  async function running() {
    const { drip } = await bagAtGlass()
    drip.bag = { khDh: '14' }
    const timer = onPage(() => useDripTimer(drip))
    return { drip, timer }
  }

  it('tells what is in the vessel now, for the glass that it was started for', async () => {
    const { drip, timer } = await running()
    expect(timer.live).toBeNull()
    timer.start()
    expect(timer.live).toMatchObject({ glass: 'Glass', done: false, passed: '0:00', values: ['KH 14.0 °dH'] })
    expect(timer.live!.share).toBe(0)
    // what is typed later does not change a drip that runs
    drip.bag = { khDh: '5' }
    expect(timer.live!.values).toEqual(['KH 14.0 °dH'])
    timer.stop()
    expect(timer.live).toBeNull()
  })
  it('runs by the clock, says when it ends, and stands still at its end', () => {
    const drip: RunningDrip = {
      startMs: NOW,
      minutes: 90,
      litresPerHour: 1,
      mode: 'filling',
      vesselL: 1,
      glass: 'Slate',
      values: [{ key: 'khDh', from: 10, to: 4 }],
    }
    const at = (minutes: number) => dripNow(drip, NOW + minutes * 60_000, defaultUnits)
    // a litre of the glass to a litre of the bag: half way between
    expect(at(60)).toMatchObject({ passed: '1:00', left: '0:30', done: false, values: ['KH 7.0 °dH'] })
    expect(at(60).share).toBeCloseTo(2 / 3, 6)
    expect(at(89.5)).toMatchObject({ left: '0:01', done: false })
    expect(at(90)).toMatchObject({ left: '0:00', done: true, share: 1, values: ['KH 6.4 °dH'] })
    expect(at(400)).toMatchObject({ passed: '6:40', done: true, share: 1, values: ['KH 6.4 °dH'] })
    // a clock that was put back does not run the drip backwards
    expect(at(-20)).toMatchObject({ passed: '0:00', share: 0, values: ['KH 10.0 °dH'] })
  })
  it('does not start without a plan', async () => {
    const { drip, timer } = await running()
    drip.vesselText = 'a bucket'
    timer.start()
    expect(timer.live).toBeNull()
  })
})
