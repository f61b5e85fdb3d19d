import { format } from 'date-fns'
import { describe, expect, it } from 'vitest'
import { valueKeys, presentGlassId } from '#core/records'
import { pureWater } from '#core/water'
import { type Draft, draftOf, emptyDraft } from '~/forms/logDraft'
import { readDraft } from '~/forms/readDraft'
import { readValue } from '~/forms/testReadings'
import { colony, count, daysAgo, nextId, note, NOW, removal, test as waterTest, waterChange } from '../make'
import { units, american, c, stamp, read, issues } from './formsParts'

const entry = (draft: Partial<Draft>, prefs = units) => {
  const r = read(draft, c, prefs)
  if (!r.ok) throw new Error(JSON.stringify(r.issues))
  return r.entry
}

describe('the log sheet', () => {
  it('makes a count now, by the usual method', () => {
    expect(entry({ number: ' 42 ' })).toMatchObject({
      kind: 'count',
      number: 42,
      method: 'allSeen',
      colonyId: c.id,
      at: daysAgo(0),
    })
  })
  it('wants the share with a part of the tank', () => {
    expect(issues({ number: '9', choice: 'partOfTank' })).toHaveProperty('share')
    expect(entry({ number: '9', choice: 'partOfTank', sharePct: '20 %' })).toMatchObject({ share: 0.2 })
  })
  it.each([
    ['', 'Type a number.'],
    ['abc', '“abc” is no whole number.'],
    ['2.5', '“2.5” is no whole number.'],
    ['-3', '“-3” is no whole number.'],
    ['999999', 'It must be 100 000 at most.'],
  ])('asks about the number “%s”', (number, sentence) => {
    expect(issues({ number }).number).toBe(sentence)
  })
  it('allows a count of none, but nobody takes out none', () => {
    expect(entry({ number: '0' })).toMatchObject({ number: 0 })
    expect(issues({ kind: 'removal', number: '0' }).number).toBe('It must be 1 or more.')
  })
  it('checks the split against the number', () => {
    expect(issues({ number: '5', parts: { females: '4', males: '2' } }).parts).toContain('add up to 6')
    expect(entry({ number: '6', parts: { females: '4', males: '2' } })).toMatchObject({
      parts: { females: 4, males: 2 },
    })
  })
  it('takes the past and refuses the future', () => {
    expect(entry({ number: '5', at: '2026-11-20T08:30' }).at).toBe(new Date('2026-11-20T08:30').toISOString())
    expect(issues({ number: '5', at: '2027-01-01T00:00' }).at).toContain('future')
    expect(issues({ number: '5', at: 'soon' }).at).toContain('no date')
    expect(issues({ number: '5', at: 'half typed' }).at).toContain('part of the date')
  })
  it('refuses numbers from before the colony began, but not from the hour before on the same day', () => {
    expect(issues({ number: '5', at: '2025-01-01T00:00' }).at).toMatch(/^Ember began on .+; this lies before it/)
    const young = colony(nextId(), { startedAt: daysAgo(0.01) })
    const r = readDraft(
      { ...emptyDraft('count', young.id), number: '5', at: format(NOW - 3_600_000, "yyyy-MM-dd'T'HH:mm") },
      { colony: young, stamp: stamp(), units, nowMs: NOW },
    )
    expect(r.ok && r.entry.at).toBe(young.startedAt)
    expect(
      entry({ kind: 'waterTest', at: '2025-01-01T00:00', readings: { ph: { text: '7', method: 'probe' } } }).kind,
    ).toBe('waterTest')
  })
  it('keeps the seconds of an entry whose time is left alone', () => {
    const old = count(c.id, 3.00012345, 20)
    expect(entry(draftOf(old, c.id, units)!).at).toBe(old.at)
  })
  it('writes a correction that names what it corrects', () => {
    const old = count(c.id, 3, 2140)
    expect(entry({ number: '214', correcting: old })).toMatchObject({ supersedes: old.id, number: 214 })
  })
  it('takes along what those carry that come or go', () => {
    const moved = { kind: 'move' as const, values: { number: '8', toColonyId: nextId(), berried: '5' } }
    expect(entry(moved)).toMatchObject({ number: 8, berried: 5 })
    expect(entry({ kind: 'addition', number: '8', values: { berried: ' 0 ' } })).toMatchObject({ berried: 0 })
    expect(entry({ kind: 'removal', number: '8' })).not.toHaveProperty('berried')
    // of a count nobody is asked
    expect(entry({ number: '8', values: { berried: '5' } })).not.toHaveProperty('berried')
    expect(issues({ ...moved, values: { ...moved.values, berried: '9' } }).berried).toContain('than there are females')
    expect(issues({ kind: 'addition', number: '8', values: { berried: 'x' } }).berried).toContain('no whole number')
    // what was typed for shrimp means nothing of snails, whose field is not there
    const snails = colony(nextId(), { groupId: 'ramshorn-snail' })
    const laid = read({ kind: 'addition', number: '8', values: { berried: '5' } }, snails, units)
    expect(laid.ok && laid.entry).not.toHaveProperty('berried')
  })
  it('keeps rungs and eggs of those that went when their number is corrected', () => {
    const rungs = [{ rungId: nextId(), sex: 'female' as const, number: 4 }]
    const went = { ...removal(c.id, 3, 6), rungs, berried: 3 }
    const again = (number: string) => ({ ...draftOf(went, c.id, units)!, number })
    expect(entry(again('5'))).toMatchObject({ number: 5, rungs, berried: 3 })
    expect(entry(again('3'))).not.toHaveProperty('rungs')
  })
  it('writes down what was poured, and a correction keeps it', () => {
    const water = { ...pureWater, caMmolL: 1 }
    const tap = { id: nextId(), name: 'Tap' }
    const sources = [{ source: tap, water }]
    const readWith = (draft: Draft) => {
      const r = readDraft(draft, { colony: c, stamp: stamp(), units, nowMs: NOW, sources })
      if (!r.ok) throw new Error(JSON.stringify(r.issues))
      return r.entry
    }
    const drafted = { ...emptyDraft('waterChange', c.id), values: { litres: '5', source: tap.id } }
    const change = readWith(drafted)
    const poured = [{ sourceId: tap.id, name: 'Tap', litres: 5 }]
    expect(change).toMatchObject({ litres: 5, water, poured })
    expect(readWith({ ...drafted, values: { litres: '5' } })).not.toHaveProperty('water')
    // what a recipe weighed is not in the sheet, and stays
    const mixed = waterChange(nextId(), 1, 4, water, { poured, weighed: [{ itemId: nextId(), name: 'Mix', grams: 2 }] })
    const draft = draftOf(mixed, c.id, units)!
    expect(draft.values).toMatchObject({ litres: '4', source: 'asLogged' })
    const corrected = readWith({ ...draft, values: { ...draft.values, litres: '6' } })
    expect(corrected).toMatchObject({ litres: 6, water, poured, weighed: [{ grams: 2 }], supersedes: mixed.id })
    expect(readWith({ ...draft, values: { litres: '6', source: '' } })).not.toHaveProperty('water')
  })
  it('keeps any subset of water values, each with its method', () => {
    const e = entry({
      kind: 'waterTest',
      readings: {
        khDh: { text: '4,5', method: 'liquidKit' },
        ph: { text: '', method: 'strip' },
        temperatureC: { text: '23.1', method: 'probe' },
      },
    })
    expect(e).toMatchObject({
      glassId: presentGlassId(c),
      readings: { khDh: { value: 4.5, method: 'liquidKit' }, temperatureC: { value: 23.1, method: 'probe' } },
    })
    expect('readings' in e && e.readings.ph).toBeUndefined()
  })
  it('reads values in the keeper’s units', () => {
    const e = entry(
      {
        kind: 'waterTest',
        readings: { temperatureC: { text: '75.2', method: 'probe' }, ghDh: { text: '107', method: 'liquidKit' } },
      },
      american,
    )
    expect('readings' in e && e.readings.temperatureC?.value).toBeCloseTo(24, 9)
    expect('readings' in e && e.readings.ghDh?.value).toBeCloseTo(5.995, 3)
  })
  it('brings the reading of a probe that does not compensate to 25 °C', () => {
    const typed = {
      kind: 'waterTest' as const,
      rawConductivity: true,
      readings: { conductivityUsCm: { text: '300', method: 'probe' }, temperatureC: { text: '20', method: 'probe' } },
    }
    const e = entry(typed)
    expect('readings' in e && e.readings.conductivityUsCm?.value).toBe(331.7)
    expect(
      issues({ ...typed, readings: { conductivityUsCm: typed.readings.conductivityUsCm } })['readings.temperatureC'],
    ).toContain('cannot be brought to 25 °C')
  })
  it('asks about slips', () => {
    expect(issues({ kind: 'waterTest', readings: { ph: { text: '71', method: 'probe' } } })['readings.ph']).toBe(
      'pH 71? It lies between 3 and 11.',
    )
    expect(
      issues({ kind: 'waterTest', readings: { ph: { text: 'seven', method: 'probe' } } })['readings.ph'],
    ).toContain('is no number')
    expect(issues({ kind: 'waterTest', readings: {} }).readings).toContain('at least one')
    expect(readValue('temperatureC', '200', american)).toMatchObject({
      ok: false,
      issue: 'Temperature 200? It lies between 28.4 and 113 °F.',
    })
  })
  it('wants words in a note, and a colony for everything', () => {
    expect(issues({ kind: 'note', text: '  ' }).text).toBe('The note is empty.')
    expect(entry({ kind: 'note', text: 'Moss trimmed.' })).toMatchObject({ kind: 'note', text: 'Moss trimmed.' })
    const lost = readDraft(emptyDraft(), { colony: undefined, stamp: stamp(), units, nowMs: NOW })
    expect(lost.ok ? {} : lost.issues).toHaveProperty('colonyId')
  })
  it.each(['count', 'addition', 'removal', 'death'] as const)('makes %s from a number alone', kind => {
    expect(entry({ kind, number: '3' })).toMatchObject({ kind, number: 3 })
  })
  it('fills itself from an entry, and reads the same back', () => {
    const entries = [
      count(c.id, 3, 40, {
        method: 'partOfTank',
        share: 0.15,
        parts: { females: 4, males: 0, unsexed: 0, halfGrown: 0, young: 30 },
      }),
      removal(c.id, 4, 6),
      note(c.id, 5, 'Trimmed.'),
      waterTest(presentGlassId(c), 2, { khDh: 4.2, conductivityUsCm: 310 }),
    ]
    for (const prefs of [units, american]) {
      for (const old of entries) {
        const again = entry(draftOf(old, c.id, prefs)!, prefs)
        const { id: _a, loggedAt: _b, at: _c, supersedes, ...rest } = again
        const { id, loggedAt: _d, at: _e, ...before } = old
        expect(supersedes).toBe(id)
        if (rest.kind === 'waterTest' && before.kind === 'waterTest')
          for (const key of valueKeys)
            expect(rest.readings[key]?.value ?? 0).toBeCloseTo(before.readings[key]?.value ?? 0, 3)
        else expect(rest).toEqual(before)
      }
    }
  })
})
