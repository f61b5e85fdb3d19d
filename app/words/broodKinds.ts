import type { SpeciesGroup } from '#core/groups'

/** What there is to know of kinds whose broods nobody sees, or that do not hatch here; in one sentence each. */
const UNSEEN: Readonly<Record<string, string>> = {
  'nerite-snail': 'Their white capsules never hatch here: the larvae need the sea. Scrape them off or leave them.',
  'trumpet-snail':
    'They bear live young in the ground, and nobody sees it. Count them at night, with a torch: that tells.',
  'pool-branchiopod':
    'Their eggs rest in the ground until the pool has been dry: dry it down, rest it, flood it again.',
}

/** Why a kind has no row among the broods; empty where it has. */
export const unseenBroods = ({ id, care }: Pick<SpeciesGroup, 'id' | 'care'>): string =>
  care.brood ? '' : (UNSEEN[id] ?? 'Nothing is known of their eggs here: log young when you see them.')
