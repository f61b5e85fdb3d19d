/** Elements for which Space and letters mean something of their own. */
const TYPING = 'input:not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable]'
const PRESSED_BY_SPACE = `button, summary, [role=button], [role=tab], input, ${TYPING}`

/**
 * The keys that work everywhere: Space and a letter for places, / finds, ? helps, L logs, U undoes.
 * Nothing is taken from a field that has the focus, nor from a sheet that is open.
 */
export function useKeyboard() {
  const leader = ref(false)
  const places = usePlaces()
  const sheets = useSheets()
  const log = useLogStore()
  const logSheet = useLogSheetStore()
  const atHand = useAtHand()
  let lapse: ReturnType<typeof setTimeout> | undefined

  function endLeader() {
    leader.value = false
    clearTimeout(lapse)
  }

  useEventListener('keydown', event => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.isComposing) return
    const target = event.target instanceof Element ? event.target : document.body
    if (sheets.anyOpen.value || target.closest(TYPING)) return
    if (leader.value) {
      if (event.key === ' ') return event.preventDefault()
      const place = places.value.find(p => p.letter === event.key.toLowerCase())
      endLeader()
      if (place || event.key === 'Escape') event.preventDefault()
      if (place) void navigateTo(place.to)
      return
    }
    if (event.key === ' ' && !target.closest(PRESSED_BY_SPACE)) {
      event.preventDefault()
      leader.value = true
      return
    }
    const action = (
      {
        '/': () => (sheets.finder.value = true),
        '?': () => (sheets.help.value = true),
        l: () => logSheet.show(atHand.value),
        u: () => void log.undo(),
      } as Record<string, () => void>
    )[event.key.toLowerCase()]
    if (!action || event.repeat) return
    event.preventDefault()
    action()
  })
  useEventListener('keyup', event => {
    // the letter may also come after Space was let go
    if (event.key === ' ' && leader.value) lapse = setTimeout(endLeader, 1500)
  })
  useEventListener('blur', endLeader)
  return { leader }
}
