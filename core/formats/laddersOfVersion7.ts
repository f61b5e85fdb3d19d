import { derivedId, type Id, LABEL_MOST, sameName, wordRungId } from '#core/records'
import { hashText } from '#core/stats'

type Raw = Record<string, unknown>
const rawOf = (row: unknown): Raw | null => (typeof row === 'object' && row !== null ? (row as Raw) : null)
const rowsOf = (list: unknown): Raw[] =>
  Array.isArray(list) ? list.map((r: unknown) => rawOf(r)).filter(r => r !== null) : []

/** Tables that version 7 makes new or anew. */
export interface LinesOfVersion7 {
  lines: Raw[]
  ladders: Raw[]
  colonies: unknown[]
}

/**
 * Lines of version 6 had a name alone, and gradings were free words. Lines have a crossing group and ladders now; of
 * the words that a line’s colonies were graded by a ladder is made, the same on every device: A stands above B, 10
 * above 2.
 * A colony that was graded and has no line gets one of its own name. The entries stay as they are.
 */
export function laddersOfVersion7(raw: {
  lines: unknown
  colonies: unknown
  entries: unknown
  glasses: unknown
}): LinesOfVersion7 {
  const words = wordsByColony(rowsOf(raw.entries))
  const glasses = new Map(rowsOf(raw.glasses).map(g => [g.id, g]))
  const lines: Raw[] = rowsOf(raw.lines).map(line => ({ ...line, crossingGroup: line.groupId, ladderIds: [] }))
  const list: unknown[] = Array.isArray(raw.colonies) ? raw.colonies : []
  const colonies = list.map(row => {
    const colony = rawOf(row)
    const roomId = colony && glasses.get(rowsOf(colony.stays)[0]?.glassId)?.roomId
    if (!colony || colony.lineId !== undefined || !words.has(colony.id) || typeof roomId !== 'string') return row
    const id = derivedId(String(colony.id), 'line')
    const { name, groupId, editedAt } = colony
    lines.push({ ...stamps(id, editedAt), roomId, name, groupId, crossingGroup: groupId, ladderIds: [] })
    return { ...colony, lineId: id }
  })
  const ladders = lines.flatMap(line => {
    const own = rowsOf(colonies).filter(c => c.lineId === line.id)
    const used = new Set(own.flatMap(c => [...(words.get(c.id) ?? [])]))
    if (used.size === 0) return []
    const id = derivedId(String(line.id), 'grades')
    line.ladderIds = [id]
    return [{ ...stamps(id, line.editedAt), roomId: line.roomId, trait: 'Grades', rungs: rungsOf(id, [...used]) }]
  })
  return { lines, ladders, colonies }
}

const stamps = (id: Id, editedAt: unknown) => ({
  ...{ id, editedAt, rev: `000001-${hashText(id).toString(16).padStart(8, '0')}` },
})

/** The words of old gradings by colony, each as it was first spelt. */
function wordsByColony(entries: readonly Raw[]): Map<unknown, Set<string>> {
  const found = new Map<unknown, Map<string, string>>()
  for (const entry of entries.toSorted((a, b) => (String(a.at) < String(b.at) ? -1 : 1))) {
    if (entry.kind !== 'grading') continue
    for (const { grade } of rowsOf(entry.grades)) {
      const word = String(grade).trim().slice(0, LABEL_MOST)
      const own = found.get(entry.colonyId) ?? new Map<string, string>()
      if (!own.has(sameName(word))) own.set(sameName(word), word)
      found.set(entry.colonyId, own)
    }
  }
  return new Map([...found].map(([id, own]) => [id, new Set(own.values())]))
}

/** Numbers rise to the best; letters fall to it. */
function rungsOf(ladderId: Id, words: readonly string[]): Raw[] {
  const numbers = words.every(w => /^\d+$/.test(w))
  const once = [...new Map(words.map(w => [sameName(w), w])).values()]
  const order = once.toSorted((a, b) => (numbers ? Number(a) - Number(b) : sameName(a) < sameName(b) ? 1 : -1))
  return order.map((word, i) => ({ id: wordRungId(ladderId, word), words: word, order: i }))
}
