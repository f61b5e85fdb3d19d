import { expose } from 'comlink'
import {
  type BreederSet,
  type GenerationAhead,
  generationsAhead,
  type LineFitted,
  type LineRecords,
  type LineTold,
  nextGeneration,
  type NextGeneration,
  type Pick,
  pickCurve,
  type Stock,
  tellLine,
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
  young: number
  generations: number
}
/** What comes of it: the next generation, and those after it when one goes on like this. */
export interface ChoiceTold {
  next: NextGeneration
  ahead: GenerationAhead[]
}

/** Tells of a choice; null where the line was not told, or the choice has one sex alone. */
function choose({ lineId, breeders, young, generations }: ChoiceAsked): ChoiceTold | null {
  const line = fitted.get(lineId)
  const has = (sex: 'male' | 'female') => breeders.some(b => (b.sex === sex || b.sex === 'mixed') && b.number > 0)
  if (!line || !has('male') || !has('female')) return null
  return {
    next: nextGeneration(line.fit, { breeders, young }),
    ahead: generationsAhead(line.fit, { breeders, generations, young }),
  }
}

/** The curve of choices, hardest first. */
const curve = (lineId: string, stock: Stock, young: number): Pick[] => {
  const line = fitted.get(lineId)
  return line ? pickCurve(line.fit, stock, young) : []
}

const api = { tell, choose, curve }
export type LinesApi = typeof api
expose(api)
