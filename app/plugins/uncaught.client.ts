/** Tells of what nobody caught, in one plain sentence; the details stay in the browser's console. */
export default defineNuxtPlugin(nuxt => {
  const tell = () => {
    useTroubleStore().tell(
      'Something in this page went wrong that Ulkin did not expect. What was saved is safe; load the page again ' +
        'if it does not go on.',
    )
  }
  nuxt.vueApp.config.errorHandler = error => {
    tell()
    // for whoever mends it: the sentence above tells nothing of the cause
    reportError(error)
  }
  window.addEventListener('unhandledrejection', tell)
})
