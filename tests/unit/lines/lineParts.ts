import {
  begun,
  type BreedingGroup,
  type Entry,
  type EntryOf,
  type Generation,
  type Ladder,
  type Line,
  type RungCount,
} from '#core/records'
import type { BreederSet, LineGroup, LineRecords } from '#core/lines'
import * as make from '../../make'

/** A ladder of so many rungs. */
export function ladderOf(rungs: number): Ladder {
  const made = Array.from({ length: rungs }, (_, order) => ({ id: make.nextId(), words: `rung ${order + 1}`, order }))
  return { ...begun(make.nextId(), make.NOW), roomId: make.nextId(), trait: 'Cover', rungs: made }
}

/** Breeders of a group of whom no rungs are known. */
export const breeders = (groupId: string, sex: BreederSet['sex'], number: number, followed?: string[]): BreederSet => ({
  ...{ groupId, sex, number, rungs: null, grader: 'A' },
  ...(followed && { followed }),
})

/** A group of a line that nobody graded. */
export const lineGroup = (id: string, of: BreederSet[]): LineGroup => ({
  ...{ id, size: 100, breeders: of, period: id, gradings: [], twice: [] },
})

/** A line in one colony, graded and bred so many days ago. */
export function breedLine(rungs = 4) {
  const ladder = ladderOf(rungs)
  const colonyId = make.nextId()
  const line: Line = {
    ...begun(make.nextId(), make.NOW),
    ...{ roomId: ladder.roomId, name: 'Ember', groupId: 'neocaridina', crossingGroup: 'neocaridina' },
    ladderIds: [ladder.id],
  }
  const generations: Generation[] = []
  const breedingGroups: BreedingGroup[] = []
  const entries: Entry[] = []
  const rungId = (k: number) => ladder.rungs[k]!.id
  const spread = (counts: readonly number[], sex: RungCount['sex']): RungCount[] =>
    counts.flatMap((number, k) => (number > 0 ? [{ rungId: rungId(k), sex, number }] : []))
  function generation(days: number, breedingGroupIds: string[] = []): Generation {
    const made: Generation = {
      ...begun(make.nextId(), make.NOW),
      ...{
        roomId: line.roomId,
        lineId: line.id,
        n: generations.length + 1,
        from: make.daysAgo(days),
        breedingGroupIds,
      },
    }
    generations.push(made)
    return made
  }
  function grade(days: number, seen: RungCount[], more: object = {}): EntryOf<'grading'> {
    const entry = {
      ...make.entryOf('grading', days, { colonyId, ladderId: ladder.id, seen }),
      ...{ keeper: 'A. R.', ...more },
    } as EntryOf<'grading'>
    entries.push(entry)
    return entry
  }
  function breed(
    days: number,
    generationId: string,
    parents: RungCount[],
    more: Partial<BreedingGroup> = {},
  ): BreedingGroup {
    const group: BreedingGroup = {
      ...begun(make.nextId(), make.NOW),
      ...{ roomId: line.roomId, lineId: line.id, colonyId, generationId, ladderId: ladder.id },
      ...{ state: 'released', keeper: 'A. R.', parents, animalIds: [], from: make.daysAgo(days) },
      ...more,
    }
    breedingGroups.push(group)
    return group
  }
  const records = (): LineRecords => ({ line, ladder, generations, breedingGroups, entries })
  return { ladder, line, colonyId, generation, grade, breed, records, spread, rungId, entries, generations }
}
