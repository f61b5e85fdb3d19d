import { type LineRecords, tellLine } from '#core/lines'
import { momentMs, WEEK_MS } from '#core/records'
import { livedThrough, type Stranger } from './rolling'

/** How soon a stranger was seen in a colony that breeds all the time, and what was called where none came. */
export interface StrangerResult {
  /** weeks from his first broods to the grading that called a fall; null where none did */
  seenAfter: number | null
  /** gradings of the same weeks of the colony without him, and those of them that called one */
  quiet: number
  inVain: number
}

/** The same weeks of all colonies: there is something to foresee from by then, and time enough to see. */
const [COMES, WEEKS] = [40, 92]
/** Six in ten of the young are one and a half standard deviations duller, for half a year. */
const STRANGER: Stranger = { week: COMES, lives: 26, share: 0.6, below: 3 }

/** Lives colonies through, with the stranger and without, and looks at each grading as it came. */
export const watchStrangers = (seeds: readonly number[]): StrangerResult[] =>
  seeds.map(seed => {
    const alone = calls(livedThrough(seed, { weeks: WEEKS }).records)
    const visited = calls(livedThrough(seed, { weeks: WEEKS, stranger: STRANGER }).records)
    const seen = visited.find(c => c.fell)
    return {
      seenAfter: seen ? seen.week - COMES : null,
      quiet: alone.length,
      inVain: alone.filter(c => c.fell).length,
    }
  })

interface Call {
  week: number
  fell: boolean
}

/** What each grading since he came called, told by what was known on its day. */
function calls(records: LineRecords): Call[] {
  const weekOf = (e: { at: string }) => momentMs(e.at) / WEEK_MS
  return records.entries.flatMap(e => {
    const week = weekOf(e)
    if (e.kind !== 'grading' || week < COMES) return []
    const known = {
      ...records,
      entries: records.entries.filter(x => weekOf(x) <= week),
      grown: records.grown.filter(g => g.atMs <= week * WEEK_MS),
    }
    const came = tellLine(known, 0.25)?.told.came
    return came ? [{ week, fell: came.unexplained }] : []
  })
}

/** Figures of some colonies. */
export function strangersTable(results: readonly StrangerResult[]) {
  const within = (weeks: number) =>
    results.filter(r => r.seenAfter !== null && r.seenAfter <= weeks).length / results.length
  const sum = (of: (r: StrangerResult) => number) => results.reduce((s, r) => s + of(r), 0)
  return {
    n: results.length,
    seen: [20, 26, 39, 52].map(within),
    inVain: sum(r => r.inVain) / sum(r => r.quiet),
    inVainAYear: sum(r => r.inVain) / (results.length * ((WEEKS - COMES) / 52)),
  }
}
