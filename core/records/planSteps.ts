/**
 * The steps of setting a glass up, in the order in which they are done; which of them a plan has follows from its
 * groups.
 */
export const planStepIds = [
  'legal',
  'place',
  'substrate',
  'carbonate',
  'equipment',
  'fill',
  'start',
  'firstTest',
  'midTest',
  'grown',
  'readyTest',
  'settle',
  'warm',
  'firstCount',
] as const
