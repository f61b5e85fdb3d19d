/** What a keeper counts at the glass on a round. */
export const roundCounters = ['berried', 'eggMass', 'clutch', 'molts', 'limbLoss', 'dead', 'young'] as const
export type RoundCounter = (typeof roundCounters)[number]
