/** State of anything that is judged. Shown as mark and word, never as colour alone. */
export type VerdictState = 'onTarget' | 'drifting' | 'off' | 'unknown'

/** A message without words: a key and the numbers or ids in it. The words live in one place in app/words. */
export interface Message<Key extends string = string> { key: Key, values: Readonly<Record<string, number | string>> }

/** A line of evidence behind a verdict or an estimate: one input with its value and age. */
export interface Evidence { key: string, values: Readonly<Record<string, number | string>>, entryId?: string }

/** Conclusion, reasons, actions, evidence: the shape of every judgement. */
export interface Verdict<Key extends string = string> {
  state: VerdictState
  conclusion: Message<Key>
  reasons: Message<Key>[]
  actions: Message<Key>[]
  evidence: Evidence[]
}
