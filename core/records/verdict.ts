/** State of anything that is judged. Shown as mark and word, never as colour alone. */
export type VerdictState = 'onTarget' | 'drifting' | 'off' | 'unknown'

/** How pressing a state is; what is not known presses more than what is right. */
export const stateRank: Readonly<Record<VerdictState, number>> = { off: 3, drifting: 2, unknown: 1, onTarget: 0 }

/** The most pressing of some states; not known when there are none. */
export const worstState = (states: readonly VerdictState[]): VerdictState =>
  states.length === 0 ? 'unknown' : states.reduce((worst, s) => (stateRank[s] > stateRank[worst] ? s : worst))

/** A message without words: a key and the numbers or ids in it. The words live in one place in app/words. */
export interface Message<Key extends string = string> {
  key: Key
  values: Readonly<Record<string, number | string>>
}

/** A line of evidence behind a verdict or an estimate: one input with its value and age. */
export interface Evidence {
  key: string
  values: Readonly<Record<string, number | string>>
  entryId?: string
}

/** Conclusion, reasons, actions, evidence: the shape of every judgement. */
export interface Verdict<Key extends string = string> {
  state: VerdictState
  conclusion: Message<Key>
  reasons: Message<Key>[]
  actions: Message<Key>[]
  evidence: Evidence[]
}
