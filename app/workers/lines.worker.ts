import { expose } from 'comlink'
import {
  type BreederSet,
  bothSexes,
  generationsAhead,
  type LineFitted,
  type LineRecords,
  type LineTold,
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
const fitted = new Map<string, LineFitted>()

/** Tells a line; null where nothing was graded. */
function tell(records: LineRecords, limit: number): LineTold | null {
  const line = tellLine(records, limit)
  if (line) fitted.set(records.line.id, line)
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
}

/** Tells of a choice; null where the line was not told, or the choice has one sex alone. */
function choose({ lineId, breeders, generations }: ChoiceAsked): ChoiceTold | null {
  const line = fitted.get(lineId)
  if (!line || !bothSexes(breeders)) return null
  const young = usualYoung(line.read.history)
  return {
    next: nextGeneration(line.fit, { breeders, young }),
    ahead: generationsAhead(line.fit, { breeders, generations, young }),
  }
}

/** The curve of choices, hardest first. */
const curve = (lineId: string, stock: Stock): Pick[] => {
  const line = fitted.get(lineId)
  return line ? pickCurve(line.fit, stock, usualYoung(line.read.history)) : []
}

const api = { tell, choose, curve }
export type LinesApi = typeof api
expose(api)
