import { v7 } from 'uuid'
import type { Id } from '#core/records'

/**
 * A new record id that sorts after the present moment's earlier ones, and after a given id: a correction must sort
 * behind what it supersedes even when that was written by a device whose clock runs ahead.
 * @param after id that the new one must sort behind
 */
export function newId(after?: Id): Id {
  const id = v7()
  if (after === undefined || id > after) return id
  return v7({ msecs: Number.parseInt(after.replaceAll('-', '').slice(0, 12), 16) + 1 })
}

/** The smallest id that can have been made at a moment: version 7 begins with its milliseconds. */
export function firstId(ms: number): string {
  const hex = Math.max(0, Math.floor(ms)).toString(16).padStart(12, '0')
  return `${hex.slice(0, 8)}-${hex.slice(8)}`
}
