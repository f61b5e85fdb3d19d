/** Letters of a name at most. */
export const LABEL_MOST = 60

/** Litres that a glass, a change or a top-up can have: what a file may hold is what a form may hold. */
export const MIN_LITRES = 0.05
export const MAX_LITRES = 5000
