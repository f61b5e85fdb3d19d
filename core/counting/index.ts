export { type Blob, type BlobSettings, findBlobs, type BlobsFound } from './blobs'
export { type HitRate, hitRateOf, scoreMarks } from './hitRate'
export { halfLength, type Picture, type PictureStage, type TankPicture, tankPicture, type TankScene } from './tankPicture'
