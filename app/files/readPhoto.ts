import { PHOTO_EDGE_PX, PHOTO_MOST_BYTES } from '#core/records'

/** Files larger than this are refused unread: no camera of a phone makes them. */
const MOST_FILE_BYTES = 40_000_000

export type PhotoRead = { ok: true, jpeg: string, widthPx: number, heightPx: number } | { ok: false, problem: string }

/** A picture file as a small JPEG: scaled down, turned upright, without the place and camera that files carry. */
export async function readPhoto(file: File): Promise<PhotoRead> {
  if (file.size > MOST_FILE_BYTES) return { ok: false, problem: `“${file.name}” is too large for a photo. Nothing was kept; choose another one.` }
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null)
  if (!picture) return { ok: false, problem: `“${file.name}” is no picture that this browser can read. Nothing was kept; choose another one.` }
  const scale = Math.min(1, PHOTO_EDGE_PX / Math.max(picture.width, picture.height))
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(picture.width * scale)), Math.max(1, Math.round(picture.height * scale)))
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  for (const quality of [0.8, 0.65, 0.5, 0.35]) {
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality })
    if (blob.size <= PHOTO_MOST_BYTES) return { ok: true, jpeg: await base64(blob), widthPx: canvas.width, heightPx: canvas.height }
  }
  return { ok: false, problem: `“${file.name}” cannot be made small enough. Nothing was kept; take it with fewer details.` }
}

const base64 = (blob: Blob): Promise<string> => new Promise((resolve, reject) => {
  const reader = new FileReader()
  reader.onload = () => resolve(String(reader.result).split(',')[1]!)
  reader.onerror = () => reject(reader.error)
  reader.readAsDataURL(blob)
})
