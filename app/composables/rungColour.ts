/** Shades from dull to full, like the animals': pale roe to deep rust. Words always stand beside them. */
const DULL = [240, 214, 192]
const FULL = [122, 43, 10]

const shade = (from: readonly number[], to: readonly number[], t: number): string =>
  `rgb(${from.map((d, i) => Math.round(d + (to[i]! - d) * t)).join(' ')})`

/** The shade of a rung of so many, lowest first. */
export const rungColour = (k: number, rungs: number): string => shade(DULL, FULL, rungs > 1 ? k / (rungs - 1) : 1)

/** The same for thin lines, which must be seen on paper. */
export const rungStroke = (k: number, rungs: number): string =>
  shade([190, 140, 104], [122, 43, 10], rungs > 1 ? k / (rungs - 1) : 1)

/** How deep something is tinted that has a limit: a quarter at the limit, half at twice as much and above. */
export const limitTint = (value: number, limit: number): string =>
  `${Math.round(100 * Math.min(0.5, (0.25 * value) / limit))}%`
