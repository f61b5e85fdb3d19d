import type { EndingReason } from '#core/records'

/** Why a colony ended. */
export const colonyEndings = { soldOut: 'Sold out', died: 'Died out', movedOn: 'Given away whole' } as const
/** Why a glass is no longer there. */
export const glassEndings = { emptied: 'Emptied, stands dry', left: 'Left the room' } as const

/** Every ending in words, as it stands in lists. */
export const endingWord: Readonly<Record<EndingReason, string>> = {
  soldOut: 'sold out',
  died: 'died out',
  merged: 'joined to another',
  movedOn: 'given away whole',
  emptied: 'emptied',
  left: 'left the room',
  putAway: 'put away',
  dried: 'let dry',
}
