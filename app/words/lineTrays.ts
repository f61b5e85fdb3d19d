import type { TrayKind } from '#core/records'
import type { Variety } from '#core/lines'
import { whole } from './numbers'

export const trayWord: Readonly<Record<TrayKind, string>> = {
  breed: 'breed',
  hold: 'hold',
  offer: 'offer',
  part: 'part',
}

/** "Breed 24: 17 females, 7 males" */
export function breedTitle({ females, males }: Pick<Variety, 'females' | 'males'>): string {
  if (females + males === 0) return 'Nobody in the breeding tray'
  const many = (n: number, one: string, more: string) => `${whole(n)} ${n === 1 ? one : more}`
  return `Breed ${whole(females + males)}: ${many(females, 'female', 'females')}, ${many(males, 'male', 'males')}`
}

/** When a number is back. */
export function backText(weeks: number | null | undefined): string {
  if (weeks === undefined) return '…'
  if (weeks === null) return 'not within two years'
  if (weeks <= 0) return 'at once'
  return weeks < 1.5 ? 'in a week' : `in ${whole(weeks)} weeks`
}
