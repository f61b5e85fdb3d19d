import { describe, expect, it } from 'vitest'
import { type DueItem, dueKinds } from '#core/care'
import { saltUp } from '#core/batches'
import { groups, resolveGroup } from '#core/groups'
import { begun, type Entry } from '#core/records'
import { dueKindWord, dueLate, dueSkipped, dueTitle, dueWhy, effortText, portionText } from '~/words/due'
import { entryText } from '~/words/entries'
import { plain } from '~/words/numbers'
import { changeText, counterHint, sumsText } from '~/words/round'
import { defaultUnits } from '~/words/unitPrefs'
import { DAY_MS } from '#core/records'
import { entryOf, nextId, NOW, plan, test as waterTest, topUp, waterChange } from '../make'
import { about, sample, told } from '../unit/batches/parts'
import { colonyId, glassId, itemsOf, known, s } from '../unit/care/rooms'

/** Every kind of item, from logs that bring them about. */
const all: DueItem[] = [
  ...groups.flatMap(g =>
    itemsOf({
      groupId: g.id,
      numbers: known(40, 20, 80, [35, 45]),
      colonyEntries: [
        entryOf('young', 3, { colonyId, amount: 'few' }),
        entryOf('berried', 2, { colonyId, number: 2 }),
        entryOf('eggMass', 2, { colonyId, number: 1 }),
        entryOf('clutch', 9, { colonyId, event: 'laid' }),
        entryOf('limbLoss', 20, { colonyId, number: 1, limbs: 'several' }),
      ],
    }),
  ),
  ...itemsOf({
    glassEntries: [
      waterChange(glassId, 8, 5),
      topUp(glassId, 2, 1),
      entryOf('feeding', 1, { glassId, food: 'pellet', portions: 1.25 }),
      entryOf('feeding', 0.9, { glassId, eaten: 'leftOver' }),
      entryOf('equipment', 1, { glassId, found: { intake: 'broken' } }),
      entryOf('treatment', 2, { glassId, substance: 'fenbendazole', activeMg: 30, netL: 50 }),
      waterTest(glassId, 3, { ph: 9, khDh: 1 }, 'probe'),
      waterTest(glassId, 9, { khDh: 2 }),
    ],
    glass: { soilSince: new Date(NOW - 400 * 86_400_000).toISOString() },
  }),
  ...itemsOf({
    groupId: 'bee-shrimp',
    glassEntries: [topUp(glassId, 1, 1), waterTest(glassId, 3, { khDh: 1 }, 'strip')],
  }),
  ...[0.1, 14, 30].flatMap(days =>
    [[], [sample(1, [2, 9, 1, 4], 0.5), about('larvae', 2, { green: 1 })]].flatMap(log =>
      itemsOf({
        groupId: 'amphidromous-shrimp',
        colony: { form: 'rearing' },
        batch: told(log, days),
        salt: saltUp(resolveGroup({ ...s.colony, groupId: 'amphidromous-shrimp', form: 'rearing' }), NOW, []),
      }),
    ),
  ),
  ...itemsOf({ halfNewMs: NOW }),
  ...itemsOf({ grownMs: NOW, colonyEntries: [entryOf('dull', 2, { colonyId, number: 3 })] }),
  ...itemsOf({
    groupId: 'amphidromous-shrimp',
    salt: [{ atMs: NOW, gKg: 20, doneMs: null }],
  }),
  ...[1, 12].flatMap(days =>
    itemsOf({
      groupId: 'pool-branchiopod',
      colony: { form: 'batch' },
      batch: told([], days, { groupId: 'pool-branchiopod' }),
    }),
  ),
  ...itemsOf({
    groupId: 'pool-branchiopod',
    colony: { form: 'batch' },
    batch: told([about('count', 1, { number: 40, method: 'estimate' })], 12, { groupId: 'pool-branchiopod' }),
    colonyEntries: [entryOf('count', 1, { colonyId, number: 40, method: 'estimate' })],
    eggLots: [
      {
        ...begun(nextId(), NOW),
        ...{ roomId: s.room.id, name: 'Eggs of Batch 6', groupId: 'pool-branchiopod', form: 'ground', origin: 'own' },
        ...{ drySince: s.colony.startedAt, class: 'warm', cation: 'calcium' },
      },
    ],
  }),
  ...itemsOf({ plans: [plan(s.room.id, { glassId })] }),
  ...itemsOf({ groupId: 'brackish-pool-shrimp', colony: { startedAt: new Date(NOW - 86_400_000).toISOString() } }),
]

describe('due items in words', () => {
  it('there is one of every kind here', () => {
    expect([...new Set(all.map(i => i.kind))].sort()).toEqual([...dueKinds].sort())
  })
  it('each says what, why, how late, and what if not, without a hole', () => {
    for (const i of all) {
      for (const text of [
        dueTitle(i, defaultUnits),
        dueWhy(i, NOW),
        dueSkipped(i),
        dueLate(i),
        effortText(i.minutes),
        dueKindWord(i.key),
      ]) {
        expect(text, i.key).not.toMatch(/undefined|NaN|null|\[object|⟦/)
        expect(text.length).toBeGreaterThan(3)
      }
      expect(dueWhy(i, NOW)).toMatch(/^[A-Zp“\d].*\.$/)
      expect(dueSkipped(i)).toMatch(/\.$/)
    }
  })
  it('says portions as a keeper breaks them', () => {
    expect([0.25, 0.5, 0.75, 1, 1.25, 1.5, 6].map(n => portionText('pellet', n))).toEqual([
      'a quarter of a pellet',
      'half a pellet',
      'three quarters of a pellet',
      '1 pellet',
      '1.25 pellets',
      '1.5 pellets',
      '6 pellets',
    ])
    expect(portionText('powder', undefined)).toBe('powder')
  })
})

describe('entries in words', () => {
  const id = nextId()
  it.each<[Entry, RegExp]>([
    [entryOf('molts', 1, { colonyId: id, number: 1 }), /^1 shed skin$/],
    [entryOf('molts', 1, { colonyId: id, number: 0 }), /^No shed skins$/],
    [entryOf('failedMolt', 1, { colonyId: id, number: 1, sign: 'whiteGap' }), /molt trouble/],
    [entryOf('limbLoss', 1, { colonyId: id, number: 2, limbs: 'one' }), /lost limbs/],
    [entryOf('shell', 1, { colonyId: id, marks: ['pits'] }), /^Shells/],
    [entryOf('berried', 1, { colonyId: id, number: 0 }), /^None berried$/],
    [entryOf('berried', 1, { colonyId: id, number: 1, animal: 'Old one' }), /^Berried$/],
    [entryOf('eggMass', 1, { colonyId: id, number: 2 }), /2 egg masses/],
    [entryOf('clutch', 1, { colonyId: id, event: 'laid' }), /^Clutch laid$/],
    [entryOf('young', 1, { colonyId: id, amount: 'many' }), /^Many young seen$/],
    [entryOf('mating', 1, { colonyId: id, number: 1 }), /1 pair/],
    [entryOf('move', 1, { colonyId: id, toColonyId: nextId(), number: 3 }), /^Moved 3$/],
    [
      entryOf('grading', 1, {
        colonyId: id,
        grades: [
          { grade: 'A', number: 2 },
          { grade: 'B', number: 3 },
        ],
      }),
      /^Graded 5$/,
    ],
    [entryOf('feeding', 1, { glassId: id, food: 'pellet', portions: 2 }), /^Fed 2 pellets$/],
    [entryOf('feeding', 1, { glassId: id, eaten: 'minutes' }), /gone in minutes/],
    [entryOf('feeding', 1, { glassId: id, removed: true }), /Leftovers taken out/],
    [entryOf('supplement', 1, { glassId: id, what: 'leaves', number: 3 }), /^3 leaves laid in$/],
    [entryOf('equipment', 1, { glassId: id, found: { intake: 'broken' } }), /^Broken: intake sponge$/],
    [entryOf('equipment', 1, { glassId: id, found: { flow: 'fine' } }), /^Equipment fine$/],
    [entryOf('growth', 1, { glassId: id, algae: 'some' }), /^Growth/],
    [entryOf('pest', 1, { glassId: id, what: 'hydra', amount: 'few' }), /^A few hydra$/],
    [entryOf('visit', 1, { glassId: id, roundId: nextId(), outcome: 'looked' }), /^Looked at/],
    [
      entryOf('dueMark', 1, { glassId: id, key: 'waterChange:x', dueAt: new Date(NOW).toISOString(), act: 'skip' }),
      /^Left out: water change$/,
    ],
    [entryOf('photo', 1, { glassId: id, photoId: nextId() }), /^Photo$/],
  ])('%#', (entry, title) => {
    expect(entryText(entry, defaultUnits).title).toMatch(title)
    expect(entryText(entry, defaultUnits).detail).not.toMatch(/undefined|\[object/)
  })
})

describe('the round in words', () => {
  it('says what to expect under a counter', () => {
    const nothing = { molts: null, hatchMs: null, nowMs: NOW }
    expect(counterHint('molts', null, { ...nothing, molts: 9.4 })).toBe('about 9 expected')
    expect(counterHint('berried', { seen: 2, days: 1 }, nothing)).toBe('2, yesterday')
    expect(counterHint('young', null, nothing)).toBe('seen? tap')
    // young that may come are looked for; those of next week are not yet
    expect(counterHint('young', { seen: 2, days: 9 }, { ...nothing, hatchMs: NOW - 1 })).toBe('may hatch now')
    expect(counterHint('young', null, { ...nothing, hatchMs: NOW + 2 * DAY_MS })).toBe('may hatch from 27 Nov')
    expect(counterHint('young', null, { ...nothing, hatchMs: NOW + 6 * DAY_MS })).toBe('seen? tap')
  })
  it('sums up', () => {
    const sums = {
      counts: { feeding: 3, waterTest: 1, equipment: 2 },
      molts: 7,
      berried: 3,
      dead: 1,
      young: 0,
      changedL: 9.5,
      toppedUpL: 0,
      leftOver: 1,
    }
    expect(sumsText(sums, defaultUnits).map(plain)).toEqual([
      'Seen: 7 shed skins, 3 berried, 1 dead.',
      'Done: 3 feedings and looks at food, 1 water test, 9.5 L changed, equipment of two glasses.',
      'Food was left over in one glass: they get less next time.',
    ])
    expect(plain(changeText({ colonyId: '', what: 'water', from: 'onTarget', to: 'off', key: 'khDh' }))).toBe(
      'the water is off now, KH first',
    )
    expect(plain(changeText({ colonyId: '', what: 'take', from: 4, to: 1 }))).toBe('1 can go now, 3 fewer')
  })
})
