import type { Picture } from '#core/counting'
import { openPicture } from './openPicture'

/** Longest edge of a picture to count in: enough for a hatchling, few enough pixels to look at quickly. */
const EDGE_PX = 1280
/** Longest edge of a picture of one animal whose colour is measured. */
export const METER_EDGE_PX = 420

export type PictureRead = { ok: true; picture: Picture } | { ok: false; problem: string }

/** A picture file as pixels, upright and scaled down. Nothing of it is kept but the marks. */
export async function readPicture(file: File, edgePx = EDGE_PX): Promise<PictureRead> {
  const opened = await openPicture(file)
  if (!opened.ok) return opened
  const { bitmap } = opened
  const scale = Math.min(1, edgePx / Math.max(bitmap.width, bitmap.height))
  const canvas = new OffscreenCanvas(
    Math.max(16, Math.round(bitmap.width * scale)),
    Math.max(16, Math.round(bitmap.height * scale)),
  )
  const context = canvas.getContext('2d')!
  context.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  const { data, width, height } = context.getImageData(0, 0, canvas.width, canvas.height)
  return { ok: true, picture: { width, height, data: new Uint8ClampedArray(data) } }
}
