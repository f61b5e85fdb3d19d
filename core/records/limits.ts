/** Letters of a name at most. */
export const LABEL_MOST = 60

/** Litres that a glass, a change or a top-up can have: what a file may hold is what a form may hold. */
export const MIN_LITRES = 0.05
export const MAX_LITRES = 5000

/** Pictures are made this small before they are kept: enough to see a white gap behind a head. */
export const PHOTO_EDGE_PX = 1280
/** Larger pictures are refused, in bytes of JPEG. */
export const PHOTO_MOST_BYTES = 400_000
