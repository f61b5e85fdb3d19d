import { describe, expect, it } from 'vitest'
import type { Entry } from '#core/records'
import { colonyStatements, firstLook, type MoltCause, moltCauses } from '#core/statements'
import { waterStory } from '#core/water'
import { causesOf } from '../../../core/statements/moltCauses'
import { causeName, moltAlarmText } from '../../../app/words/molts'
import { plain } from '../../../app/words/numbers'
import { say } from '../../../app/words/say'
import { defaultUnits } from '../../../app/words/unitPrefs'
import { count, entryOf, inputOf, NOW, smallRoom, test as waterTest } from '../../make'

const room = smallRoom({ colony: { founders: { females: 50, males: 40, unsexed: 0, halfGrown: 20, young: 0 } } })
const id = room.colony.id
const counts = [220, 160, 100, 50, 20].map((days, i) => count(id, days, [96, 99, 94, 97, 95][i]!))
const glassId = room.glass.id
const trouble = (days: number, number = 1) =>
  entryOf('failedMolt', days, { colonyId: id, number, sign: 'whiteGap' }) as Entry
const tell = (more: Entry[] = [], ofWater: Entry[] = [], of = room) =>
  colonyStatements(inputOf(of, [...counts, ...more], ofWater)).statements
const saying = { units: defaultUnits, nowMs: NOW, animal: ['shrimp', 'shrimp'] as const }
const text = (m: Parameters<typeof say>[0]) => plain(say(m, saying))

describe('molts of a colony', () => {
  it('are ordinary where one failed, and a good deal of them happened', () => {
    const { molts, heading } = tell([trouble(30)])
    expect(molts!.statement).toMatchObject({ state: 'onTarget', conclusion: { key: 'molts.ordinary' }, actions: [] })
    // about seventy grown, one molt in four weeks each
    expect(molts!.watch.molts.value).toBeGreaterThan(100)
    expect(molts!.watch.molts.value).toBeLessThan(260)
    expect(text(molts!.statement.conclusion)).toMatch(/^Molts are ordinary: 1 of about \d+ failed in eight weeks$/)
    expect(heading.conclusion.key).not.toMatch(/^molts/)
  })
  it('fail too often: the same sentence in the heading and on the page of bodies', () => {
    const { molts, heading } = tell([trouble(12), trouble(9), trouble(6, 2), trouble(3, 2)])
    expect(molts!.statement.state).toBe('off')
    expect(heading.conclusion).toEqual(molts!.statement.conclusion)
    expect(text(heading.conclusion)).toMatch(/^Molts fail too often: 6 of about \d+ in eight weeks, usual is \d to \d$/)
    expect(text(molts!.statement.reasons[0]!)).toMatch(/likely [\d.]+ % to [\d.]+ % of all molts/)
    expect(moltAlarmText(molts!.watch)).toMatch(/by chance once in about [\d ]+ molts, .* here\. It ends when/)
  })
  it('a keeper who accepts more is called later', () => {
    const log = [trouble(20), trouble(12), trouble(6, 2)]
    const tolerant = { ...room, colony: { ...room.colony, moltLevel: 0.05 } }
    const strict = { ...room, colony: { ...room.colony, moltLevel: 0.005 } }
    expect(tell(log, [], strict).molts!.watch.trouble).not.toBeNull()
    expect(tell(log, [], tolerant).molts!.watch.trouble).toBeNull()
    expect(tell(log, [], tolerant).molts!.watch.usual).toBeCloseTo(10 * tell(log, [], strict).molts!.watch.usual, 6)
  })
  it('are too few to tell in a small colony: each is looked at', () => {
    const few = smallRoom({ colony: { founders: { females: 6, males: 4, unsexed: 0, halfGrown: 2, young: 0 } } })
    const seen = [200, 100, 20].map(days => count(few.colony.id, days, 11))
    const { molts } = colonyStatements(inputOf(few, seen)).statements
    expect(molts!.statement).toMatchObject({ state: 'unknown', conclusion: { key: 'molts.tooFew' } })
    expect(molts!.statement.actions[0]!.key).toBe('molts.lookAtEach')
    expect(text(molts!.statement.conclusion)).toMatch(/none failed that was seen$/)
    expect(moltAlarmText(molts!.watch)).toMatch(/no alarm is set/)
  })
  it('are not told of snails, of batches, nor in a first look', () => {
    const snails = smallRoom({ colony: { groupId: 'ramshorn-snail' } })
    expect(colonyStatements(inputOf(snails, [])).statements.molts).toBeNull()
    expect(firstLook(inputOf(room, counts)).molts).toBeNull()
  })
  it('go faster in warmth', () => {
    const warm = [200, 150, 100, 60, 30, 10, 2].map(d => waterTest(glassId, d, { temperatureC: 27 }))
    const cool = [200, 150, 100, 60, 30, 10, 2].map(d => waterTest(glassId, d, { temperatureC: 20 }))
    const molts = (ofWater: Entry[]) => tell([], ofWater).molts!.watch.molts.value
    expect(molts(warm) / molts(cool)).toBeGreaterThan(1.5)
  })
})

describe('what molts may fail of', () => {
  const of = (ofWater: Entry[], name: MoltCause['name']) => {
    // the water of a first look is judged in full
    const { values } = firstLook(inputOf(room, counts, ofWater)).water
    const causes = causesOf({ values, story: waterStory(ofWater, 50, NOW), entries: ofWater, nowMs: NOW })
    expect(causes.map(c => c.name)).toEqual(moltCauses)
    const cause = causes.find(c => c.name === name)!
    expect(text(cause.says)).not.toMatch(/undefined|NaN/)
    return [cause.speaks, cause.says.key]
  }
  const weekly = (values: object, from = 5) =>
    Array.from({ length: from }, (_, k) => waterTest(glassId, 1 + 7 * k, values)).toReversed()
  it('comes in the order of the trade: hardness, leaps, calcium to magnesium, warmth, food', () => {
    expect(moltCauses.map(name => causeName[name])).toEqual([
      'Hardness: GH and KH',
      'Leaps of the water',
      'Calcium to magnesium',
      'Warmth',
      'Food with minerals',
    ])
  })
  it('where nothing was logged nothing speaks', () => {
    for (const name of moltCauses) expect(of([], name)[0]).toBe('nothing')
  })
  it('hardness', () => {
    expect(of(weekly({ ghDh: 2.5, khDh: 5 }), 'level')).toEqual(['for', 'molts.levelWrong'])
    expect(of(weekly({ ghDh: 7, khDh: 5 }), 'level')).toEqual(['against', 'molts.levelRight'])
    expect(of(weekly({ ghDh: 7, khDh: 0.5 }), 'level')[0]).toBe('for')
  })
  it('leaps and slides', () => {
    expect(of(weekly({ ghDh: 7, khDh: 5 }), 'steadiness')).toEqual(['against', 'molts.steady'])
    expect(of(weekly({ ghDh: 7, khDh: 5 }, 2), 'steadiness')).toEqual(['nothing', 'molts.steadyUnknown'])
    const slid = [8, 7, 6, 5, 4, 3].map((ghDh, k) => waterTest(glassId, 36 - 7 * k, { ghDh }))
    expect(of(slid, 'steadiness')).toEqual(['for', 'molts.moving'])
    const leapt = [6.8, 6.8, 6.8, 6.8, 6.8, 3.4].map((ghDh, k) => waterTest(glassId, 36 - 7 * k, { ghDh }))
    expect(of(leapt, 'steadiness')).toEqual(['for', 'molts.stepped'])
  })
  it('calcium to magnesium, by mass', () => {
    // 7 °dH are 1.25 mmol/L; of these 30 mg/L of calcium 0.75: 3 : 1.2 by mass
    expect(of(weekly({ ghDh: 7, calciumMgL: 30 }), 'ratio')).toEqual(['against', 'molts.ratioRight'])
    expect(of(weekly({ ghDh: 7, calciumMgL: 45 }), 'ratio')).toEqual(['for', 'molts.ratioWrong'])
    expect(of(weekly({ ghDh: 7, calciumMgL: 10 }), 'ratio')).toEqual(['for', 'molts.ratioWrong'])
    expect(of(weekly({ ghDh: 7, calciumMgL: 60 }), 'ratio')).toEqual(['for', 'molts.noMagnesium'])
    expect(of(weekly({ ghDh: 7 }), 'ratio')).toEqual(['nothing', 'molts.ratioUnknown'])
    const old = [waterTest(glassId, 43, { ghDh: 7, calciumMgL: 30 })]
    expect(of(old, 'ratio')[0]).toBe('nothing')
  })
  it('warmth: a jump of two degrees within three days, or a wrong level', () => {
    expect(of(weekly({ temperatureC: 23 }), 'temperature')).toEqual(['against', 'molts.noJump'])
    const at = (days: number, temperatureC: number) => waterTest(glassId, days, { temperatureC })
    expect(of([at(20, 23), at(10, 23), at(7.1, 25)], 'temperature')).toEqual(['for', 'molts.jumped'])
    expect(of([at(20, 23), at(10, 23), at(6.9, 25)], 'temperature')[0]).not.toBe('for')
    expect(of([at(20, 23), at(10, 23), at(8, 24.9)], 'temperature')[0]).not.toBe('for')
    expect(of(weekly({ temperatureC: 33 }), 'temperature')).toEqual(['for', 'molts.levelWrong'])
  })
  it('food: greens or calcium within six weeks', () => {
    const fed = (days: number, food: string) => entryOf('feeding', days, { glassId, food })
    expect(of([fed(9, 'pellet')], 'diet')).toEqual(['for', 'molts.noMinerals'])
    expect(of([fed(41, 'greens'), fed(9, 'pellet')], 'diet')).toEqual(['against', 'molts.minerals'])
    expect(of([fed(43, 'greens'), fed(9, 'pellet')], 'diet')).toEqual(['for', 'molts.noMinerals'])
    const calcium = entryOf('supplement', 5, { glassId, what: 'calcium' })
    expect(of([fed(9, 'pellet'), calcium], 'diet')).toEqual(['against', 'molts.minerals'])
    const leaves = entryOf('supplement', 5, { glassId, what: 'leaves' })
    expect(of([leaves], 'diet')).toEqual(['nothing', 'molts.dietUnknown'])
  })
})
