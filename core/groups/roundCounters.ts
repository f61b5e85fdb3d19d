/** What a keeper counts at the glass on a round; dull ones of a line that is graded. */
export const roundCounters = ['berried', 'eggMass', 'clutch', 'molts', 'limbLoss', 'dead', 'young', 'dull'] as const
export type RoundCounter = (typeof roundCounters)[number]
