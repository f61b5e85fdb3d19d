import { describe, expect, it } from 'vitest'
import { groups, resolveGroup } from '#core/groups'
import { colonyEdit, groupLimits, readColonyEdit } from '~/forms/colonyEdit'
import { emptyColonyDraft, readColony, readHeads, schoolsOf } from '~/forms/colonyDraft'
import { wholeNumber } from '~/forms/wholeNumber'
import { assumeFill, type GlassDraft, glassDraft, readGlass } from '~/forms/glassDraft'
import { nextId, NOW, rack, room } from '../make'
import { units, american, c } from './formsParts'

describe('a glass', () => {
  const r = room()
  const racks = [rack(r.id, { shelves: 2 })]
  const draft = { ...glassDraft(null, racks, units), name: 'Moss', litres: '54' }
  const readOne = (more: object, prefs = units) =>
    readGlass({ ...draft, ...more }, { old: null, roomId: r.id, glasses: [], racks, units: prefs, nowMs: NOW })
  const glassIssues = (more: object) => {
    const g = readOne(more)
    return g.ok ? {} : g.issues
  }
  it('is made from name and litres', () => {
    expect(readOne({})).toMatchObject({
      ok: true,
      glass: {
        name: 'Moss',
        grossL: 54,
        fill: { by: 'height', share: 0.9 },
        place: { rackId: racks[0]!.id, shelf: 0 },
      },
    })
  })
  it('knows whether anybody said how full it is', () => {
    const fillOf = (more: Partial<GlassDraft>) => {
      const read = readOne(more)
      return read.ok ? read.glass.fill : null
    }
    expect(fillOf({})).toEqual({ by: 'height', share: 0.9, assumed: true })
    expect(fillOf({ fillPct: '88' })).toEqual({ by: 'height', share: 0.88 })
    expect(fillOf({ fillBy: 'netLitres', netLitres: '40' })).toEqual({ by: 'netLitres', netL: 40 })
    const taken = (change: (draft: GlassDraft) => void, share?: number) => {
      const draft = glassDraft(null, racks, units)
      change(draft)
      assumeFill(draft, share)
      return draft.fillPct
    }
    // a paludarium by itself, crabs and burrowers by what they need; what was typed stays
    expect(taken(d => (d.kind = 'paludarium'))).toBe('20')
    expect(taken(() => undefined, 0.75)).toBe('75')
    expect(taken(d => (d.kind = 'paludarium'), 0.2)).toBe('20')
    expect(taken(d => (d.fillPct = '55'), 0.2)).toBe('55')
    // the same glass opened again is still only taken to be so
    const first = readOne({})
    const again = glassDraft(first.ok ? first.glass : null, racks, units)
    expect(again).toMatchObject({ fillPct: '90', assumedPct: '90' })
  })
  it('reads gallons', () => {
    const g = readOne({ litres: '10' }, american)
    expect(g.ok && g.glass.grossL).toBeCloseTo(37.854, 3)
  })
  it('says what is missing or impossible', () => {
    expect(glassIssues({ name: ' ' })).toHaveProperty('name')
    expect(glassIssues({ litres: 'big' }).litres).toContain('is no volume')
    expect(glassIssues({ litres: '0' })).toHaveProperty('litres')
    expect(glassIssues({ fillPct: '120' })).toHaveProperty('fill')
    expect(glassIssues({ fillBy: 'netLitres', netLitres: '60' }).fill).toContain('more than it holds')
    expect(glassIssues({ rackId: 'gone' })).toHaveProperty('place')
  })
  it('keeps its place unless it is moved', () => {
    const first = readOne({})
    if (!first.ok) throw new Error('not read')
    const old = { ...first.glass, place: { ...first.glass.place, position: 7 } }
    const against = { old, roomId: r.id, glasses: [old], racks, units, nowMs: NOW }
    const again = readGlass(glassDraft(old, racks, units), against)
    expect(again.ok && again.glass.place).toEqual(old.place)
    const moved = readGlass({ ...glassDraft(old, racks, units), shelf: 1 }, against)
    expect(moved.ok && moved.glass.place).toMatchObject({ shelf: 1 })
  })
})

describe('a colony', () => {
  const glassId = nextId()
  const draft = { ...emptyColonyDraft('neocaridina'), name: 'Ember' }
  const tell = (more: object) => {
    const r = readColony({ ...draft, heads: { ...draft.heads, females: '8' }, ...more }, glassId, NOW)
    return r.ok ? r.colony : r.issues
  }
  it('starts with group, name and starters', () => {
    expect(tell({})).toMatchObject({
      name: 'Ember',
      groupId: 'neocaridina',
      founders: { females: 8, males: 0 },
      form: 'colony',
      stays: [{ glassId, from: new Date(NOW).toISOString() }],
    })
  })
  it('says what is missing', () => {
    expect(tell({ groupId: '' })).toHaveProperty('groupId')
    expect(tell({ name: '' })).toHaveProperty('name')
    expect(tell({ heads: draft.heads })).toMatchObject({ heads: 'How many animals start it? At least one.' })
    expect(tell({ startedAt: '2030-01-01' })).toMatchObject({ startedAt: 'The day lies in the future.' })
    expect(readHeads({ females: 'x' })).toMatchObject({ ok: false })
  })
  it('keeps only schools that its group has', () => {
    expect(tell({ schools: { temperature: 'warm', clutches: 'leave' } })).toMatchObject({
      schools: { temperature: 'warm' },
    })
    expect(schoolsOf('apple-snail')).toContain('clutches')
    for (const g of groups) expect(schoolsOf(g.id).length).toBeGreaterThan(0)
  })
  it('takes the keeper’s own figures, and gives them up when the field is emptied', () => {
    const edit = colonyEdit(c, units)
    const own = readColonyEdit(
      {
        ...edit,
        minimumKeep: '50',
        growthPct: '3',
        capacityPerL: '4',
        targets: { khDh: { prefLow: '1', prefHigh: '3', tolLow: '', tolHigh: '5' } },
      },
      c,
      units,
      NOW,
    )
    if (!own.ok) throw new Error('not read')
    expect(own.colony).toMatchObject({
      minimumKeep: 50,
      life: { capacityPerL: 4 },
      targets: { khDh: { preferred: [1, 3], tolerated: [1, 5] } },
    })
    expect(own.colony.life.growthPerWeek).toBeCloseTo(Math.log(1.03), 9)
    const shown = colonyEdit(own.colony, units)
    expect(shown).toMatchObject({
      minimumKeep: '50',
      growthPct: '3',
      targets: { khDh: { prefLow: '1', tolHigh: '5' } },
    })
    const back = readColonyEdit(
      { ...shown, minimumKeep: '', growthPct: '', capacityPerL: '', targets: {} },
      own.colony,
      units,
      NOW,
    )
    expect(back.ok && back.colony).toEqual(c)
  })
  it('moves the day on which it began', () => {
    const moved = readColonyEdit({ ...colonyEdit(c, units), startedAt: '2026-01-05' }, c, units, NOW)
    expect(moved.ok && new Date(moved.colony.startedAt).getDate()).toBe(5)
    const later = readColonyEdit({ ...colonyEdit(c, units), startedAt: '2027-01-05' }, c, units, NOW)
    expect(later.ok ? {} : later.issues).toEqual({ startedAt: 'The day lies in the future.' })
  })
  it('names every field that is wrong', () => {
    const bad = readColonyEdit(
      {
        ...colonyEdit(c, units),
        name: '',
        minimumKeep: 'x',
        growthPct: '900',
        capacityPerL: '0',
        targets: {
          ph: { prefLow: '8', prefHigh: '7', tolLow: '', tolHigh: '' },
          ghDh: { prefLow: 'a', prefHigh: '7', tolLow: '', tolHigh: '' },
          khDh: { prefLow: '2', prefHigh: '3', tolLow: 'b', tolHigh: '' },
        },
      },
      c,
      units,
      NOW,
    )
    expect(bad.ok ? [] : Object.keys(bad.issues).sort()).toEqual([
      'capacityPerL',
      'growthPct',
      'minimumKeep',
      'name',
      'targets.ghDh',
      'targets.khDh',
      'targets.ph',
    ])
  })
  it('shows the group’s ranges as placeholders, in the keeper’s unit', () => {
    expect(groupLimits('ghDh', resolveGroup(c), units)).toEqual({
      prefLow: '6',
      prefHigh: '8',
      tolLow: '4',
      tolHigh: '12',
    })
    expect(groupLimits('temperatureC', resolveGroup(c), american)).toMatchObject({ prefLow: '71.6', prefHigh: '77' })
  })
  it('reads whole numbers only', () => {
    expect(wholeNumber('12', 1)).toEqual({ ok: true, value: 12 })
    expect(wholeNumber('1e3', 1).ok).toBe(false)
  })
})
