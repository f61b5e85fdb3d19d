/**
 * Lets messages in, so that a newer question can stop this one or be put first. Not by a timer: those wait for some
 * milliseconds each.
 */
export const breathe = (): Promise<void> =>
  new Promise(resolve => {
    const { port1, port2 } = new MessageChannel()
    port1.onmessage = () => {
      port1.close()
      resolve()
    }
    port2.postMessage(null)
  })
