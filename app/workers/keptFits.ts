import type { FittedColony } from '#core/population'

/** What kept fits may take in one worker: about eighty colonies of 1 200 particles. */
export const KEPT_FITS_BYTES = 64 * 1024 * 1024

/**
 * Fits by colony, as many as fit into some memory: the ones that were longest unused go first. One that alone is larger
 * is kept until the next one comes.
 */
export function keptFits(mostBytes: number) {
  const fits = new Map<string, { fit: FittedColony; bytes: number }>()
  let bytes = 0
  function drop(colonyId: string) {
    bytes -= fits.get(colonyId)?.bytes ?? 0
    fits.delete(colonyId)
  }
  /** The fit of a colony, where it is still kept. */
  function get(colonyId: string): FittedColony | undefined {
    const found = fits.get(colonyId)
    if (!found) return undefined
    // used last: to the end of the row
    fits.delete(colonyId)
    fits.set(colonyId, found)
    return found.fit
  }
  function keep(colonyId: string, fit: FittedColony): void {
    drop(colonyId)
    const kept = { fit, bytes: fit.bytes() }
    fits.set(colonyId, kept)
    bytes += kept.bytes
    for (const oldest of fits.keys()) {
      if (bytes <= mostBytes || oldest === colonyId) break
      drop(oldest)
    }
  }
  return { get, keep }
}
