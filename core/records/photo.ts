import { z } from 'zod'
import { Id, Moment } from './id'

/** Pictures are made this small before they are kept: enough to see a white gap behind a head. */
export const PHOTO_EDGE_PX = 1280
/** Larger pictures are refused, in bytes of JPEG. */
export const PHOTO_MOST_BYTES = 400_000

/** A picture as it is kept on the device and in backups. Never changed once made. */
export const Photo = z.strictObject({
  id: Id,
  takenAt: Moment,
  widthPx: z.int().min(1).max(PHOTO_EDGE_PX),
  heightPx: z.int().min(1).max(PHOTO_EDGE_PX),
  /** JPEG as base64, without a prefix: text cannot be anything but a picture where it is shown */
  jpeg: z.base64('is not a picture').max(Math.ceil(PHOTO_MOST_BYTES / 3) * 4, 'is too large a picture'),
})
export type Photo = z.infer<typeof Photo>
