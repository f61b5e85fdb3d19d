import { storeToRefs } from 'pinia'
import { grownTogether, type LineRecords, type LineTold, withAncestors } from '#core/lines'
import { type Animal, type Colony, type Entry, type Line, USUAL_KINSHIP_LIMIT } from '#core/records'
import { openDb } from '~/data/database'
import { entriesOfKinds } from '~/data/log'
import type { LinesApi } from '~/workers/lines.worker'

/** What a line is told from; each of its animals with the number of its changes. */
type Records = LineRecords & { animals: readonly Animal[] }

/** A line with what is known of it. */
export interface LineOf {
  line: Line
  colonies: Colony[]
  /** what was logged of all colonies that hold it or held it: gradings, and who came and went */
  entries: readonly Entry[]
  /** null until it was told, and where nothing was graded */
  told: LineTold | null
}

/**
 * The lines of the room, told by a worker that keeps their fits: a line is told anew when its log or its records have
 * changed.
 */
export function useLines() {
  const room = useRoomStore()
  const worker = useWorker<LinesApi>(
    () => new Worker(new URL('../workers/lines.worker.ts', import.meta.url), { type: 'module' }),
  )
  const lineLog = useLineLog()
  const { read, coloniesOf, entriesOfLine } = lineLog
  const { recordsOf, sources } = useLineRecords(lineLog)
  const told = shallowReactive(new Map<string, LineTold | null>())
  const asked = new Map<string, string>()

  watch(
    sources,
    async () => {
      if (!read.value || !room.ready) return
      for (const line of room.lines) {
        const records = recordsOf(line)
        const mark = records ? markOf(records) : 'none'
        if (asked.get(line.id) === mark) continue
        asked.set(line.id, mark)
        if (!records) {
          told.set(line.id, null)
          continue
        }
        // the worker takes no proxies
        const plain = JSON.parse(JSON.stringify(records)) as LineRecords
        const answer = await worker.run(api => api.tell(plain, line.kinshipLimit ?? USUAL_KINSHIP_LIMIT))
        // a worker that failed is asked again with the next change
        if (worker.failed) asked.delete(line.id)
        else told.set(line.id, answer)
      }
    },
    { immediate: true },
  )
  const lines = computed<LineOf[]>(() =>
    room.lines.map(line => ({
      line,
      colonies: coloniesOf(line.id).filter(c => !c.ended),
      entries: entriesOfLine(line.id),
      told: told.get(line.id) ?? null,
    })),
  )
  const complete = computed(() => read.value && room.lines.every(l => told.has(l.id)))
  return { lines, complete, worker }
}

/** What the lines are told from. */
function useLineRecords({ log, read, leftOrGraded, grown }: ReturnType<typeof useLineLog>) {
  const room = useRoomStore()
  const { laddersOf } = useLadders()
  /** All that is said of a line on its ladders; null while it has none. */
  function recordsOf(line: Line): Records | null {
    const [ladder, ...beside] = laddersOf(line)
    if (!ladder) return null
    const breedingGroups = room.breedingGroups.filter(g => g.lineId === line.id)
    return {
      ...{ line, ladder, beside, breedingGroups },
      generations: room.generations.filter(g => g.lineId === line.id),
      entries: leftOrGraded(line.id),
      grown: grown.value.get(line.id) ?? [],
      animals: withAncestors(
        breedingGroups.flatMap(b => b.animalIds),
        room.all.animals,
      ),
    }
  }
  const { lines, ladders, generations, breedingGroups, all } = storeToRefs(room)
  const animals = computed(() => all.value.animals)
  return { recordsOf, sources: [lines, ladders, generations, breedingGroups, animals, log, read, grown] }
}

/** Changes when anything changes that a line follows from. */
function markOf(records: Records): string {
  const { line, ladder, beside = [], generations, breedingGroups, entries, grown = [], animals } = records
  return [line, ladder, ...beside, ...generations, ...breedingGroups.filter(b => b.state !== 'draft'), ...animals]
    .map(r => r.rev)
    .concat(...grown.map(g => `${g.number}`))
    .concat(`${entries.length} ${entries.reduce((last, e) => (e.id > last ? e.id : last), '')}`)
    .join()
}

/** What was logged of the lines: gradings, and who came and went; and how many were grown. */
function useLineLog() {
  const room = useRoomStore()
  const statements = useStatementsStore()
  const { value: log, ready: read } = useLiveQuery<Entry[]>(
    () => entriesOfKinds(openDb(), ['grading', 'removal', 'move', 'addition', 'withdrawal'], 0),
    [],
  )
  const coloniesOf = (lineId: string) => room.all.colonies.filter(c => c.lineId === lineId)
  const ownOf = (lineId: string) => new Set(coloniesOf(lineId).map(c => c.id))
  function entriesOfLine(lineId: string): Entry[] {
    const own = ownOf(lineId)
    return log.value.filter(
      e =>
        ('colonyId' in e && e.colonyId !== undefined && own.has(e.colonyId)) ||
        (e.kind === 'move' && own.has(e.toColonyId)),
    )
  }
  /** What the generations are read from: who went from one of its glasses to another has not left the line. */
  function leftOrGraded(lineId: string): Entry[] {
    const own = ownOf(lineId)
    return entriesOfLine(lineId).filter(e => e.kind !== 'addition' && !(e.kind === 'move' && own.has(e.toColonyId)))
  }
  /** Grown animals of lines that breed all the time when they were graded, by the population model. */
  const grown = computed(() => {
    const rolling = room.lines.filter(l => !room.generations.some(g => g.lineId === l.id))
    return new Map(
      rolling.map(l => {
        const past = coloniesOf(l.id).map(c => statements.of(c.id)?.population.grown.past ?? [])
        const graded = leftOrGraded(l.id).filter(e => e.kind === 'grading')
        const days = graded.map(e => e.at)
        return [l.id, grownTogether(past, days)]
      }),
    )
  })
  return { log, read, coloniesOf, entriesOfLine, leftOrGraded, grown }
}
