import type { Photo } from '#core/records'
import type { StoredPhoto, UlkinDb } from './database'

/** Bytes of a JPEG from the text that files hold. */
export function blobOf(base64: string): Blob {
  const bytes = Uint8Array.from(atob(base64), c => c.charCodeAt(0))
  return new Blob([bytes], { type: 'image/jpeg' })
}

/** Largest piece that is turned into text at once: arguments of a call are limited. */
const PIECE = 0x8000

async function base64Of(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer())
  let text = ''
  for (let i = 0; i < bytes.length; i += PIECE) text += String.fromCharCode(...bytes.subarray(i, i + PIECE))
  return btoa(text)
}

/** Photos as the database holds them. */
export const storedPhotos = (photos: readonly Photo[]): StoredPhoto[] =>
  photos.map(p => ({ ...p, jpeg: blobOf(p.jpeg) }))

/** Photos as files hold them. */
export const filedPhotos = (photos: readonly StoredPhoto[]): Promise<Photo[]> =>
  Promise.all(photos.map(async p => ({ ...p, jpeg: await base64Of(p.jpeg) })))

/** The photos of some entries; those that are missing are left out. */
export const photosOf = async (db: UlkinDb, ids: readonly string[]): Promise<StoredPhoto[]> =>
  (await db.records('photos').bulkGet([...ids])).flatMap(p => p ?? [])
