/** Files larger than this are refused unread: no camera of a phone makes them. */
const MOST_FILE_BYTES = 40_000_000

export type PictureOpened = { ok: true; bitmap: ImageBitmap } | { ok: false; problem: string }

/** Opens a picture file, turned upright. Whoever opens it closes the bitmap. */
export async function openPicture(file: File): Promise<PictureOpened> {
  if (file.size > MOST_FILE_BYTES)
    return { ok: false, problem: `“${file.name}” is too large for a photo. Nothing was kept; choose another one.` }
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null)
  return bitmap
    ? { ok: true, bitmap }
    : {
        ok: false,
        problem: `“${file.name}” is no picture that this browser can read. Nothing was kept; choose another one.`,
      }
}
