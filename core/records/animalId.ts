import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import type { Id } from './id'

/** A name as it is compared: how it is spelt at the edges and in capitals makes no other animal. */
export const sameName = (name: string): string => name.trim().normalize('NFC').toLowerCase()

/**
 * The id of an animal, from the colony in which it was first followed and its name there: two devices come to the same
 * record, and an old entry that only holds the name finds it. It begins with the moment of the colony's id, so that it
 * sorts like a version 7 UUID of that moment; the rest is the start of a SHA-256 (FIPS 180-4).
 * @example animalIdOf(colony.id, ' Ash') === animalIdOf(colony.id, 'ash')
 */
export function animalIdOf(colonyId: Id, name: string): Id {
  const hash = bytesToHex(sha256(utf8ToBytes(`${colonyId} ${sameName(name)}`)))
  const variant = '89ab'[Number.parseInt(hash[3]!, 16) % 4]!
  return `${colonyId.slice(0, 13)}-7${hash.slice(0, 3)}-${variant}${hash.slice(4, 7)}-${hash.slice(7, 19)}`
}
