import { describe, expect, it, vi } from 'vitest'
import { useBenchProbe } from '~/composables/useBenchProbe'
import { useProbeCalibration } from '~/composables/useProbeCalibration'
import { useProbeReadings } from '~/composables/useProbeReadings'
import { openDb } from '~/data/database'
import { entriesOf } from '~/data/log'
import type { ProbeReading, ProbeSetting } from '~/devices/benchProbe'
import type { StreamState } from '~/devices/stream'
import { useLogStore } from '~/stores/log'
import { useRoomStore } from '~/stores/room'
import { NOW, smallRoom, test as waterTest } from '../../make'
import { atTheBench, onPage, useBench } from './bench'

useBench()

/** A probe in the test's own hand: it shows what it is told to. */
async function probeInHand(colony: Parameters<typeof smallRoom>[0] = {}) {
  const s = smallRoom(colony)
  const desk = await atTheBench(s, [waterTest(s.glass.id, 2, { ph: 7.3, temperatureC: 22 })])
  const lines: { setting: ProbeSetting; give: (r: ProbeReading) => void; say: (state: StreamState) => void }[] = []
  const probe = onPage(() =>
    useBenchProbe(setting => ({
      name: 'Probe in hand',
      simulated: true,
      listen: (give, say) => {
        lines.push({ setting: setting(), give, say })
        return () => undefined
      },
    })),
  )
  const readings = onPage(() => useProbeReadings(probe))
  const calibration = onPage(() => useProbeCalibration(probe))
  let tick = 0
  /** Shows the same value for a few seconds, or a row of them. */
  async function show(part: Partial<ProbeReading>, times = 4) {
    for (let i = 0; i < times; i++) {
      const line = lines.at(-1)!
      line.say('live')
      line.give({ atMs: NOW + ++tick, ph: 7, conductivityUsCm: 300, temperatureC: 22, humidityPct: 80, ...part })
      await Promise.resolve()
      await vi.waitFor(() => expect(probe.run.at(-1)?.atMs).toBe(NOW + tick))
    }
  }
  async function dipInto(dip: ProbeSetting['dip']) {
    const before = lines.length
    probe.dip = dip
    await vi.waitFor(() => expect(lines.length).toBe(before + 1))
  }
  return { s, desk, probe, readings, calibration, lines, show, dipInto }
}
const shownText = (readings: ReturnType<typeof useProbeReadings>, key: string) =>
  readings.shown.find(r => r.key === key)?.text

describe('the probe', () => {
  it('hangs in water like that of the last test, and begins anew where it is dipped next', async () => {
    const { probe, lines, show, dipInto } = await probeInHand()
    expect(lines.at(-1)!.setting).toMatchObject({ dip: 'tank', ph: 7.3, temperatureC: 22, drift: 1, noise: 1 })
    await show({})
    expect(probe.run).toHaveLength(4)
    await dipInto('ph4')
    expect(lines.at(-1)!.setting.dip).toBe('ph4')
    expect(probe.run).toEqual([])
    expect(probe.live).toBe(false)
  })
  it('takes the last eight readings together', async () => {
    const { probe, readings, show } = await probeInHand()
    await show({ ph: 6 }, 5)
    await show({ ph: 8 }, 8)
    expect(probe.run).toHaveLength(8)
    expect(shownText(readings, 'ph')).toBe('8.00')
  })
  it('says whether it can be believed', async () => {
    const { probe, readings, lines, show } = await probeInHand()
    expect(readings.status).toBe('Waiting for the probe …')
    await show({}, 1)
    expect(readings.status).toBe('Live, not settled yet.')
    await show({}, 4)
    expect(readings.status).toBe('Live, settled.')
    await show({ ph: 9 }, 2)
    expect(readings.settled).toBe(false)
    lines.at(-1)!.say('lost')
    expect(readings.status).toBe('The line to the probe is lost. Trying again …')
    probe.on = false
    expect(readings.status).toBe('The probe is off.')
  })
  it('shows humidity only where a group lives by it', async () => {
    const dry = await probeInHand()
    await dry.show({})
    expect(shownText(dry.readings, 'humidityPct')).toBeUndefined()
  })
  it('shows humidity to land crabs, and keeps it with the rest', async () => {
    const wet = await probeInHand({ colony: { groupId: 'land-crab' } })
    await wet.show({ humidityPct: 83.4 })
    expect(shownText(wet.readings, 'humidityPct')).toBe('83 %')
    await wet.readings.take()
    const kept = (await entriesOf(openDb(), wet.s.glass.id)).at(-1)!
    expect(kept.kind === 'waterTest' && kept.readings.humidityPct).toEqual({ value: 83, method: 'probe' })
  })
  it('keeps what it shows as a test of the glass, rounded as the instrument deserves', async () => {
    const { s, readings, show } = await probeInHand()
    await show({ ph: 7.118, conductivityUsCm: 312.4, temperatureC: 22.14 })
    await readings.take()
    const kept = (await entriesOf(openDb(), s.glass.id)).at(-1)!
    expect(kept).toMatchObject({
      kind: 'waterTest',
      glassId: s.glass.id,
      readings: {
        ph: { value: 7.12, method: 'probe' },
        conductivityUsCm: { value: 312, method: 'probe' },
        temperatureC: { value: 22.1, method: 'probe' },
      },
    })
    expect(useLogStore().last?.words).toBe('Glass: pH 7.12, 312 µS/cm, 22.1 °C kept.')
  })
  it('keeps nothing from a buffer, from a lost line, or before the first reading', async () => {
    const { s, readings, lines, show, dipInto } = await probeInHand()
    await readings.take()
    await show({})
    lines.at(-1)!.say('lost')
    await readings.take()
    await dipInto('ph7')
    await show({})
    await readings.take()
    expect(await entriesOf(openDb(), s.glass.id)).toHaveLength(1)
  })
  it('refuses what no water can be', async () => {
    const { s, readings, show } = await probeInHand()
    await show({ ph: 15.2 })
    await readings.take()
    expect(useLogStore().last?.words).toBe('The probe shows what no water can be: calibrate it first.')
    expect(await entriesOf(openDb(), s.glass.id)).toHaveLength(1)
  })
})

describe('two-point calibration', () => {
  it('lays a line through two known solutions, and readings follow it from then on', async () => {
    const { desk, calibration, readings, show, dipInto } = await probeInHand()
    expect(calibration.standing.map(c => [c.key, c.due, c.text])).toEqual([
      ['ph', true, 'never calibrated'],
      ['conductivityUsCm', true, 'never calibrated'],
    ])
    await dipInto('ph4')
    await show({ ph: 4.21 })
    await calibration.takePoint()
    expect(calibration.standing[0]!.taken).toBe('ph4')
    expect(desk.bench.calibrations.ph).toBeUndefined()
    await dipInto('ph7')
    await show({ ph: 7.2 })
    await calibration.takePoint()
    await vi.waitFor(() => expect(desk.bench.calibrations.ph).toBeDefined())
    expect(useLogStore().last?.words).toBe('pH calibrated: slope 100 %, offset −0.20.')
    expect(calibration.standing[0]).toMatchObject({
      due: false,
      taken: null,
      text: expect.stringContaining('slope 100 %'),
    })
    await dipInto('tank')
    await show({ ph: 7.3 })
    expect(shownText(readings, 'ph')).toBe('7.10')
  })
  it('refuses a worn-out probe, and keeps the old line', async () => {
    const { desk, calibration, show, dipInto } = await probeInHand()
    await dipInto('ec84')
    await show({ conductivityUsCm: 84 })
    await calibration.takePoint()
    await dipInto('ec1413')
    await show({ conductivityUsCm: 420 })
    await calibration.takePoint()
    expect(calibration.problem).toMatch(/worn out.* The old calibration stays\.$/)
    expect(useRoomStore().room!.bench.calibrations.conductivityUsCm).toBeUndefined()
    // the point is taken again, and the sentence goes
    await show({ conductivityUsCm: 1400 }, 8)
    await calibration.takePoint()
    expect(calibration.problem).toBe('')
    await vi.waitFor(() => expect(desk.bench.calibrations.conductivityUsCm).toBeDefined())
    expect(desk.bench.calibrations.ph).toBeUndefined()
  })
  it('notices a probe that was not moved', async () => {
    const { calibration, show, dipInto } = await probeInHand()
    await dipInto('ph4')
    await show({ ph: 5 })
    await calibration.takePoint()
    await dipInto('ph7')
    await show({ ph: 5 })
    await calibration.takePoint()
    expect(calibration.problem).toMatch(/^Both readings are the same/)
  })
})
