export { type Blob, type BlobSettings, findBlobs, type BlobsFound } from './blobs'
export { foundShare, type HitRate, hitRateOf, scoreMarks } from './hitRate'
export { densityOf, type FrameCount, type FramesCount, joinFrames, PRACTICE_DM2, tallyMarks } from './photoCount'
export {
  halfLength,
  type Picture,
  type PictureStage,
  type TankPicture,
  tankPicture,
  type TankScene,
} from './tankPicture'
