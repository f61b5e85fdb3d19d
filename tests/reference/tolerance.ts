/** Tolerance of a check value: passes if |got − expected| ≤ abs + rel · |expected|. */
export interface Tolerance {
  rel?: number
  abs?: number
}
/** A check value with its source, as in data/*.json. */
export interface Case<I, E> {
  id: string
  kind: string
  inputs: I
  expected: E
  tolerance: Tolerance
  source: string
}

/** How far outside its tolerance a number lies; 0 when it is inside. */
export function excess(got: number, expected: number, { rel = 0, abs = 0 }: Tolerance): number {
  return Math.max(0, Math.abs(got - expected) - abs - rel * Math.abs(expected))
}

/** Figures by name. */
export type Numbers = Record<string, number>

/** Cases of one kind from a data file; most expect named numbers. */
export function casesOf<I, E = Numbers>(file: { cases: unknown[] }, kind: string): Case<I, E>[] {
  const cases = (file.cases as Case<I, E>[]).filter(c => c.kind === kind)
  if (cases.length === 0) throw new RangeError(`there are no cases of kind ${kind}`)
  return cases
}
