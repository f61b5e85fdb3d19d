import { expose } from 'comlink'
import type { Ranged } from '#core/stats'
import {
  besideNext,
  type BreederSet,
  FAMILIES_LEAST,
  type Family,
  familyPick,
  fitLine,
  graderOf,
  grownIn,
  outcrossAhead,
  type OutcrossTold,
  readFamilies,
  bothSexes,
  type ByRung,
  breedersNext,
  generationsAhead,
  type LineFitted,
  type LineRecords,
  type LineTold,
  type Many,
  nextGeneration,
  type NextGeneration,
  type Pick,
  pickCurve,
  type SharesTold,
  type Stock,
  tellLine,
  usualYoung,
} from '#core/lines'

/** Lines that were fitted: choices are asked of them many times. */
const fitted = new Map<string, LineFitted & { records: LineRecords }>()

/** Tells a line; null where nothing was graded. */
function tell(records: LineRecords, limit: number): LineTold | null {
  const line = tellLine(records, limit)
  if (line) fitted.set(records.line.id, { ...line, records })
  else fitted.delete(records.line.id)
  return line?.told ?? null
}

/** What is asked of a choice of breeders. */
export interface ChoiceAsked {
  lineId: string
  breeders: BreederSet[]
  generations: number
}
/** What comes of it: the next generation, and those after it when one goes on like this. */
export interface ChoiceTold {
  next: NextGeneration
  ahead: SharesTold[]
  /** by how many mean rungs each other trait changes in the next generation; null where that is not known */
  beside: { ladderId: string; change: Ranged | null }[]
}

/** Tells of a choice; null where the line was not told, or the choice has one sex alone. */
function choose({ lineId, breeders, generations }: ChoiceAsked): ChoiceTold | null {
  const line = fitted.get(lineId)
  if (!line || !bothSexes(breeders)) return null
  const young = usualYoung(line.read.history)
  return {
    next: nextGeneration(line.fit, { breeders, young }),
    ahead: generationsAhead(line.fit, { breeders, generations, young }),
    beside: besidesOf(line, breeders, young),
  }
}

const besidesOf = ({ fit, beside }: LineFitted, breeders: BreederSet[], young: number): ChoiceTold['beside'] =>
  beside.map(b => ({ ladderId: b.ladderId, change: besideNext(b, fit, { breeders, young }) }))

/** The curve of choices, hardest first. */
const curve = (lineId: string, stock: Stock): Pick[] => {
  const line = fitted.get(lineId)
  return line ? pickCurve(line.fit, stock, usualYoung(line.read.history)) : []
}

/** Whom to keep of the families of a line. */
export interface FamiliesTold {
  families: Family[]
  /** breeders of each sex that were thought of, and the grown animals to choose from */
  many: Many
  grown: Many
  /** null where there are too few families, or too few animals in them */
  pick: ReturnType<typeof familyPick>
}

/**
 * Tells the young of several boxes family by family.
 * @param rungs of each colony: its grown animals
 * @param asked breeders of each sex that are wanted, no more than there are; null: as many as bred these families
 * @returns null where the newest generation was not bred and graded box by box
 */
function families(lineId: string, rungs: Record<string, ByRung>, asked: Many | null): FamiliesTold | null {
  const line = fitted.get(lineId)
  const split = line && readFamilies(line.records, line.read)
  if (!line || !split) return null
  const gradings = line.read.generations.at(-1)!.gradings
  const stocks = split.families.flatMap(({ groupId, colonyId }): Stock[] => {
    const [stock, graded] = [rungs[colonyId], gradings.find(e => e.colonyId === colonyId)]
    return stock && graded ? [{ groupId, grader: graderOf(graded), ...stock }] : []
  })
  const { families, bred } = split
  const grown = grownIn(stocks)
  const wanted = asked ?? bred
  const many = { females: Math.min(wanted.females, grown.females), males: Math.min(wanted.males, grown.males) }
  const pick = stocks.length < FAMILIES_LEAST ? null : familyPick(fitLine(split.history), stocks, many)
  return { families, many, grown, pick }
}

/** What new blood would cost the line, and when that is made good; null where nothing is known of who breeds. */
function outcross(lineId: string, generations: number): OutcrossTold | null {
  const line = fitted.get(lineId)
  const breeders = line ? breedersNext(line.read) : []
  const nowMean = line?.told.generations.findLast(g => g.meanRung !== null)?.meanRung
  if (!line || !bothSexes(breeders) || nowMean == null) return null
  return outcrossAhead(line.fit, { breeders, generations, young: usualYoung(line.read.history), nowMean })
}

const api = { tell, choose, curve, families, outcross }
export type LinesApi = typeof api
expose(api)
