import { describe, expect, it, vi } from 'vitest'
import { begun, type Generation, type Ladder, type Line } from '#core/records'
import type { LineOf } from '~/composables/useLines'
import { useTrays } from '~/composables/useTrays'
import { newLineRecord } from '~/forms/lineDraft'
import { useRoomStore } from '~/stores/room'
import { useStatementsStore } from '~/stores/statements'
import { colony, daysAgo, entryOf, glass, nextId, NOW, smallRoom } from '../../make'
import { onPage, put, useBench } from './bench'

useBench()

/** A line in two glasses, graded in both, the second glass last: ten females of two rungs there, six in the first. */
async function lineInTwoGlasses() {
  const s = smallRoom()
  const roomId = s.room.id
  const rungs = ['clear', 'dense'].map((words, order) => ({ id: nextId(), words, order }))
  const ladder: Ladder = { ...begun(nextId(), NOW), roomId, trait: 'Cover', rungs }
  const line: Line = {
    ...newLineRecord({ roomId, name: 'Ember', groupId: 'neocaridina' }, NOW),
    ladderIds: [ladder.id],
  }
  const from = daysAgo(90)
  const generation: Generation = { ...begun(nextId(), NOW), roomId, lineId: line.id, n: 1, from, breedingGroupIds: [] }
  const second = glass(roomId, s.rack.id, { name: 'Two' })
  const first = { ...s.colony, lineId: line.id }
  const other = colony(second.id, { name: 'Other', lineId: line.id })
  const graded = [first, other].map((c, i) =>
    entryOf('grading', 9 - i, {
      ...{ colonyId: c.id, ladderId: ladder.id, generationId: generation.id },
      seen: rungs.map(r => ({ rungId: r.id, sex: 'female', number: 5 })),
    }),
  )
  await put(
    s.room,
    [
      { table: 'racks', record: s.rack },
      ...[s.glass, second].map(record => ({ table: 'glasses' as const, record })),
      ...[first, other].map(record => ({ table: 'colonies' as const, record })),
      { table: 'ladders', record: ladder },
      { table: 'lines', record: line },
      { table: 'generations', record: generation },
    ],
    graded,
  )
  const room = useRoomStore()
  const number = { [first.id]: 6, [other.id]: 10 }
  const stages = (id: string) => ({ females: { value: number[id] ?? 0 }, males: { value: 0 } })
  useStatementsStore().of = (id: string) => ({ population: { stages: stages(id) } }) as never
  await vi.waitFor(() => expect([room.generations.length, room.ladders.length]).toEqual([1, 1]))
  const told = { rolling: null, generations: [{ id: generation.id, meanRung: 0.5, gradings: graded }] }
  const of = { line, colonies: [first, other], entries: graded, told } as unknown as LineOf
  const desk = () =>
    onPage(() =>
      useTrays(
        () => of,
        () => ladder,
      ),
    )
  const drafts = () => room.breedingGroups.map(b => [b.colonyId, b.parents.map(p => p.number)]).toSorted()
  return { first, other, line, desk, drafts, best: `${rungs[1]!.id} female` }
}

describe('trays of a line in several glasses', () => {
  it('hold the animals of one of them: of the glass graded last, until the keeper takes another', async () => {
    const { first, other, desk } = await lineInTwoGlasses()
    const trays = desk()
    expect(trays.places.value.map(c => c.id)).toEqual([first.id, other.id])
    expect([trays.colony.value!.id, trays.total('hold')]).toEqual([other.id, 10])
    trays.takeFrom(first.id)
    expect([trays.colony.value!.id, trays.total('hold')]).toEqual([first.id, 6])
  })
  it('are not of a spare glass, in which nobody chooses', async () => {
    const { first, other, line, desk } = await lineInTwoGlasses()
    line.spareColonyId = first.id
    expect(desk().places.value.map(c => c.id)).toEqual([other.id])
  })
  it('are kept glass by glass, also where the next glass is taken before the first is written', async () => {
    const { first, other, desk, drafts, best } = await lineInTwoGlasses()
    const trays = desk()
    trays.move(best, 'hold', 'breed', 4)
    trays.takeFrom(first.id)
    expect(trays.total('breed')).toBe(0)
    trays.move(best, 'hold', 'breed', 2)
    trays.takeFrom(other.id)
    expect(trays.total('breed')).toBe(4)
    await vi.waitFor(() =>
      expect(drafts()).toEqual(
        [
          [first.id, [2]],
          [other.id, [4]],
        ].toSorted(),
      ),
    )
    // as after a reload: what was thought of is there again, in the glass that was thought of last
    vi.setSystemTime(NOW + 60_000)
    trays.takeFrom(first.id)
    trays.move(best, 'hold', 'breed', 1)
    await vi.waitFor(() => expect(drafts()).toContainEqual([first.id, [3]]))
    const again = desk()
    expect([again.colony.value!.id, again.total('breed')]).toEqual([first.id, 3])
    again.takeFrom(other.id)
    expect(again.total('breed')).toBe(4)
  })
})
