import { z } from 'zod'
import { Id, Moment } from './id'
import { PHOTO_EDGE_PX, PHOTO_MOST_BYTES } from './limits'

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
