import { type Pairings, pairingsOf } from '#core/lines'
import type { Animal } from '#core/records'

/** What is known of how followed animals are related. */
export interface PairingsTold {
  told: Pairings | null
  /** what is wrong with the parents that were written down */
  wrong: string
}

/** Pairs of some followed animals, over all ancestors that were written down. */
export function usePairings(asked: () => readonly Animal[]): Ref<PairingsTold> {
  const room = useRoomStore()
  return computed(() => {
    try {
      return { told: pairingsOf(asked(), room.all.animals), wrong: '' }
    } catch (error) {
      if (!(error instanceof RangeError)) throw error
      return { told: null, wrong: 'An animal is written down as its own ancestor: correct its parents.' }
    }
  })
}
