import type { Snapshot } from '#core/care'

/** A round as this device remembers it. Which glasses were looked at stands in the log, not here. */
export interface Round {
  id: string
  roomId: string
  startedAt: string
  onlyDue: boolean
  glassId: string
  /** what was said of the colonies before */ before: Record<string, Snapshot>
  endedAt: string
}

/** The round that is kept on this device, of whatever room; null before the first. */
export const useStoredRound = () => useDurable<Round | null>('ulkin.round', null)
