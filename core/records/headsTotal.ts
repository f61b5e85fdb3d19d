/** How animals are told apart when they are counted: by sex, or by size where the sex cannot be seen. */
export const headKeys = ['females', 'males', 'unsexed', 'halfGrown', 'young'] as const

/** Sum over sexes and sizes. */
export const headsTotal = (heads: Readonly<Record<(typeof headKeys)[number], number>>): number =>
  headKeys.reduce((sum, key) => sum + heads[key], 0)
