import type { Id } from '#core/records'
import { bothSexes, type BreederSet, type LineGroup, type LineHistory } from './history'
import { graded, type LineRead, type LineRecords } from './lineHistory'
import { setsOf } from './breederSets'
import type { Many } from './wholeAnimals'

/** The young of one breeding group that grew up in a colony of their own. */
export interface Family {
  groupId: Id
  colonyId: Id
}

/**
 * A line whose newest generation is told family by family: the young of each box that were graded in it. Generations
 * before it stay as one.
 * @returns with how many bred those families, of each sex; null where fewer than two of its breeding groups have young
 * that were graded by themselves
 */
export function readFamilies(
  records: LineRecords,
  read: LineRead,
): { history: LineHistory; families: Family[]; bred: Many } | null {
  const newest = read.generations.at(-1)
  const own = records.generations.find(g => g.id === newest?.id)?.breedingGroupIds ?? []
  if (!newest) return null
  const bred = records.breedingGroups.filter(b => own.includes(b.id) && b.state !== 'draft')
  const known = new Set(read.generations.slice(0, -1).map(g => g.id))
  const groups: LineGroup[] = []
  const families: Family[] = []
  for (const colonyId of new Set(bred.map(b => b.colonyId))) {
    const gradings = newest.gradings.filter(e => e.colonyId === colonyId)
    const breeders = bred
      .filter(b => b.colonyId === colonyId && known.has(b.generationId))
      .flatMap(b => setsOf(b, records))
    if (gradings.length === 0 || !bothSexes(breeders)) continue
    const seen = graded(gradings, records.ladder)
    const number = seen.once.reduce((sum, s) => sum + s.number, 0)
    const id = `${newest.id} ${colonyId}`
    groups.push({
      id,
      size: Math.max(2, number),
      breeders,
      period: newest.id,
      gradings: seen.gradings,
      twice: seen.twice,
    })
    families.push({ groupId: id, colonyId })
  }
  if (families.length < 2) return null
  const history = { ...read.history, groups: [...read.history.groups.slice(0, -1), ...groups] }
  return { history, families, bred: bySexes(groups.flatMap(g => g.breeders)) }
}

/** Breeders of each sex; of those that nobody told apart half are of each. */
function bySexes(breeders: readonly BreederSet[]): Many {
  const of = (sex: BreederSet['sex']) => breeders.reduce((n, b) => n + (b.sex === sex ? b.number : 0), 0)
  const half = of('mixed') / 2
  return { females: Math.ceil(of('female') + half), males: Math.ceil(of('male') + half) }
}
