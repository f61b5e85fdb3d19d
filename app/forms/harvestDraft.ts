import { Entry, type Heads, type RungCount, type TakeKind } from '#core/records'
import { readPrice } from './orderDraft'
import { wholeNumber } from './wholeNumber'

/** A harvest as it is typed: how many of whom leave, where to, and for how much in all. */
export interface HarvestDraft {
  number: string
  of: TakeKind
  /** the rung that they stand on, where they are of one; empty otherwise */
  rungId: string
  outlet: '' | 'sold' | 'given' | 'fed' | 'moved' | 'culled'
  price: string
  text: string
}
export const emptyHarvest = (): HarvestDraft => ({ number: '', of: 'any', rungId: '', outlet: '', price: '', text: '' })

/** Of which sex they are where a kind says so. */
const sexOf: Readonly<Record<TakeKind, RungCount['sex']>> = {
  ...{ any: 'unknown', halfGrown: 'unknown', adults: 'unknown', females: 'female', males: 'male' },
}
const NOBODY: Heads = { females: 0, males: 0, unsexed: 0, halfGrown: 0, young: 0 }
/** The split that a kind stands for. */
const partsOf = (of: TakeKind, number: number): Heads | undefined => {
  switch (of) {
    case 'any':
      return undefined
    case 'halfGrown':
      return { ...NOBODY, halfGrown: number }
    case 'adults':
      return { ...NOBODY, unsexed: number }
    case 'females':
      return { ...NOBODY, females: number }
    case 'males':
      return { ...NOBODY, males: number }
  }
}

/** Reads a harvest as an entry. */
export function readHarvest(
  draft: HarvestDraft,
  stamp: { id: string; at: string; loggedAt: string; keeper?: string },
  colonyId: string,
  orderId?: string,
): { ok: true; entry: Entry } | { ok: false; issues: Partial<Record<keyof HarvestDraft, string>> } {
  const issues: Partial<Record<keyof HarvestDraft, string>> = {}
  const number = wholeNumber(draft.number, 1)
  if (!number.ok) issues.number = number.issue
  if (draft.outlet === '') issues.outlet = 'Where do they go?'
  const price = readPrice(draft.outlet === 'sold' ? draft.price : '')
  if (!price.ok) issues.price = price.issue
  if (Object.keys(issues).length > 0 || !number.ok || !price.ok) return { ok: false, issues }
  const parts = partsOf(draft.of, number.value)
  return {
    ok: true,
    entry: Entry.parse({
      ...stamp,
      kind: 'removal',
      colonyId,
      number: number.value,
      outlet: draft.outlet,
      ...(parts && { parts }),
      ...(draft.rungId && { rungs: [{ rungId: draft.rungId, sex: sexOf[draft.of], number: number.value }] }),
      ...(price.price !== undefined && { price: price.price }),
      ...(orderId && { orderId }),
      ...(draft.text.trim() && { text: draft.text.trim() }),
    }),
  }
}
