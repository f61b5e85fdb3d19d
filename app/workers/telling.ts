/**
 * The order in which a room is told: everything roughly and at once where nothing is known, then each colony in full,
 * the one under the keeper's eyes first.
 */

/** So few are told in full at once: a first look would be on the screen for a blink. */
export const FEW = 3

/** What comes in within this time is given together, because each giving makes the page draw. */
const TOGETHER_MS = 100

/** Gives what was made, a few at a time. */
export function gathering<T>(give: (made: T[]) => void, now: () => number = () => performance.now()) {
  let made: T[] = []
  let since = now()
  function flush(): void {
    if (made.length > 0) give(made)
    made = []
    since = now()
  }
  function add(one: T, atOnce = false): void {
    made.push(one)
    if (atOnce || now() - since >= TOGETHER_MS) flush()
  }
  return { add, flush }
}

/**
 * Takes the next out of those that wait: the one under the keeper's eyes, or else the first.
 * @param waiting not empty; changed in place
 */
export function takeNext<T extends { colonyId: string }>(waiting: T[], underEyes: string): T {
  const nth = waiting.findIndex(w => w.colonyId === underEyes)
  return waiting.splice(Math.max(0, nth), 1)[0]!
}
