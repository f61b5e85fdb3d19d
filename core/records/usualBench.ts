import type { Bench } from './bench'

/** A scale that shows hundredths of a gram and a jug with tenths of a litre: what most keepers have (from memory). */
export const usualBench: Bench = { scaleStepG: 0.01, jugStepL: 0.1, calibrations: {} }
