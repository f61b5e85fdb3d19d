import { type EntryOf, toMoment } from '#core/records'
import { newId } from '~/data/newId'
import { readPhoto } from '~/files/readPhoto'

/** What a photo may say beside what it shows. */
interface PhotoMore {
  text?: string
  meter?: EntryOf<'photo'>['meter']
  then?: (photoId: string) => unknown
}

/** Keeps a photo with its line in the log. */
export function usePhotos() {
  const log = useLogStore()
  /**
   * @param more a remark, and what is done with the id of the photo that was kept
   * @returns empty when it is kept, a sentence when the file is no picture, null when saving failed (that is told
   * already)
   */
  async function keep(
    file: File,
    subject: { colonyId: string; animalIds?: string[] } | { glassId: string },
    words: string,
    { text = '', meter, then = () => undefined }: PhotoMore = {},
  ): Promise<string | null> {
    const read = await readPhoto(file)
    if (!read.ok) return read.problem
    const now = toMoment(Date.now())
    const photo = { id: newId(), takenAt: now, widthPx: read.widthPx, heightPx: read.heightPx, jpeg: read.jpeg }
    const saved = await log.saveAll(
      [
        {
          ...log.stamp(),
          at: now,
          kind: 'photo',
          photoId: photo.id,
          ...subject,
          ...(text && { text: text.slice(0, 2000) }),
          ...(meter && { meter }),
        },
      ],
      words,
      [photo],
    )
    if (saved) await then(photo.id)
    return saved ? '' : null
  }
  return { keep }
}
