import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import type { Id } from './id'

/** A name as it is compared: how it is spelt at the edges and in capitals makes no other one. */
export const sameName = (name: string): string => name.trim().normalize('NFC').toLowerCase()

/**
 * An id that follows from another one and a name: two devices that name the same thing come to the same record. It
 * begins with the moment of the id that it is derived from, so that it sorts like a version 7 UUID of that moment; the
 * rest is the start of a SHA-256 (FIPS 180-4).
 * @example derivedId(colony.id, ' Ash') === derivedId(colony.id, 'ash')
 */
export function derivedId(of: Id, name: string): Id {
  const hash = bytesToHex(sha256(utf8ToBytes(`${of} ${sameName(name)}`)))
  const variant = '89ab'[Number.parseInt(hash[3]!, 16) % 4]!
  return `${of.slice(0, 13)}-7${hash.slice(0, 3)}-${variant}${hash.slice(4, 7)}-${hash.slice(7, 19)}`
}
