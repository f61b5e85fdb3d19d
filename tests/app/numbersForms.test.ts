import { describe, expect, it } from 'vitest'
import { toMoment } from '#core/records'
import { countEntry, readEfforts, readMarks, readSeries, readShare } from '~/forms/countSheets'
import { emptyHarvest, readHarvest } from '~/forms/harvestDraft'
import { readOrder, readPrice } from '~/forms/orderDraft'
import { emptyScenario, readScenario, scenarioDraft } from '~/forms/scenarioDraft'
import { canCorrect, draftOf } from '~/forms/logDraft'
import { readDraft } from '~/forms/readDraft'
import { entryText } from '~/words/entries'
import { defaultUnits } from '~/words/unitPrefs'
import { colony, entryOf, nextId, NOW } from '../make'

const stamp = { id: nextId(), at: toMoment(NOW), loggedAt: toMoment(NOW) }

describe('a scenario as it is typed', () => {
  it('what is empty stays as it is', () => {
    expect(readScenario(emptyScenario(), defaultUnits)).toEqual({ ok: true, change: {} })
  })
  it('reads all of it, and shows it again', () => {
    const draft = {
      ...emptyScenario(),
      temperature: '25,5',
      roomFactor: '1.5',
      secondTank: '30',
      fish: 'none' as const,
      putIn: '10',
      takeNow: '5',
      takeNowOf: 'males' as const,
      weekly: '0.5',
      weeklyOf: 'halfGrown' as const,
    }
    const read = readScenario(draft, defaultUnits)
    expect(read).toEqual({
      ok: true,
      change: {
        temperatureC: 25.5,
        roomFactor: 1.5,
        secondTankL: 30,
        fish: 'none',
        putIn: 10,
        takeNow: { of: 'males', number: 5 },
        weekly: { of: 'halfGrown', number: 0.5 },
      },
    })
    expect(read.ok && scenarioDraft(read.change, defaultUnits)).toEqual({ ...draft, temperature: '25.5' })
  })
  it('is typed and shown again in the keeper’s units', () => {
    const units = { ...defaultUnits, temperature: 'f', volume: 'usGal' }
    const draft = { ...emptyScenario(), temperature: '77', secondTank: '10' }
    const read = readScenario(draft, units)
    expect(read).toEqual({ ok: true, change: { temperatureC: 25, secondTankL: 37.854 } })
    expect(read.ok && scenarioDraft(read.change, units)).toEqual(draft)
    const far = readScenario({ ...emptyScenario(), temperature: '30', secondTank: '900' }, units)
    expect(far.ok ? {} : far.issues).toEqual({
      temperature: 'It must lie between 35.6 and 96.8 °F.',
      secondTank: expect.stringContaining('US gal'),
    })
  })
  it('names each field that is wrong', () => {
    const read = readScenario({ ...emptyScenario(), temperature: 'warm', putIn: '1.5', roomFactor: '9' }, defaultUnits)
    expect(read.ok ? {} : read.issues).toEqual({
      temperature: '“warm” is no number.',
      putIn: expect.any(String),
      roomFactor: 'This must be five times at most.',
    })
  })
})

describe('an order', () => {
  const draft = {
    who: ' B. N. ',
    colonyId: nextId(),
    number: '30',
    of: 'halfGrown' as const,
    dueAt: '2026-12-12',
    priceEach: '2,5',
  }
  const read = (more: Partial<typeof draft>) => readOrder({ ...draft, ...more }, nextId(), nextId(), NOW)
  it('is read', () => {
    const r = read({})
    expect(r.ok && r.order).toMatchObject({ who: 'B. N.', number: 30, of: 'halfGrown', priceEach: 2.5, state: 'open' })
    expect(read({ priceEach: '' }).ok).toBe(true)
  })
  it.each([
    [{ who: '' }, 'who'],
    [{ number: 'x' }, 'number'],
    [{ dueAt: '' }, 'dueAt'],
    [{ dueAt: '2026-01-01' }, 'dueAt'],
    [{ priceEach: 'dear' }, 'priceEach'],
    [{ colonyId: '' }, 'colonyId'],
  ] as const)('%o is named', (more, field) => {
    const r = read(more)
    expect(r.ok ? [] : Object.keys(r.issues)).toEqual([field])
  })
  it('prices are to the cent', () => {
    expect([readPrice(''), readPrice('2,4999'), readPrice('12.5')]).toEqual([
      { ok: true },
      { ok: true, price: 2.5 },
      { ok: true, price: 12.5 },
    ])
    expect(readPrice('2,499')).toMatchObject({ issue: expect.stringContaining('2.499 or 2499') })
    for (const wrong of ['-1', 'x', '10001']) expect(readPrice(wrong).ok).toBe(false)
  })
})

describe('a harvest', () => {
  it('is a removal with its split, price and order', () => {
    const orderId = nextId()
    const r = readHarvest(
      { ...emptyHarvest(), number: '6', of: 'females', outlet: 'sold', price: '15' },
      stamp,
      nextId(),
      orderId,
    )
    expect(r.ok && r.entry).toMatchObject({
      kind: 'removal',
      number: 6,
      outlet: 'sold',
      price: 15,
      orderId,
      parts: { females: 6 },
    })
    const any = readHarvest({ ...emptyHarvest(), number: '6', outlet: 'fed', price: '15' }, stamp, nextId())
    expect(any.ok && any.entry).not.toHaveProperty('parts')
    expect(any.ok && any.entry).not.toHaveProperty('price')
  })
  it('says what is missing', () => {
    const r = readHarvest(emptyHarvest(), stamp, nextId())
    expect(r.ok ? [] : Object.keys(r.issues)).toEqual(['number', 'outlet'])
    const dear = readHarvest({ ...emptyHarvest(), number: '1', outlet: 'sold', price: 'much' }, stamp, nextId())
    expect(dear.ok ? {} : dear.issues).toHaveProperty('price')
  })
})

describe('sheets of the Count desk', () => {
  it('rows of numbers, however they are parted', () => {
    expect(readSeries('12, 9;5 + 3', 2)).toEqual({ ok: true, series: [12, 9, 5, 3] })
    expect(readSeries('12 x', 2)).toMatchObject({ ok: false, issue: expect.stringContaining('“x”') })
    expect(readSeries('12', 2)).toMatchObject({ ok: false })
    expect(readSeries('1 '.repeat(30), 2)).toMatchObject({ ok: false, issue: 'Twenty numbers at most.' })
  })
  it('minutes of passes, one for each or none', () => {
    expect(readEfforts('', 3)).toEqual({ ok: true })
    expect(readEfforts('10, 10, 15', 3)).toEqual({ ok: true, efforts: [10, 10, 15] })
    expect(readEfforts('10, 10', 3)).toMatchObject({ ok: false, issue: expect.stringContaining('3 passes') })
    expect(readEfforts('10, 0, 5', 3)).toMatchObject({ ok: false })
  })
  it('a share in per cent', () => {
    expect(readShare('25')).toEqual({ ok: true, share: 0.25 })
    expect([readShare('0').ok, readShare('101').ok, readShare('').ok]).toEqual([false, false, false])
  })
  it('catches with marks, of which no more can come back than were marked', () => {
    expect(
      readMarks([
        { caught: '20', recaptured: '' },
        { caught: '18', recaptured: '6' },
        { caught: '', recaptured: '' },
      ]),
    ).toEqual({
      ok: true,
      marks: [
        { caught: 20, recaptured: 0 },
        { caught: 18, recaptured: 6 },
      ],
    })
    expect(
      readMarks([
        { caught: '20', recaptured: '' },
        { caught: '30', recaptured: '25' },
      ]),
    ).toMatchObject({ issue: expect.stringContaining('(20)') })
    expect(
      readMarks([
        { caught: '20', recaptured: '' },
        { caught: '3', recaptured: '5' },
      ]),
    ).toMatchObject({ issue: expect.stringContaining('than were caught') })
    expect(
      readMarks([
        { caught: '20', recaptured: '' },
        { caught: 'many', recaptured: '5' },
      ]),
    ).toMatchObject({ issue: expect.stringContaining('whole numbers') })
    expect(readMarks([{ caught: '20', recaptured: '' }])).toMatchObject({ ok: false })
  })
  it('a count becomes an entry; one that cannot be does not', () => {
    const colonyId = nextId()
    expect(countEntry({ method: 'passes', number: 103, series: [64, 30, 9] }, stamp, colonyId)).toMatchObject({
      kind: 'count',
      series: [64, 30, 9],
    })
    expect(
      countEntry({ method: 'photo', number: 40, share: 0.5, hitRate: { share: 0.8, sdLog: 0.1 } }, stamp, colonyId),
    ).toMatchObject({ hitRate: { share: 0.8 } })
    expect(() => countEntry({ method: 'photo', number: 40 }, stamp, colonyId)).toThrow()
    expect(() => countEntry({ method: 'passes', number: 40 }, stamp, colonyId)).toThrow()
    expect(() =>
      countEntry(
        {
          method: 'marks',
          number: 40,
          marks: [
            { caught: 5, recaptured: 0 },
            { caught: 9, recaptured: 6 },
          ],
        },
        stamp,
        colonyId,
      ),
    ).toThrow()
  })
})

describe('counts of the desk in the log', () => {
  const colonyId = nextId()
  const passes = countEntry({ method: 'passes', number: 103, series: [64, 30, 9] }, stamp, colonyId)
  const samples = countEntry({ method: 'partOfTank', number: 15, share: 0.05, series: [5, 4, 6] }, stamp, colonyId)
  it('are taken back and logged anew, not corrected in the sheet, which has no fields for their row', () => {
    expect([canCorrect(passes), canCorrect(samples)]).toEqual([false, false])
    expect(canCorrect(countEntry({ method: 'allSeen', number: 9 }, stamp, colonyId))).toBe(true)
  })
  it('say how they were made', () => {
    expect(entryText(passes, defaultUnits).detail).toBe('caught and set aside · 64, 30, 9')
    expect(entryText(samples, defaultUnits).detail).toBe('5 % of the tank · 5, 4, 6')
    expect(
      entryText(countEntry({ method: 'photo', number: 40, share: 0.5 }, stamp, colonyId), defaultUnits).detail,
    ).toBe('on a photo · 50 % of the tank')
    expect(
      entryText(
        countEntry(
          {
            method: 'marks',
            number: 40,
            marks: [
              { caught: 20, recaptured: 0 },
              { caught: 18, recaptured: 6 },
            ],
          },
          stamp,
          colonyId,
        ),
        defaultUnits,
      ).detail,
    ).toContain('18 (6 marked)')
  })
  it('a correction of a sale keeps its price and its order', () => {
    const orderId = nextId()
    const sold = entryOf('removal', 1, { colonyId, number: 6, outlet: 'sold', price: 15, orderId })
    const draft = draftOf(sold, colonyId, defaultUnits)!
    const read = readDraft(
      { ...draft, number: '5' },
      {
        colony: colony(nextId(), { id: colonyId }),
        stamp: { id: nextId(), loggedAt: toMoment(NOW) },
        units: defaultUnits,
        nowMs: NOW,
      },
    )
    expect(read.ok && read.entry).toMatchObject({ number: 5, price: 15, orderId, supersedes: sold.id })
  })
})
