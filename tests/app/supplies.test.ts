import { describe, expect, it } from 'vitest'
import { groups } from '#core/groups'
import { setUpAdvice } from '#core/care'
import { netLitres, type Source } from '#core/records'
import { glassDraft, readGlass } from '~/forms/glassDraft'
import { glassOfPlan, newPlan, planDraft, readPlan, wantsOf } from '~/forms/planDraft'
import { deviceDay } from '~/forms/deviceDays'
import { numberIn, readNumber } from '~/forms/readNumber'
import { readShelf, shelfDraft } from '~/forms/shelfDraft'
import { analysisDraft, readSource, readValues, sourceDraft } from '~/forms/sourceDraft'
import { defaultUnits } from '~/words/unitPrefs'
import { nextId, NOW, plan as planOf, rack as rackOf, shelfItem, source as sourceOf } from '../make'

const roomId = nextId()
const units = defaultUnits
const ppm = { ...units, hardness: 'mgLCaCO3' }

describe('readNumber', () => {
  it('tells empty, wrong and out of range apart', () => {
    expect(readNumber('3,5', { low: 0, high: 10 })).toEqual({ ok: true, value: 3.5 })
    expect(readNumber(' ', { low: 0, high: 10 })).toMatchObject({ ok: false, empty: true })
    expect(readNumber('x', { low: 0, high: 10 })).toMatchObject({ ok: false, empty: false, issue: '“x” is no number.' })
    expect(readNumber('11', { low: 0, high: 10, unit: 'L' })).toMatchObject({
      issue: 'It must lie between 0 and 10 L.',
    })
    expect(numberIn('11', { low: 0, high: 10 })).toBeNull()
    expect(numberIn('7')).toBe(7)
  })
})

const against = (old: Source | null) => ({ old, roomId, units, nowMs: NOW })

describe('a source as typed', () => {
  const draft = (more: object) => ({ ...sourceDraft(null), name: 'Kitchen tap', ...more })
  it('becomes a source with one dated analysis', () => {
    const read = readSource(
      draft({ values: { ghDh: '17,1', khDh: '5.2' }, on: '2026-09-12', disinfectant: 'chlorine' }),
      against(null),
    )
    expect(read).toMatchObject({
      ok: true,
      source: {
        name: 'Kitchen tap',
        disinfectant: 'chlorine',
        analyses: [{ by: 'ownTest', values: { ghDh: 17.1, khDh: 5.2 } }],
      },
    })
  })
  it('keeps every older analysis', () => {
    const old = sourceOf(roomId)
    const read = readSource({ ...sourceDraft(old), values: { ghDh: '12' } }, against(old))
    expect(read.ok && read.source.analyses).toHaveLength(2)
    expect(read.ok && read.source.analyses[0]).toEqual(old.analyses[0])
    const renamed = readSource({ ...sourceDraft(old), name: 'Other' }, against(old))
    expect(renamed.ok && renamed.source.analyses).toHaveLength(1)
  })
  it('reads the keeper’s own units, there and back', () => {
    const { values } = readValues({ values: { ghDh: '178.48' } }, ppm)
    expect(values.ghDh).toBeCloseTo(10, 3)
    expect(analysisDraft({ at: new Date(NOW).toISOString(), by: 'ownTest', values }, ppm).values.ghDh).toBe('178.48')
  })
  it('asks about slips, and wants something to go by', () => {
    const slips = readSource(draft({ name: '', values: { ph: '71', sodiumMgL: 'many' }, on: 'never' }), against(null))
    expect(slips).toMatchObject({
      ok: false,
      issues: {
        name: 'Give the source a name.',
        ph: 'pH 71? It lies between 2 and 12.',
        sodiumMgL: '“many” is no number.',
        on: 'That is no day.',
      },
    })
    expect(readSource(draft({}), against(null))).toMatchObject({
      ok: false,
      issues: { values: expect.stringContaining('at least one') },
    })
    expect(readSource(draft({ kind: 'pure' }), against(null)).ok).toBe(true)
    expect(readSource(draft({ values: { ghDh: '3' }, on: '2027-01-01' }), against(null))).toMatchObject({
      issues: { on: 'The day lies in the future.' },
    })
  })
})

describe('a box on the shelf as typed', () => {
  const asked = { old: null, roomId, units: defaultUnits, nowMs: NOW }
  it('is a salt, or a mix by what it raises', () => {
    expect(
      readShelf(
        { ...shelfDraft(null, defaultUnits), name: 'Gypsum', salt: 'calciumSulfateDihydrate', stockG: '250' },
        asked,
      ),
    ).toMatchObject({ ok: true, item: { content: { by: 'salt', salt: 'calciumSulfateDihydrate' }, stockG: 250 } })
    expect(
      readShelf(
        { ...shelfDraft(null, defaultUnits), name: 'Mix', by: 'mix', ghDh: '33', conductivityUsCm: '1260' },
        asked,
      ),
    ).toMatchObject({ ok: true, item: { content: { by: 'mix', ghDh: 33, khDh: 0, caMgByMass: 3 } } })
  })
  it('shows what is left, and keeps its id', () => {
    const item = shelfItem(roomId, { stockG: 100 })
    expect(shelfDraft(item, defaultUnits, 88.25).stockG).toBe('88.3')
    const read = readShelf(shelfDraft(item, defaultUnits, 88.2), { ...asked, old: item })
    expect(read.ok && read.item.id).toBe(item.id)
  })
  it('is typed and shown again in the keeper’s units', () => {
    const units = { ...defaultUnits, hardness: 'mgLCaCO3', conductivity: 'msCm' }
    const mix = shelfItem(roomId, {
      content: { by: 'mix', ghDh: 33, khDh: 1.5, conductivityUsCm: 1260, caMgByMass: 3 },
    })
    const draft = shelfDraft(mix, units)
    expect(Number(draft.ghDh)).toBeCloseTo(33 * 17.848, 0)
    expect(draft.conductivityUsCm).toBe('1.26')
    const read = readShelf(draft, { ...asked, old: mix, units })
    expect(read.ok && read.item.content).toEqual(mix.content)
    const far = readShelf({ ...draft, ghDh: '5000' }, { ...asked, units })
    expect(far.ok ? {} : far.issues).toEqual({ ghDh: expect.stringContaining('mg/L CaCO₃') })
  })
  it('says what is wrong', () => {
    expect(
      readShelf({ ...shelfDraft(null, defaultUnits), by: 'mix', ghDh: 'much', stockG: '-3' }, asked),
    ).toMatchObject({
      ok: false,
      issues: {
        name: 'Give the box a name.',
        ghDh: '“much” is no number.',
        stockG: expect.stringContaining('between'),
      },
    })
    expect(readShelf({ ...shelfDraft(null, defaultUnits), name: 'Mix', by: 'mix' }, asked)).toMatchObject({
      ok: false,
      issues: { ghDh: expect.stringContaining('raises GH or KH') },
    })
  })
})

describe('a plan as typed', () => {
  it('begins on target for every group', () => {
    for (const g of groups)
      expect(
        setUpAdvice(newPlan(g.id, roomId, NOW)).checks.filter(c => c.state === 'off'),
        g.id,
      ).toEqual([])
  })
  it('reads back what it shows', () => {
    const plan = planOf(roomId, { startsAt: '2026-10-28T07:31:12.345Z' })
    expect(readPlan(planDraft(plan, units), plan, units)).toEqual({ ok: true, plan })
  })
  it('takes filters in the keeper’s unit, and none for none', () => {
    const plan = newPlan('neocaridina', roomId, NOW)
    const rated = (filterRatedL: string, of = units) => {
      const read = readPlan({ ...planDraft(plan, of), filterRatedL }, plan, of)
      return read.ok ? read.plan.tank.filterRatedL : read.issues.filterRatedL
    }
    expect([rated('0'), rated(''), rated('40')]).toEqual([0, 0, 40])
    expect(rated('10', { ...units, volume: 'usGal' })).toBe(37.854)
    expect(rated('strong')).toBe('“strong” is no volume.')
    const none = { ...plan, tank: { ...plan.tank, filterRatedL: 0 } }
    expect(planDraft(none, units).filterRatedL).toBe('0')
  })
  it('takes inner edges for the litres, and a second group', () => {
    const plan = newPlan('neocaridina', roomId, NOW)
    const read = readPlan(
      {
        ...planDraft(plan, units),
        sizeBy: 'edges',
        lengthCm: '60',
        widthCm: '30',
        heightCm: '36',
        groupB: 'ramshorn-snail',
        startersB: '4',
      },
      plan,
      units,
    )
    expect(read).toMatchObject({
      ok: true,
      plan: {
        groupIds: ['neocaridina', 'ramshorn-snail'],
        starters: [20, 4],
        tank: { grossL: 64.8, inside: { lengthCm: 60 } },
      },
    })
  })
  it('names every field that is wrong', () => {
    const plan = newPlan('neocaridina', roomId, NOW)
    const read = readPlan(
      {
        ...planDraft(plan, units),
        name: ' ',
        litres: 'big',
        fillPct: '120',
        leaves: '-1',
        starters: '2.5',
        lightHours: '30',
        startsAt: '',
      },
      plan,
      units,
    )
    expect(read.ok ? [] : Object.keys(read.issues).sort()).toEqual([
      'fillPct',
      'leaves',
      'lightHours',
      'litres',
      'name',
      'starters',
      'startsAt',
    ])
    expect(
      readPlan(
        { ...planDraft(plan, units), sizeBy: 'edges', lengthCm: '', widthCm: '30', heightCm: '36' },
        plan,
        units,
      ),
    ).toMatchObject({ ok: false, issues: { lengthCm: 'Type a number.' } })
  })
  it('takes over what other animals want, and leaves the glass as it is', () => {
    const plan = newPlan('neocaridina', roomId, NOW)
    const wants = wantsOf('water-isopod', plan, units)
    expect(wants.carbonateGL).toBe('18')
    expect(wants).not.toHaveProperty('litres')
    expect(wants).not.toHaveProperty('name')
  })
  it('becomes a glass with what lies in it', () => {
    const plan = newPlan('bee-shrimp', roomId, NOW)
    const there = (name: string) => ({ name, rack: rackOf(roomId), shelf: 0, glasses: [], nowMs: NOW })
    const glass = glassOfPlan(plan, there('Soft'))
    expect(glass).toMatchObject({ grossL: 50, substrate: { kind: 'activeSoil' }, soilSince: plan.startsAt })
    expect(glassOfPlan(newPlan('water-isopod', roomId, NOW), there('Hard')).carbonateG).toBeGreaterThan(100)
  })
})

describe('contents of a glass as typed', () => {
  const racks = [rackOf(roomId)]
  const read = (more: object) =>
    readGlass(
      { ...glassDraft(null, racks, units), name: 'Moss', litres: '60', ...more },
      { old: null, roomId, glasses: [], racks, units, nowMs: NOW },
    )
  it('inner edges give the litres; bottom and rock take room', () => {
    const made = read({
      lengthCm: '50',
      widthCm: '30',
      heightCm: '40',
      substrate: 'sand',
      depthCm: '4',
      rockKg: '5.2',
      carbonateG: '200',
    })
    expect(made).toMatchObject({
      ok: true,
      glass: {
        grossL: 60,
        inside: { lengthCm: 50 },
        substrate: { kind: 'sand', depthCm: 4 },
        rockKg: 5.2,
        carbonateG: 200,
      },
    })
    expect(made.ok && netLitres(made.glass)).toBeCloseTo(54 - 6 * 0.62 - 2, 6)
  })
  it('remember since when soil is in', () => {
    const made = read({ substrate: 'activeSoil', depthCm: '3', soilSince: '2026-06-01' })
    expect(made.ok && deviceDay(Date.parse(made.glass.soilSince!))).toBe('2026-06-01')
    expect(made.ok && glassDraft(made.glass, racks, units).soilSince).toBe('2026-06-01')
  })
  it('name what is wrong', () => {
    expect(read({ lengthCm: '50' })).toMatchObject({
      ok: false,
      issues: { inside: expect.stringContaining('none of them') },
    })
    expect(read({ rockKg: 'heavy', soilSince: '2028-01-01' })).toMatchObject({
      ok: false,
      issues: { rockKg: '“heavy” is no number.', soilSince: expect.stringContaining('future') },
    })
  })
})
