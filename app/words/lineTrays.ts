import type { TrayKind } from '#core/records'
import type { Variety } from '#core/lines'
import { whole } from './numbers'

const words: Readonly<Record<TrayKind, string>> = { breed: 'breed', hold: 'hold', offer: 'offer', part: 'part' }
/** A tray by name; where animals breed all the time those that are held stay and breed. */
export const trayWord = (kind: TrayKind, rolling: boolean): string =>
  rolling && kind === 'hold' ? 'stay and breed' : words[kind]

export const trayKeysText = (rolling: boolean): string =>
  rolling
    ? 'On a stack the keys H, O and P let it stay, offer and part it.'
    : 'On a stack the keys B, H, O and P send it to breed, hold, offer and part.'

/** "Breed 24: 17 females, 7 males" */
export function breedTitle({ females, males }: Pick<Variety, 'females' | 'males'>, rolling = false): string {
  if (females + males === 0) return rolling ? 'Nobody stays' : 'Nobody in the breeding tray'
  const many = (n: number, one: string, more: string) => `${whole(n)} ${n === 1 ? one : more}`
  const who = `${many(females, 'female', 'females')}, ${many(males, 'male', 'males')}`
  return `${rolling ? 'Stay' : 'Breed'} ${whole(females + males)}: ${who}`
}

/** When a number is back. */
export function backText(weeks: number | null | undefined): string {
  if (weeks === undefined) return '…'
  if (weeks === null) return 'not within two years'
  if (weeks <= 0) return 'at once'
  return weeks < 1.5 ? 'in a week' : `in ${whole(weeks)} weeks`
}
