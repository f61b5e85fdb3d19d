import { begun, type Id, type Ladder, presentRungs, type Rung, RUNGS_LEAST, RUNGS_MOST } from '#core/records'
import { newId } from '~/data/newId'
import { readPrice } from './orderDraft'

/** A rung as it is typed: one that stands, or a new one; a new one may be split off another. */
export interface RungTyped {
  key: string
  /** the rung that stands; null for a new one */
  id: Id | null
  words: string
  /** of one animal on it, as typed */
  price: string
  /** the rung of which this one is a part, where it was split */
  splitOf: Id | null
}

/** A ladder as it is typed, dullest first. */
export interface LadderTyped {
  trait: string
  rungs: RungTyped[]
}

const keyed = (id: Id | null, words: string, splitOf: Id | null = null, price = ''): RungTyped => ({
  ...{ key: newId(), id, words, price, splitOf },
})

/** Fills the fields from a ladder. */
export const typedLadder = (ladder: Ladder): LadderTyped => ({
  trait: ladder.trait,
  rungs: presentRungs(ladder).map(r => keyed(r.id, r.words, null, r.priceEach?.toString() ?? '')),
})

/** Fields of a new ladder. */
export const newLadder = (trait: string, words: readonly string[]): LadderTyped => ({
  trait,
  rungs: words.map(w => keyed(null, w)),
})

/** A rung as two: both parts are new, and old grades lie on either. */
export function splitRung(typed: LadderTyped, at: number): LadderTyped {
  const rung = typed.rungs[at]!
  const of = rung.splitOf ?? rung.id
  const parts = [keyed(null, `${rung.words}, less`, of, rung.price), keyed(null, `${rung.words}, more`, of, rung.price)]
  return { ...typed, rungs: typed.rungs.toSpliced(at, 1, ...parts) }
}

const priced = (read: ReturnType<typeof readPrice>) =>
  read.ok && read.price !== undefined ? { priceEach: read.price } : {}

/** What a ladder is read against. */
export interface LadderAbout {
  /** as it stands; null for a new one */
  ladder: Ladder | null
  roomId: Id
  nowMs: number
  /** other traits that the line is graded by */
  others?: readonly string[]
}

/** Reads a ladder back. @returns the record, or a sentence on what is wrong */
export function readLadder(typed: LadderTyped, { ladder, roomId, nowMs, others = [] }: LadderAbout): Ladder | string {
  const trait = typed.trait.trim().toLowerCase()
  if (trait === '') return 'Say what is graded: colour cover, pattern, size …'
  if (others.some(o => o.toLowerCase() === trait))
    return `The line is graded by “${typed.trait.trim()}” already: say what else is graded.`
  const words = typed.rungs.map(r => r.words.trim())
  if (words.includes('')) return 'Each rung needs a word or two.'
  if (new Set(words.map(w => w.toLowerCase())).size < words.length) return 'Two rungs have the same words.'
  if (words.length < RUNGS_LEAST || words.length > RUNGS_MOST)
    return `A ladder has ${RUNGS_LEAST} to ${RUNGS_MOST} rungs; this one has ${words.length}.`
  const prices = typed.rungs.map(r => readPrice(r.price))
  const odd = prices.findIndex(p => !p.ok)
  if (odd >= 0) return `The price of “${words[odd]}” cannot be read: an amount like 2.50, or nothing.`
  const present: Rung[] = typed.rungs.map((r, order) => ({
    ...{ id: r.id ?? newId(), words: words[order]!, order },
    ...priced(prices[order]!),
    ...(r.splitOf ? { from: [r.splitOf] } : {}),
  }))
  const before = ladder?.rungs ?? []
  // a rung that stands keeps where it came from; one that was taken away or split stays for the old grades
  const standing = present.map(r => {
    const old = before.find(o => o.id === r.id)
    return old?.from ? { ...r, from: old.from } : r
  })
  const gone = before.filter(o => !present.some(r => r.id === o.id))
  const lost = ladder && presentRungs(ladder).find(o => !present.some(r => r.id === o.id || r.from?.includes(o.id)))
  if (lost) return `“${lost.words}” has grades on it: split it or word it anew, but it cannot be taken away.`
  return {
    ...(ladder ?? { ...begun(newId(), nowMs), roomId }),
    trait: typed.trait.trim(),
    rungs: [...gone, ...standing],
  }
}
