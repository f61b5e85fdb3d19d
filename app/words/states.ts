import type { Basis, CountMethod, EntryKind, VerdictState } from '#core/records'
import type { ReadingMethod } from '#core/water'

/** Every state has a word beside its mark: never colour alone. */
export const stateWord: Readonly<Record<VerdictState, string>> = {
  onTarget: 'on target',
  drifting: 'drifting',
  off: 'off',
  unknown: 'not known',
}

export const countMethodWord: Readonly<Record<CountMethod, string>> = {
  allSeen: 'all seen',
  atFood: 'at the food',
  partOfTank: 'part of the tank',
  estimate: 'estimate',
  burrows: 'occupied burrows',
  photo: 'on a photo',
  repeated: 'counted several times',
  passes: 'caught and set aside',
  marks: 'by marks',
}
/** Ways of counting that are one number: the others are made at the Count desk. */
export const plainCountMethods = ['allSeen', 'atFood', 'partOfTank', 'estimate', 'burrows'] as const
export const countMethodHint: Readonly<Record<CountMethod, string>> = {
  allSeen: 'Every animal you could find, tank searched through.',
  atFood: 'Those that came to the food within half an hour.',
  partOfTank: 'All in a measured part of the tank; say which share.',
  estimate: 'A guess by eye. It moves the estimate little.',
  burrows: 'Burrows with fresh mud at the mouth: one lives in each.',
  photo: 'Marked on a picture of part or all of the tank.',
  repeated: 'The same animals counted several times on one day.',
  passes: 'Caught and set aside, pass after pass, with the same effort.',
  marks: 'Shells with a spot of paint, caught again later.',
}
export const testMethodWord: Readonly<Record<ReadingMethod, string>> = {
  liquidKit: 'liquid kit',
  strip: 'strip',
  probe: 'probe',
  guess: 'estimate',
  reckoned: 'reckoned from what was poured',
}

export const kindWord: Readonly<Record<EntryKind, string>> = {
  count: 'Count',
  addition: 'Added',
  removal: 'Taken out',
  death: 'Died',
  move: 'Moved to another colony',
  grading: 'Grading',
  waterTest: 'Water test',
  waterChange: 'Water changed',
  topUp: 'Topped up',
  treatment: 'Medicine',
  molts: 'Molts',
  failedMolt: 'Molt trouble',
  limbLoss: 'Limbs lost',
  shell: 'Shells',
  berried: 'Berried',
  eggMass: 'Egg masses',
  clutch: 'Clutch',
  young: 'Young seen',
  larvae: 'Larvae',
  mating: 'Mating',
  dull: 'Dull ones seen',
  feeding: 'Fed',
  supplement: 'Leaves or calcium',
  equipment: 'Equipment',
  growth: 'Biofilm and algae',
  pest: 'Pests',
  visit: 'Looked at',
  dueMark: 'Put off',
  note: 'Note',
  photo: 'Photo',
  withdrawal: 'Taken back',
}
export const originWord = { bought: 'bought', given: 'a gift', ownRoom: 'from this room', found: 'found' } as const
export const outletWord = { sold: 'sold', given: 'given away', fed: 'fed', moved: 'moved', culled: 'culled' } as const
export const deathSignWord = {
  unknown: 'no sign',
  failedMolt: 'failed molt',
  jump: 'climbed or jumped out',
  old: 'old',
  eaten: 'eaten',
} as const
export const headsWord = {
  females: 'females',
  males: 'males',
  unsexed: 'grown, not sexed',
  halfGrown: 'half-grown',
  young: 'young',
} as const
export const glassKindWord = { tank: 'tank', jar: 'jar', tub: 'tub', paludarium: 'paludarium' } as const
export const rackKindWord = { rack: 'Rack', windowsill: 'Windowsill', floor: 'Floor' } as const
export const schoolKindWord = {
  temperature: 'Temperature',
  hardness: 'Hardness',
  waterChange: 'Water changes',
  feeding: 'Feeding',
  clutches: 'Clutches',
  fish: 'Fish',
  start: 'Start',
} as const

/** Where a figure comes from, in plain words. */
export function basisText(basis: Basis): string {
  switch (basis.kind) {
    case 'published':
      return basis.source
    case 'commonPractice':
      return 'common practice, no published source'
    case 'memory':
      return 'default from memory: change it if you know better'
    case 'keeper':
      return 'set by you'
    case 'log':
      return 'computed from your log'
  }
}
