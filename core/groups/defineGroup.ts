import type { SpeciesGroup } from './group'

/** Checks a group's data when the module loads in tests, and types it when it is written. */
export const defineGroup = (group: SpeciesGroup): SpeciesGroup => group
