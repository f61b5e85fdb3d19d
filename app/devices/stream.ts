import { hasServer } from './hasServer'

/** How a device's stream stands; absent where nothing can send it. */
export type StreamState = 'connecting' | 'live' | 'lost' | 'absent'

/**
 * A device that sends readings until it is let go. A real one can take the place of a stand-in by offering the same.
 */
export interface Device<T> {
  /** what to call it on screen, and whether it is only simulated */
  name: string
  simulated: boolean
  /** @returns lets it go */
  listen: (onReading: (reading: T) => void, onState: (state: StreamState) => void) => () => void
}

/** No word for so long means that the line is dead, whatever the browser thinks of it. */
const SILENCE_MS = 2500
const RETRY_MS = 1500

/**
 * A device behind server-sent events. A line that breaks or falls silent is told as lost and opened again until it
 * answers.
 * @param url address of the stream
 * @param read turns a message into a reading; null drops it
 */
export function eventStream<T>(name: string, url: () => string, read: (message: unknown) => T | null): Device<T> {
  return {
    name,
    simulated: true,
    listen(onReading, onState) {
      // a copy from a plain web host has no server that could play the device
      if (!hasServer()) {
        onState('absent')
        return () => undefined
      }
      let source: EventSource | null = null
      let heard = Date.now()
      let retry: ReturnType<typeof setTimeout> | undefined
      let over = false
      const open = () => {
        source = new EventSource(url())
        heard = Date.now()
        source.onmessage = ({ data }) => {
          const reading = read(JSON.parse(String(data)))
          if (!reading) return
          heard = Date.now()
          onState('live')
          onReading(reading)
        }
        source.onerror = again
      }
      const again = () => {
        if (over) return
        onState('lost')
        source?.close()
        clearTimeout(retry)
        retry = setTimeout(open, RETRY_MS)
        heard = Date.now() + RETRY_MS
      }
      const watch = setInterval(() => {
        if (Date.now() - heard > SILENCE_MS) again()
      }, 500)
      onState('connecting')
      open()
      return () => {
        over = true
        clearInterval(watch)
        clearTimeout(retry)
        source?.close()
      }
    },
  }
}
