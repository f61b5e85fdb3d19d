import { describe, expect, it, vi } from 'vitest'
import { DAY_MS } from '#core/records'
import { pureWater } from '#core/water'
import { AHEAD_DAYS, useHistoryDesk } from '~/composables/useHistoryDesk'
import { testMethodWord } from '~/words/states'
import { plain } from '~/words/numbers'
import { NOW, smallRoom, test as waterTest, topUp, waterChange } from '../../make'
import { atTheBench, onPage, useBench } from './bench'

useBench()

/** Tests every week, KH falling by a fifth of a degree between them, with changes of known water and a top-up. */
async function slidingGlass() {
  const s = smallRoom()
  const tests = Array.from({ length: 12 }, (_, i) =>
    waterTest(s.glass.id, 7 * (12 - i), { khDh: 6 - 0.2 * i, ghDh: 8, temperatureC: 23 }),
  )
  const old = waterTest(s.glass.id, 200, { khDh: 6.4 })
  const pure = { ...pureWater }
  const log = [old, ...tests, waterChange(s.glass.id, 10, 10, pure), topUp(s.glass.id, 5, 1, pure)]
  const desk = await atTheBench(s, log)
  const history = onPage(() => useHistoryDesk())
  await vi.waitFor(() => expect(history.keys).toContain('khDh'))
  return { desk, history }
}

describe('one value over time', () => {
  it('opens with KH where the animals have a target for it, else with what there is', async () => {
    const { history } = await slidingGlass()
    expect(history.key).toBe('khDh')
    history.picked = 'temperatureC'
    expect(history.key).toBe('temperatureC')
    // a value that was never read cannot be picked
    history.picked = 'nitrateMgL'
    expect(history.key).toBe('khDh')
  })
  it('shows the span that is asked for, and counts every reading for what is ordinary', async () => {
    const { history } = await slidingGlass()
    const shown = () => history.shown.filter(r => r.method !== 'reckoned').length
    expect(shown()).toBe(13)
    history.months = '3'
    expect(shown()).toBe(12)
    expect(history.tested).toHaveLength(13)
    expect(NOW - history.since).toBeCloseTo(3 * 30.44 * DAY_MS, -3)
    history.months = 'all'
    expect(history.since).toBe(NOW - 200 * DAY_MS)
    expect(history.events.map(e => e.kind)).toEqual(['change', 'topUp'])
  })
  it('looks ahead by twelve weeks, wider the farther, and further down with changes like the last', async () => {
    const { history } = await slidingGlass()
    const end = () => history.ahead.at(-1)!
    expect(end().day).toBe(AHEAD_DAYS)
    const width = (b: { low: number; high: number }) => b.high - b.low
    expect(width(end())).toBeGreaterThan(width(history.ahead[0]!))
    const alone = end().value
    history.compareWithChanges(true)
    // pure water thins what is there
    expect(end().value).toBeLessThan(alone - 0.5)
    // what does not follow by mixing is not told ahead
    history.picked = 'temperatureC'
    expect(history.ahead).toEqual([])
  })
  it('says what drifts and what is ordinary, and sums the chart up for those who hear it', async () => {
    const { history } = await slidingGlass()
    const said = history.sentences.map(plain)
    expect(said[0]).toMatch(/^By itself KH falls by 0\.\d\d °dH a week/)
    expect(said.at(-1)).toMatch(/^Ordinary here/)
    expect(history.summary).toMatch(/^KH from 6\.4 °dH .* preferred \d/)
  })
  it('lists every reading and pour, newest first, with how it is known and its doubt', async () => {
    const { history } = await slidingGlass()
    const { rows } = history
    expect(rows.map(r => r.at)).toEqual(rows.map(r => r.at).toSorted((a, b) => b - a))
    expect(rows.find(r => r.what === '10 L changed')).toMatchObject({ how: 'water known', doubt: '' })
    expect(rows.filter(r => /^1(\.0)? L topped up$/.test(r.what))).toHaveLength(1)
    expect(rows.find(r => r.day === '18 Nov 2026')).toMatchObject({
      what: '3.8 °dH',
      how: testMethodWord.liquidKit,
      doubt: expect.stringMatching(/^± 0\.\d/),
    })
  })
})
