/** What closes each sheet that is open, the topmost last. */
const closers: (() => void)[] = []

/** Sheets as the browser's Back sees them: it closes the topmost before it leaves the page. */
export function useSheetStack() {
  /** Registers a sheet while it is open. */
  function stack(open: Ref<boolean>) {
    const close = () => (open.value = false)
    const leave = () => {
      const at = closers.lastIndexOf(close)
      if (at >= 0) closers.splice(at, 1)
    }
    watch(open, now => (now ? void closers.push(close) : leave()), { immediate: true })
    onScopeDispose(leave)
  }
  const anyOpen = () => closers.length > 0
  const closeTop = () => closers.at(-1)?.()
  return { stack, anyOpen, closeTop }
}
