import type { Heads, RungCount } from '#core/records'

/** Grown animals by rung as heads of a colony. */
export const headsOfRungs = (list: readonly RungCount[]): Heads => {
  const of = (sex: RungCount['sex']) => list.reduce((sum, r) => sum + (r.sex === sex ? r.number : 0), 0)
  return { females: of('female'), males: of('male'), unsexed: of('unknown'), halfGrown: 0, young: 0 }
}
