import { describe, expect, it, vi } from 'vitest'
import { useGoingOver, waysOver } from '~/composables/useGoingOver'
import { useSaltInstrument } from '~/composables/useSaltInstrument'
import { useSaltMixing } from '~/composables/useSaltMixing'
import { useSettingsStore } from '~/stores/settings'
import { plain } from '~/words/numbers'
import { smallRoom, source, test as waterTest } from '../../make'
import { atTheBench, onPage, useBench } from './bench'

useBench()

/** A glass of 50 L with brackish water, its salt water open at the bench. */
async function brackish() {
  const s = smallRoom()
  const sea = source(s.room.id, {
    name: 'Bay water',
    kind: 'seaMix',
    analyses: [{ at: '2026-11-01T10:00:00.000Z', by: 'ownTest', values: { salinityGKg: 34 } }],
  })
  const tests = [waterTest(s.glass.id, 3, { salinityGKg: 19.2, temperatureC: 25 })]
  const desk = await atTheBench(s, tests, [{ table: 'sources', record: sea }])
  const instrument = onPage(() => useSaltInstrument())
  const mixing = onPage(() => useSaltMixing(instrument))
  await vi.waitFor(() => expect(instrument.shown.salinity).toBe('19.2'))
  return { desk, instrument, mixing }
}

describe('what the instrument says', () => {
  it('begins with the newest test of the glass', async () => {
    const { instrument } = await brackish()
    expect(instrument.temperature).toBe('25.0')
    expect(instrument.salinityGKg).toBe(19.2)
    expect(instrument.results?.map(r => r.name)).toContain('Conductivity at 25.0 °C')
  })
  it('tells the same water from any of the three instruments', async () => {
    const { instrument } = await brackish()
    const of = (name: RegExp) => instrument.results!.find(r => name.test(r.name))!.value
    const gravity = of(/^Specific gravity/)
    const conductivity = of(/^Conductivity at 25\.0/).replace(' mS/cm', '')
    instrument.measure = 'gravity'
    instrument.shown.gravity = gravity
    expect(instrument.salinityGKg).toBeCloseTo(19.2, 0)
    instrument.measure = 'conductivity'
    instrument.shown.conductivity = conductivity
    expect(instrument.salinityGKg).toBeCloseTo(19.2, 1)
  })
  it('reads what the hydrometer compares with: 4 °C and its own temperature differ by grams', async () => {
    const { instrument } = await brackish()
    instrument.measure = 'gravity'
    instrument.shown.gravity = '1.013'
    const own = instrument.salinityGKg!
    instrument.reference = '4'
    expect(instrument.salinityGKg! - own).toBeGreaterThan(3)
  })
  it('takes the temperature in the keeper’s unit, and refuses what the equations do not know', async () => {
    const { instrument } = await brackish()
    useSettingsStore().units.temperature = 'f'
    await vi.waitFor(() => expect(instrument.temperature).toBe('77.0'))
    expect(instrument.degreesC).toBeCloseTo(25, 1)
    instrument.temperature = '120'
    expect(instrument.waterC).toMatchObject({ ok: false, issue: 'It must lie between 28.4 °F and 95.0 °F.' })
    expect(instrument.results).toBeNull()
    // what follows goes on with an ordinary temperature
    expect(instrument.degreesC).toBe(24)
  })
  it('knows no water that is lighter than pure', async () => {
    const { instrument } = await brackish()
    instrument.measure = 'gravity'
    instrument.shown.gravity = '0.992'
    expect(instrument.read.ok).toBe(true)
    expect(instrument.salinityGKg).toBeNull()
  })
})

describe('mixing', () => {
  it('tells the grams from the box, and the litres of sea water where there is some', async () => {
    const { mixing } = await brackish()
    expect(mixing.litres).toBe('10')
    expect(plain(mixing.mix!.box)).toMatch(/^19\d g sea salt from the box \(17\d g dry; .* made up to 10 L/)
    // 17.5 of 34 g/kg is a little over half of the ten litres
    expect(plain(mixing.mix!.sea)).toMatch(/^Or 5\.0\d? L Bay water \(34\.0 g\/kg\) and 4\.9\d? L pure water\.$/)
  })
  it('says nothing while a field is no number', async () => {
    const { mixing } = await brackish()
    mixing.wanted = 'half'
    expect(mixing.mix).toBeNull()
    expect(mixing.wantedRead.ok).toBe(false)
  })
  it('puts right what is too strong with pure water and what is too weak with salt', async () => {
    const { mixing } = await brackish()
    expect(mixing.is).toBe('19.2')
    expect(plain(mixing.putRight)).toMatch(/^Take 4\.4\d? L out of the 50 L/)
    expect(plain(mixing.putRight)).toMatch(/top up instead: 4\.[89]\d? L of pure water/)
    mixing.should = '20.2'
    expect(plain(mixing.putRight)).toMatch(/^5\d g dry sea salt are missing in 50 L \(5\d g from the box\)/)
    mixing.should = '19.2'
    expect(mixing.putRight).toBe('It is right.')
    mixing.should = ''
    expect(mixing.putRight).toBe('')
  })
  it('keeps what the keeper typed of this glass, and forgets it for another', async () => {
    const { desk, instrument, mixing } = await brackish()
    mixing.is = '21'
    instrument.shown.salinity = '18'
    expect(mixing.is).toBe('21')
    desk.glassId = ''
    await vi.waitFor(() => expect(mixing.is).toBe('17.5'))
  })
})

describe('going over', () => {
  const begun = () => onPage(() => useGoingOver())

  it('begins with the way that most keepers go, and takes another when asked', async () => {
    const over = begun()
    expect(over.text).toEqual(waysOver.snailsIn.usual)
    expect(over.schedule.ok && over.schedule.steps.at(-1)!.salinityGKg).toBeCloseTo(17.5, 6)
    over.way = 'youngBack'
    await vi.waitFor(() => expect(over.text.from).toBe('30'))
    const { schedule } = over
    expect(schedule.ok && schedule.steps.map(s => s.hours).at(-1)).toBe(48)
    expect(schedule.ok && schedule.steps.at(-1)!.salinityGKg).toBeCloseTo(0, 6)
  })
  it('is refused with a reason when the water that is poured cannot bring it there', () => {
    const over = begun()
    over.text.strength = '10'
    expect(over.schedule).toMatchObject({ ok: false, issue: expect.stringContaining('pour in stronger water') })
    over.text = { ...over.text, from: '30', to: '5', strength: '8' }
    expect(over.schedule).toMatchObject({ ok: false, issue: expect.stringContaining('pour in weaker water') })
  })
  it('asks for all six numbers', () => {
    const over = begun()
    for (const part of ['from', 'to', 'hours', 'steps', 'strength'] as const) {
      const before = over.text[part]
      over.text[part] = ''
      expect(over.schedule, part).toMatchObject({ ok: false, issue: expect.stringContaining('all six') })
      over.text[part] = before
    }
    over.litres = ''
    expect(over.schedule.ok).toBe(false)
    over.litres = '2'
    over.text.to = over.text.from
    expect(over.schedule.ok).toBe(false)
  })
})
