import { describe, expect, it, vi } from 'vitest'
import type { Remote } from 'comlink'
import { colonyStatements, type ColonyStatements, firstLook } from '#core/statements'
import { WORKER_TROUBLE } from '~/composables/useWorker'
import { useAtHand } from '~/composables/useAtHand'
import type { StatementSubject } from '~/data/summaries'
import { useCareStore } from '~/stores/care'
import { useLogStore } from '~/stores/log'
import { useStatementsStore } from '~/stores/statements'
import type { StatementsApi, StatementsWanted } from '~/workers/statements.worker'
import { colony, count, glass, inputOf, NOW, smallRoom } from '../../make'
import { onPage, put, useBench } from './bench'

type Give = Parameters<StatementsApi['statementsOf']>[1]
/** What was asked, and how to answer it. */
const asked: (StatementsWanted & { give: Give; done: () => void; fail: () => void })[] = []
const looks: string[] = []
vi.mock('comlink', async whole => ({ ...(await whole<object>()), proxy: (x: unknown) => x }))
vi.mock('~/composables/useStatementWorkers', () => ({
  useStatementWorkers: () => ({
    start: () => undefined,
    look: (id: string) => looks.push(id),
    ask: (own: StatementSubject[], question: (api: Remote<StatementsApi>, own: StatementSubject[]) => Promise<void>) =>
      question(
        {
          look: (id: string) => Promise.resolve(void looks.push(id)),
          statementsOf: (wanted: StatementsWanted, give: Give) =>
            new Promise<void>((done, fail) => asked.push({ ...wanted, give, done, fail })),
        } as unknown as Remote<StatementsApi>,
        own,
      ),
  }),
}))
useBench()

/** Three colonies on two shelves, saved in another order than they stand in. */
async function threeColonies(atHand = '') {
  asked.length = looks.length = 0
  const s = smallRoom()
  const below = glass(s.room.id, s.rack.id, { name: 'Below', place: { rackId: s.rack.id, shelf: 1, position: 0 } })
  const right = glass(s.room.id, s.rack.id, { name: 'Right', place: { rackId: s.rack.id, shelf: 0, position: 9 } })
  const [b, r] = [colony(below.id, { name: 'B' }), colony(right.id, { name: 'R' })]
  await put(s.room, [
    { table: 'racks', record: s.rack },
    ...[below, right, s.glass].map(record => ({ table: 'glasses' as const, record })),
    ...[b, r, s.colony].map(record => ({ table: 'colonies' as const, record })),
  ])
  useAtHand().value = atHand === 'R' ? r.id : atHand
  const store = onPage(() => useStatementsStore())
  await vi.waitFor(() => expect(asked).toHaveLength(1))
  return { s, store, ids: { first: s.colony.id, below: b.id, right: r.id } }
}
const idsOf = (wanted: StatementsWanted) => wanted.subjects.map(x => x.colony.id)
/** Answers a question for some of its colonies. */
function answer(at: number, ids: string[], told: (input: ReturnType<typeof inputOf>) => ColonyStatements) {
  const { subjects, day, build, give } = asked[at]!
  give(
    subjects
      .filter(x => ids.includes(x.colony.id))
      .map(({ colony: c, glass: g, revision }) => ({
        colonyId: c.id,
        revision,
        day,
        build,
        statements: told({ ...inputOf(smallRoom()), colony: c, glass: g, water: g }),
      })),
  )
}
const whole = (input: ReturnType<typeof inputOf>) => colonyStatements(input).statements

describe('the statements of a room', () => {
  it('are asked for in the order of the shelves', async () => {
    const { ids } = await threeColonies()
    expect(idsOf(asked[0]!)).toEqual([ids.first, ids.right, ids.below])
    expect(asked[0]).toMatchObject({ mayBeKept: true, build: 'test' })
    expect(asked[0]!.nowMs).toBeGreaterThanOrEqual(NOW)
  })
  it('the colony at hand comes first, and the workers are told who it is', async () => {
    const { ids } = await threeColonies('R')
    expect(idsOf(asked[0]!)).toEqual([ids.right, ids.first, ids.below])
    expect(looks).toEqual([ids.right])
    useAtHand().value = ids.below
    await vi.waitFor(() => expect(looks).toEqual([ids.right, ids.below]))
  })
  it('are complete when all are told, roughly or not; rough ones are counted until they are whole', async () => {
    const { store, ids } = await threeColonies()
    answer(0, [ids.first, ids.right], firstLook)
    expect([store.complete, store.firstLooks, store.inRoom.length]).toEqual([false, 2, 2])
    answer(0, [ids.below], firstLook)
    expect([store.complete, store.firstLooks]).toEqual([true, 3])
    answer(0, Object.values(ids), whole)
    expect([store.complete, store.firstLooks]).toEqual([true, 0])
    expect(store.of(ids.below)?.population.firstLook).toBe(false)
    expect(store.of('nobody')).toBeNull()
    expect(store.busy).toBe(1)
    asked[0]!.done()
    await vi.waitFor(() => expect(store.busy).toBe(0))
  })
  it('a new entry asks for its own colony alone, once, and for nothing that was kept', async () => {
    const { store, ids } = await threeColonies()
    answer(0, Object.values(ids), whole)
    asked[0]!.done()
    const log = onPage(() => useLogStore())
    expect(await log.save(count(ids.right, 0, 40), 'Count saved.')).toBe(true)
    await vi.waitFor(() => expect(asked).toHaveLength(2))
    expect(idsOf(asked[1]!)).toEqual([ids.right])
    expect(asked[1]!.mayBeKept).toBe(false)
    // the watch on the revisions learns of it too, a moment later
    await new Promise(resolve => setTimeout(resolve, 60))
    expect(asked).toHaveLength(2)
    // until the answer comes the last one stays
    expect(store.of(ids.right)).not.toBeNull()
  })
  it('a worker that breaks down is told of, and can be asked again', async () => {
    const { store, ids } = await threeColonies()
    asked[0]!.fail()
    await vi.waitFor(() => expect(store.failed).toBe(WORKER_TROUBLE))
    expect(store.complete).toBe(false)
    void store.again()
    expect(idsOf(asked[1]!).toSorted()).toEqual(Object.values(ids).toSorted())
    answer(1, Object.values(ids), whole)
    asked[1]!.done()
    await vi.waitFor(() => expect([store.failed, store.complete]).toEqual(['', true]))
  })
})

describe('what is due', () => {
  const kinds = (care: ReturnType<typeof useCareStore>) => new Set(care.items.map(i => i.kind))
  it('is not said before the room is told; a first look asks for no count, the whole does', async () => {
    const { store, ids } = await threeColonies()
    const care = onPage(() => useCareStore())
    await new Promise(resolve => setTimeout(resolve, 30))
    expect([care.ready, care.items.length]).toEqual([false, 0])
    answer(0, Object.values(ids), firstLook)
    await vi.waitFor(() => expect(care.ready).toBe(true))
    expect(kinds(care)).toContain('test')
    expect(kinds(care)).not.toContain('count')
    answer(0, Object.values(ids), whole)
    expect(store.firstLooks).toBe(0)
    expect(care.items.filter(i => i.kind === 'count').map(i => i.colonyId)).toEqual(
      expect.arrayContaining(Object.values(ids)),
    )
  })
  it('where more die than usual, is a test of their water', async () => {
    const { ids } = await threeColonies()
    const care = onPage(() => useCareStore())
    const dying = { alarm: true, found: 6, usual: 1, molts: 0, sinceMs: NOW - 3_600_000 }
    answer(0, Object.values(ids), input => {
      const told = whole(input)
      return input.colony.id === ids.right ? { ...told, population: { ...told.population, deaths: dying } } : told
    })
    await vi.waitFor(() => expect(care.ready).toBe(true))
    const why = care.items.filter(i => i.kind === 'test').map(i => i.why.key)
    expect(why.filter(key => key === 'testDying')).toHaveLength(1)
    expect(why).toHaveLength(3)
  })
  it('is said when the workers fail: the log alone still tells of feeding and of water', async () => {
    await threeColonies()
    const care = onPage(() => useCareStore())
    asked[0]!.fail()
    await vi.waitFor(() => expect(care.ready).toBe(true))
    expect(kinds(care)).toContain('feed')
    expect(kinds(care)).not.toContain('test')
  })
})
