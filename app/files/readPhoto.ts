import { openPicture } from './openPicture'
import { PHOTO_EDGE_PX, PHOTO_MOST_BYTES } from '#core/records'

export type PhotoRead = { ok: true; jpeg: string; widthPx: number; heightPx: number } | { ok: false; problem: string }

/** A picture file as a small JPEG: scaled down, turned upright, without the place and camera that files carry. */
export async function readPhoto(file: File): Promise<PhotoRead> {
  const opened = await openPicture(file)
  if (!opened.ok) return opened
  const picture = opened.bitmap
  const scale = Math.min(1, PHOTO_EDGE_PX / Math.max(picture.width, picture.height))
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(picture.width * scale)),
    Math.max(1, Math.round(picture.height * scale)),
  )
  canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height)
  picture.close()
  for (const quality of [0.8, 0.65, 0.5, 0.35]) {
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality })
    if (blob.size <= PHOTO_MOST_BYTES)
      return { ok: true, jpeg: await base64(blob), widthPx: canvas.width, heightPx: canvas.height }
  }
  return {
    ok: false,
    problem: `“${file.name}” cannot be made small enough. Nothing was kept; take it with fewer details.`,
  }
}

const base64 = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(String(reader.result).split(',')[1]!)
    reader.onerror = () => reject(reader.error)
    reader.readAsDataURL(blob)
  })
