/** What a tip hangs on, and its words. */
export interface Tip {
  at: HTMLElement
  words: string
}

/** The mouse rests so long on a thing before its tip comes. */
const RESTS_MS = 350

/**
 * The tip of what the mouse or the keys rest on. A thing has a tip by `data-tip`; with an empty one it shows its own
 * words, where they are cut. A finger gets none: what it needs to know stands on the page.
 * @example <p class="name" data-tip>{{ colony.name }}</p>
 */
export function useTip() {
  const tip = shallowRef<Tip | null>(null)
  const { start, stop } = useTimeoutFn((on: HTMLElement) => (tip.value = tipOf(on)), RESTS_MS, { immediate: false })
  let on: HTMLElement | null = null
  function rest(target: EventTarget | null) {
    const next = target instanceof Element ? target.closest<HTMLElement>('[data-tip]') : null
    if (next === on) return
    on = next
    stop()
    tip.value = null
    if (next) start(next)
  }
  useEventListener('pointerover', e => rest(e.pointerType === 'touch' ? null : e.target))
  // a finger gives focus too, and does not show it
  useEventListener('focusin', e =>
    rest(e.target instanceof Element && e.target.matches(':focus-visible') ? e.target : null),
  )
  // whoever presses something has read it, and what it hangs on may be gone in a moment; told first of all, because
  // what is pressed may move the focus at once
  useEventListener(['keydown', 'pointerdown'], () => rest(null), { capture: true })
  return tip
}

function tipOf(at: HTMLElement): Tip | null {
  const cut = at.scrollWidth > at.clientWidth
  const words = at.dataset.tip || (cut ? (at.textContent?.trim() ?? '') : '')
  return words === '' ? null : { at, words }
}
