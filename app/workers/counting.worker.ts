import { expose, transfer } from 'comlink'
import {
  type BlobSettings,
  type BlobsFound,
  findBlobs,
  type Picture,
  type TankPicture,
  tankPicture,
  type TankScene,
} from '#core/counting'

/** Suggests animals in a picture. */
const suggest = (picture: Picture, settings: BlobSettings): BlobsFound => findBlobs(picture, settings)
/** A picture of the stand-in camera. */
function scene(asked: TankScene): TankPicture {
  const made = tankPicture(asked)
  return transfer(made, [made.data.buffer])
}
const api = { suggest, scene }
export type CountingApi = typeof api
expose(api)
