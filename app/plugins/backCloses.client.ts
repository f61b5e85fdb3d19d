/** The browser tells of Back while the router already leaves: it is one step when both lie so near, ms. */
const ONE_STEP_MS = 200

/** Back closes an open sheet, and leaves the page only where none is open: as a hand on a phone expects. */
export default defineNuxtPlugin(() => {
  const { anyOpen, closeTop } = useSheetStack()
  let backAt = -Infinity
  window.addEventListener('popstate', () => (backAt = performance.now()))
  useRouter().beforeEach(async () => {
    if (!anyOpen()) return true
    // the router hears of it first
    await new Promise(resolve => setTimeout(resolve))
    if (performance.now() - backAt > ONE_STEP_MS) return true
    closeTop()
    return false
  })
})
