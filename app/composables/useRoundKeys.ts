import type { DueKind } from '#core/care'
import type { RoundDesk } from './useRoundDesk'

/** The letter of each kind of work on a round. */
export const touchKey: Partial<Record<DueKind, string>> = {
  feed: 'f',
  powder: 'p',
  waterChange: 'w',
  doseChange: 'w',
  topUp: 't',
  equipment: 'e',
  greens: 'g',
  leaves: 'v',
  calcium: 'c',
  mend: 'x',
  clutch: 'k',
}
const outcomeOfKey: Readonly<Record<string, 'minutes' | 'hour' | 'leftOver'>> = {
  m: 'minutes',
  h: 'hour',
  o: 'leftOver',
}

/** The keys of the round: Enter saves and goes on, letters do what stands on the buttons. */
export function useRoundKeys(desk: RoundDesk) {
  const sheets = useSheets()
  const commands: Readonly<Record<string, () => void>> = {
    a: desk.allDone,
    s: () => void desk.pass(),
    u: () => void desk.undo(),
    n: () => document.querySelector<HTMLElement>('[data-round-note]')?.click(),
  }
  /** What a letter does at this glass. */
  function commandOf(key: string): (() => void) | undefined {
    const touched = desk.touches.value.filter(d => touchKey[d.item.kind] === key)
    if (touched.length > 0) return () => touched.forEach(desk.toggle)
    const outcome = outcomeOfKey[key]
    if (outcome && desk.fed.value) return () => desk.edit({ eaten: desk.draft.value.eaten === outcome ? '' : outcome })
    return commands[key]
  }
  /** Whether the keys are the round's: not a sheet's, a text field's, or the browser's. */
  function isMine(event: KeyboardEvent, target: HTMLElement): boolean {
    if (event.ctrlKey || event.metaKey || event.altKey || event.isComposing || sheets.anyOpen.value) return false
    const inNumber = target.matches('[data-round-counter], .water input')
    return inNumber || !target.closest('textarea, select, input, [contenteditable]')
  }
  useEventListener(
    'keydown',
    event => {
      const target = event.target instanceof HTMLElement ? event.target : document.body
      if (!isMine(event, target) || event.repeat) return
      if (event.key === 'Enter') {
        if (target.closest('button, a, summary')) return
        event.preventDefault()
        void desk.saveAndGoOn()
        return
      }
      const command = commandOf(event.key.toLowerCase())
      if (!command) return
      event.preventDefault()
      // “u” here takes the glass back; the one that works everywhere must not take back more
      event.stopImmediatePropagation()
      command()
    },
    { capture: true },
  )
}
