import { describe, expect, it } from 'vitest'
import {
  afterRound,
  daysSinceLook,
  type Due,
  type DueItem,
  fedLately,
  forCalendar,
  lastSeen,
  valuesToRead,
  minutesToday,
} from '#core/care'
import { isDaily } from '../../../core/care/round/afterRound'
import { groupOf } from '#core/groups'
import { DAY_MS, toMoment, type ValueKey } from '#core/records'
import { judgeValue, type ValueVerdict } from '#core/water'
import { death, entryOf, nextId, NOW } from '../../make'

const colonyId = nextId()
const glassId = nextId()
const due = (kind: DueItem['kind'], state: Due['state'], more: Partial<DueItem> = {}): Due => ({
  state,
  item: {
    key: `${kind}:${nextId()}`,
    kind,
    glassId,
    dueMs: NOW,
    earlyDays: 1,
    lateDays: 1,
    everyDays: 7,
    minutes: 2,
    flexible: true,
    timed: false,
    never: false,
    why: { key: 'every', values: {} },
    basis: { kind: 'memory' },
    values: {},
    ...more,
  },
})

describe('lastSeen', () => {
  const log = [
    entryOf('berried', 9, { colonyId, number: 4 }),
    death(colonyId, 8, 2),
    entryOf('young', 6, { colonyId, amount: 'many' }),
    entryOf('berried', 2, { colonyId, number: 0 }),
    entryOf('clutch', 1, { colonyId, event: 'laid' }),
    entryOf('young', 1, { colonyId, amount: 'number', number: 12 }),
  ]
  it('finds the newest line of each counter', () => {
    expect(lastSeen('berried', log, NOW)).toEqual({ seen: 0, days: 2 })
    expect(lastSeen('dead', log, NOW)).toEqual({ seen: 2, days: 8 })
    expect(lastSeen('young', log, NOW)).toEqual({ seen: 12, days: 1 })
    expect(lastSeen('young', log.slice(0, 4), NOW)).toEqual({ seen: 'many', days: 6 })
    expect(lastSeen('clutch', log, NOW)).toEqual({ seen: 1, days: 1 })
    expect(lastSeen('molts', log, NOW)).toBeNull()
  })
})

describe('since the last look', () => {
  const round = nextId()
  const visit = (days: number, roundId: string, outcome = 'looked') =>
    entryOf('visit', days, { glassId, roundId, outcome })
  it('counts days from another round’s look, two weeks at most, a week where nobody knows', () => {
    expect(
      daysSinceLook([visit(5, nextId()), visit(3, nextId(), 'passed'), visit(0.1, round)], round, NOW),
    ).toBeCloseTo(5, 9)
    expect(daysSinceLook([visit(60, nextId())], round, NOW)).toBe(14)
    expect(daysSinceLook([visit(0.1, round)], round, NOW)).toBe(7)
  })
  it('something can be told of food for three days', () => {
    const fed = (days: number, more: object) => fedLately([entryOf('feeding', days, { glassId, ...more })], NOW)
    expect([fed(2, { food: 'pellet' }), fed(4, { food: 'pellet' }), fed(1, { eaten: 'hour' })]).toEqual([
      true,
      false,
      false,
    ])
  })
})

describe('valuesToRead', () => {
  const { targets } = groupOf('neocaridina')
  const verdicts = (read: Partial<Record<ValueKey, number>>) =>
    new Map(
      (Object.keys(targets) as ValueKey[]).map(
        key =>
          [
            key,
            judgeValue({
              key,
              target: targets[key]!,
              readings:
                read[key] === undefined
                  ? []
                  : [{ entryId: '', at: NOW - 2 * DAY_MS, value: read[key]!, sd: 0.2, method: 'liquidKit' }],
              nowMs: NOW,
            }),
          ] as [ValueKey, ValueVerdict],
      ),
    )
  it('what is due first, then what is off, then what is read at a glance', () => {
    expect(
      valuesToRead(
        ['nitrateMgL'],
        verdicts({ khDh: 0.5, ghDh: 7, ph: 7.2, temperatureC: 23, conductivityUsCm: 300, nitrateMgL: 8 }),
      ),
    ).toEqual(['nitrateMgL', 'khDh', 'temperatureC', 'conductivityUsCm'])
  })
  it('all that is due, however much', () => {
    const all: ValueKey[] = ['ghDh', 'khDh', 'ph', 'temperatureC', 'nitrateMgL', 'conductivityUsCm']
    expect(valuesToRead(all, verdicts({ khDh: 5 }))).toEqual(all)
  })
  it('what the group has targets for where nothing was tested, and what curing wants where nobody lives', () => {
    expect(valuesToRead([], verdicts({}))).toEqual(['temperatureC', 'conductivityUsCm', 'ghDh', 'khDh'])
    expect(valuesToRead([], new Map())).toEqual(['ammoniaMgL', 'nitriteMgL', 'nitrateMgL', 'ph', 'temperatureC'])
  })
})

describe('afterRound', () => {
  const list = [
    due('feed', 'due', { everyDays: 1 }),
    due('test', 'due'),
    due('mend', 'late'),
    due('waterChange', 'ahead', { dueMs: NOW + DAY_MS, values: { litres: 5 } }),
    due('waterChange', 'ahead', { dueMs: NOW + 4 * DAY_MS, values: { litres: 9 } }),
    due('doseChange', 'due', { values: { litres: 15 } }),
    due('leftovers', 'ahead', { dueMs: NOW + DAY_MS / 8, everyDays: null }),
    due('powder', 'ahead', { dueMs: NOW + DAY_MS, everyDays: 1 }),
    due('leaves', 'ahead', { dueMs: NOW + 2 * DAY_MS }),
  ]
  const after = afterRound(list, NOW)
  it('says what is left, what comes, and what to mix', () => {
    expect(after.left.map(d => d.item.kind)).toEqual(['test', 'mend', 'doseChange'])
    expect(after.next.map(d => d.item.kind)).toEqual(['waterChange', 'leaves'])
    expect(after.leftoversMs).toEqual([NOW + DAY_MS / 8])
    expect([after.changes.length, after.changeL]).toEqual([2, 20])
  })
  it('counts the minutes of the walk apart from what wants a desk or an hour; both add up to the list', () => {
    const today = [
      due('feed', 'due', { minutes: 0.5 }),
      due('count', 'due', { minutes: 20.7 }),
      due('test', 'late', { minutes: 3 }),
    ]
    // 24.2 in all: 4 and 20 as they are shown, and not 4 and 21
    expect(minutesToday(today)).toEqual({ walk: 3.5, beside: 20 })
    expect(minutesToday([])).toEqual({ walk: 0, beside: 0 })
  })
  it('knows what comes every day', () => {
    expect(
      [
        due('feed', 'due', { everyDays: 0.5 }),
        due('feed', 'due', { everyDays: 3 }),
        due('young', 'due', { everyDays: null }),
      ].map(isDaily),
    ).toEqual([true, false, false])
  })
})

describe('forCalendar', () => {
  const own = due('count', 'ahead', { colonyId }).item
  const other = due('count', 'ahead', { colonyId: nextId() }).item
  const water = due('waterChange', 'ahead').item
  const elsewhere = due('waterChange', 'ahead', { glassId: nextId() }).item
  const daily = due('feed', 'due', { everyDays: 1 }).item
  const left = due('leftovers', 'ahead', { everyDays: null }).item
  it('takes all of the room, or a colony with its glass, and daily work only when asked', () => {
    const all = [own, other, water, elsewhere, daily, left]
    expect(forCalendar(all, null, false)).toEqual([own, other, water, elsewhere])
    expect(forCalendar(all, { id: colonyId, stays: [{ glassId, from: toMoment(NOW) }] }, true)).toEqual([
      own,
      water,
      daily,
    ])
  })
})
