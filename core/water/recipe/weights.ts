import type { Readouts } from '../chemistry/readouts'

/** What is near enough: finer than any kit shows. */
export const nearEnough: Readouts = { ghDh: 0.1, khDh: 0.1, calciumMgL: 2, conductivityUsCm: 5, salinityGKg: 0.2 }

/**
 * What a missed unit costs the solver: a degree of KH weighs a little more than one of GH, because molts hang on both
 * and KH buffers pH.
 */
export const importance: Readouts = { ghDh: 1, khDh: 1.2, calciumMgL: 0.03, conductivityUsCm: 0.008, salinityGKg: 2 }
