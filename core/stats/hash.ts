/**
 * A 32-bit number from a text (FNV-1a), for seeds that must follow an id.
 * Not for security. Source: Fowler–Noll–Vo hash, IETF draft-eastlake-fnv.
 * @param text any text
 * @returns an unsigned 32-bit integer
 */
export function hashText(text: string): number {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) {
    hash ^= text.charCodeAt(i)
    hash = Math.imul(hash, 0x01000193)
  }
  return hash >>> 0
}
