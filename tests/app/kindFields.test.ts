import { describe, expect, it } from 'vitest'
import { type Entry, presentGlassId } from '#core/records'
import { emptyDraft, canCorrect, draftOf } from '~/forms/logDraft'
import { readDraft } from '~/forms/readDraft'
import { readFields } from '~/forms/readFields'
import { type FieldKind, fieldKinds, glassKinds, isAsked, kindFields } from '~/forms/kindFields'
import { defaultUnits } from '~/words/unitPrefs'
import { colony, daysAgo, nextId, NOW } from '../make'

const c = colony(nextId())
const clutchId = nextId()
/** What a keeper would type for each kind, and what comes of it. */
const typed: Record<FieldKind, [Record<string, string>, object]> = {
  move: [{ number: '4', toColonyId: nextId() }, { number: 4 }],
  waterChange: [{ litres: '5.4' }, { litres: 5.4 }],
  topUp: [{ litres: '0,8' }, { litres: 0.8 }],
  molts: [{ number: '0' }, { number: 0 }],
  failedMolt: [{ number: '1', sign: 'stuck' }, { sign: 'stuck' }],
  limbLoss: [{ number: '1', limbs: 'one' }, { limbs: 'one' }],
  shell: [
    { growth: 'thin', marks: 'pits white', diameterMm: '12,5' },
    { growth: 'thin', marks: ['pits', 'white'], diameterMm: 12.5 },
  ],
  berried: [
    { number: '3', eyed: '1' },
    { number: 3, eyed: 1 },
  ],
  eggMass: [{ number: '2' }, { number: 2 }],
  clutch: [
    { event: 'hatched', clutchId, young: '90' },
    { event: 'hatched', clutchId, young: 90 },
  ],
  young: [{ amount: 'many' }, { amount: 'many' }],
  larvae: [
    { sample: 'early=12 settled=2', sampleL: '0,5', green: '3' },
    { sample: { early: 12, middle: 0, late: 0, settled: 2 }, sampleL: 0.5, green: 3 },
  ],
  dull: [{ number: '3' }, { number: 3 }],
  mating: [{ number: '1' }, { number: 1 }],
  feeding: [
    { food: 'greens', portions: '1', eaten: 'leftOver', removed: 'removed' },
    { food: 'greens', portions: 1, eaten: 'leftOver', removed: true },
  ],
  supplement: [
    { what: 'leaves', number: '3' },
    { what: 'leaves', number: 3 },
  ],
  equipment: [{ found: 'cover=fine intake=broken' }, { found: { cover: 'fine', intake: 'broken' } }],
  growth: [{ algae: 'rich' }, { algae: 'rich' }],
  pest: [
    { what: 'hydra', amount: 'few' },
    { what: 'hydra', amount: 'few' },
  ],
}
const against = () => ({
  colony: c,
  stamp: { id: nextId(), loggedAt: daysAgo(0) },
  units: defaultUnits,
  nowMs: NOW,
})
const read = (kind: FieldKind, values: Record<string, string>) =>
  readDraft({ ...emptyDraft(kind, c.id), values }, against())

describe.each(fieldKinds)('the fields of %s', kind => {
  const [values, made] = typed[kind]
  it('come to an entry', () => {
    const r = read(kind, values)
    expect(r.ok ? r.entry : r.issues).toMatchObject({
      kind,
      ...(glassKinds.has(kind) ? { glassId: presentGlassId(c) } : { colonyId: c.id }),
      ...made,
    })
  })
  it('fill themselves from the entry, where it can be corrected', () => {
    const r = read(kind, values)
    if (!r.ok) throw new Error('not read')
    const draft = draftOf(r.entry, c.id, defaultUnits)
    if (!canCorrect(r.entry)) return expect(draft).toBeNull()
    const again = readDraft(draft!, against())
    const own = (e: Entry) => ({ ...e, id: '', loggedAt: '', at: '', supersedes: '' })
    expect(again.ok && own(again.entry)).toEqual(own(r.entry))
  })
  it('say in a sentence what is missing', () => {
    const r = read(kind, {})
    // these say enough by what is chosen at the start: a clutch was laid, a few young were seen, leaves were laid in
    if (['clutch', 'young', 'supplement'].includes(kind))
      return expect(r.ok && r.entry).toMatchObject(
        kind === 'clutch' ? { event: 'laid' } : kind === 'young' ? { amount: 'few' } : { what: 'leaves' },
      )
    expect(r.ok).toBe(false)
    const issues = r.ok ? {} : r.issues
    expect(
      Object.values(issues).every(text => /^[“A-Z].*[.?]$/.test(text)),
      JSON.stringify(issues),
    ).toBe(true)
    // and at a field that is on screen
    for (const name of Object.keys(issues)) expect(kindFields[kind].map(f => f.name)).toContain(name)
  })
})

describe('wrong input', () => {
  it.each([
    ['waterChange', { litres: '-3' }, 'litres'],
    ['topUp', { litres: 'a bit' }, 'litres'],
    ['berried', { number: '1', eyed: '2' }, 'eyed'],
    ['young', { amount: 'few', number: '3' }, 'number'],
    ['shell', { growth: 'clean', diameterMm: '0' }, 'diameterMm'],
    ['clutch', { event: 'hatched' }, 'clutchId'],
  ] as const)('%s %j', (kind, values, field) => {
    const r = read(kind, values)
    expect(r.ok ? {} : r.issues).toHaveProperty(field)
  })
})

describe('fields that only one choice asks for', () => {
  const clutch = kindFields.clutch
  const asked = (values: Record<string, string>) => clutch.filter(f => isAsked(f, clutch, values)).map(f => f.name)
  it('of a clutch: its height when it is laid, the young when it hatched, why when it was lost', () => {
    // laid is what stands chosen at first
    expect(asked({})).toEqual(['event', 'place', 'aboveCm'])
    expect(asked({ event: 'hatched' })).toEqual(['event', 'clutchId', 'place', 'young'])
    expect(asked({ event: 'lost' })).toEqual(['event', 'clutchId', 'place', 'lostTo'])
    expect(asked({ event: 'checked' })).toEqual(['event', 'clutchId', 'place'])
  })
  it('what was typed for another choice is not read', () => {
    const laid = readFields('clutch', { event: 'laid', aboveCm: '4,5', young: '90', lostTo: 'dried' }, defaultUnits)
    expect(laid).toEqual({ raw: { event: 'laid', aboveCm: 4.5 }, issues: {} })
    const lost = readFields('clutch', { event: 'lost', clutchId, lostTo: 'drowned', aboveCm: '4' }, defaultUnits)
    expect(lost.raw).toEqual({ event: 'lost', clutchId, lostTo: 'drowned' })
  })
})
