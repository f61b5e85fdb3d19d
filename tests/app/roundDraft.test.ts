import { describe, expect, it } from 'vitest'
import { judgeValue } from '#core/water'
import { groupOf } from '#core/groups'
import { DAY_MS, type ValueKey } from '#core/records'
import { counterDown, counterKey, counterUp, emptyGlassDraft, type GlassDraft, isEmptyDraft } from '~/forms/roundDraft'
import { readVisit } from '~/forms/readVisit'
import { defaultUnits } from '~/words/unitPrefs'
import { colony, daysAgo, nextId, NOW } from '../make'
import { glassId, itemsOf, known } from '../unit/care/rooms'

const [a, b] = [colony(glassId, { name: 'Slate' }), colony(glassId, { name: 'Rams' })]
const items = itemsOf({ numbers: known(60, 50, 70, [55, 65]) })
const khDh = judgeValue({
  key: 'khDh',
  target: groupOf('neocaridina').targets.khDh!,
  readings: [{ entryId: '', at: NOW - 7 * DAY_MS, value: 4, sd: 0.35, method: 'liquidKit' }],
  nowMs: NOW,
})
function read(draft: Partial<GlassDraft>, asked: string[] = [], units = defaultUnits) {
  return readVisit(
    { ...emptyGlassDraft(), ...draft },
    {
      glassId,
      colonies: [a, b],
      roundId: nextId(),
      items: new Map(items.map(i => [i.key, i])),
      verdicts: new Map<ValueKey, typeof khDh>([['khDh', khDh]]),
      method: key => (key === 'temperatureC' ? 'probe' : 'liquidKit'),
      high: id => (id === a.id ? 40 : null),
      units,
      nowMs: NOW,
      stamp: () => ({ id: nextId(), loggedAt: daysAgo(0) }),
      asked: new Set(asked),
    },
  )
}
const kinds = (draft: Partial<GlassDraft>, asked?: string[]) => {
  const r = read(draft, asked)
  if (!r.ok) throw new Error(r.questions.map(q => q.text).join(' '))
  return r.entries
}
const questions = (draft: Partial<GlassDraft>, asked?: string[]) => {
  const r = read(draft, asked)
  return r.ok ? [] : r.questions
}

describe('a glass of the round', () => {
  it('with nothing typed is a visit, and nothing else', () => {
    expect(kinds({})).toMatchObject([{ kind: 'visit', outcome: 'looked', glassId }])
    expect(isEmptyDraft(emptyGlassDraft())).toBe(true)
  })
  it('turns counters into entries of their colony', () => {
    const counters = {
      [counterKey(a.id, 'berried')]: '2',
      [counterKey(a.id, 'molts')]: '0',
      [counterKey(a.id, 'dead')]: '1',
      [counterKey(a.id, 'young')]: 'few',
      [counterKey(b.id, 'eggMass')]: '3',
      [counterKey(b.id, 'young')]: '14',
      [counterKey(b.id, 'clutch')]: '2',
      [counterKey(b.id, 'limbLoss')]: '1',
    }
    expect(kinds({ counters, signs: { [a.id]: 'failedMolt' } })).toMatchObject([
      { kind: 'berried', number: 2, colonyId: a.id },
      { kind: 'molts', number: 0 },
      { kind: 'death', number: 1, sign: 'failedMolt' },
      { kind: 'young', amount: 'few' },
      { kind: 'eggMass', number: 3, colonyId: b.id },
      { kind: 'clutch', event: 'laid' },
      { kind: 'clutch', event: 'laid' },
      { kind: 'limbLoss', number: 1 },
      { kind: 'young', amount: 'number', number: 14 },
      { kind: 'visit' },
    ])
  })
  it('none dead is no death, and an empty counter says nothing', () => {
    expect(kinds({ counters: { [counterKey(a.id, 'dead')]: '0', [counterKey(a.id, 'berried')]: ' ' } })).toHaveLength(1)
  })
  it('writes what became of the last food before the next one', () => {
    const feed = items.find(i => i.kind === 'feed')!
    const entries = kinds({ eaten: 'leftOver', done: [feed.key] })
    expect(entries).toMatchObject([
      { kind: 'feeding', eaten: 'leftOver', removed: true },
      { kind: 'feeding', food: 'pellet', portions: 2 },
      { kind: 'visit' },
    ])
    expect(entries[0]!.id < entries[1]!.id).toBe(true)
  })
  it('keeps growth that was seen while a glass is cured', () => {
    expect(kinds({ grown: ['algae'] })).toMatchObject([{ kind: 'growth', algae: 'some' }, { kind: 'visit' }])
  })
  it('passes over what is no longer due', () => {
    expect(kinds({ done: ['feed:gone'] })).toHaveLength(1)
  })
  it('keeps values with their usual method, in the keeper’s units', () => {
    expect(kinds({ readings: { khDh: '4,2', temperatureC: '22.6', ghDh: ' ' } })).toMatchObject([
      {
        kind: 'waterTest',
        glassId,
        readings: { khDh: { value: 4.2, method: 'liquidKit' }, temperatureC: { value: 22.6, method: 'probe' } },
      },
      { kind: 'visit' },
    ])
    const f = read({ readings: { temperatureC: '75' } }, [], { ...defaultUnits, temperature: 'f' })
    expect(f.ok && f.entries[0]!.kind === 'waterTest' && f.entries[0]!.readings.temperatureC!.value).toBeCloseTo(
      23.89,
      2,
    )
  })
  it('asks once about a slip, and keeps what cannot be as a note', () => {
    const [q] = questions({ readings: { ph: '71' } })
    expect(q!.text).toMatch(/^pH 71\? It lies between 3 and 11\. Enter again keeps it as a note\.$/)
    const entries = kinds({ readings: { ph: '71' }, note: 'Torch flickered.' }, [q!.key])
    expect(entries).toMatchObject([
      { kind: 'note', text: 'Torch flickered. pH typed as 71, not kept as a value.' },
      { kind: 'visit' },
    ])
  })
  it('asks once about a jump, and then takes it', () => {
    const [q] = questions({ readings: { khDh: '24' } })
    expect(q!.text).toMatch(/KH 24\? It was 4\.0/)
    expect(kinds({ readings: { khDh: '24' } }, [q!.key])[0]).toMatchObject({
      kind: 'waterTest',
      readings: { khDh: { value: 24 } },
    })
    // another number is another question
    expect(questions({ readings: { khDh: '25' } }, [q!.key])).toHaveLength(1)
  })
  it('asks about more dead than live there, and about what is no number', () => {
    const counters = { [counterKey(a.id, 'dead')]: '99' }
    const [q] = questions({ counters })
    expect(q!.text).toMatch(/99 dead\? At most about 40 live here/)
    expect(kinds({ counters }, [q!.key])[0]).toMatchObject({ kind: 'death', number: 99 })
    const odd = { [counterKey(a.id, 'molts')]: 'x7' }
    const [n] = questions({ counters: odd })
    expect(kinds({ counters: odd }, [n!.key])).toMatchObject([
      { kind: 'note', text: 'Slate, molts: x7' },
      { kind: 'visit' },
    ])
  })
  it('saves nothing while a question stands', () => {
    expect(read({ counters: { [counterKey(a.id, 'berried')]: '2' }, readings: { ph: '71' } }).ok).toBe(false)
  })
})

describe('counters', () => {
  it('go up and down by one; young from a few to many before they are counted', () => {
    expect([
      counterUp('berried', ''),
      counterUp('berried', '9'),
      counterUp('young', ''),
      counterUp('young', 'few'),
      counterUp('young', '4'),
    ]).toEqual(['1', '10', 'few', 'many', '5'])
    expect([counterDown('3'), counterDown('0'), counterDown('many'), counterDown('few')]).toEqual(['2', '', 'few', ''])
  })
})
