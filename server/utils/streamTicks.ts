import type { H3Event } from 'h3'

/**
 * Streams server-sent events: one message now and one every so often until the page goes away.
 * @param make makes a message from the seconds since the stream began
 */
export function streamTicks(event: H3Event, everyMs: number, make: (seconds: number) => unknown) {
  const stream = createEventStream(event)
  const began = Date.now()
  const tick = () => void stream.push(JSON.stringify(make((Date.now() - began) / 1000)))
  const timer = setInterval(tick, everyMs)
  stream.onClosed(async () => {
    clearInterval(timer)
    await stream.close()
  })
  // the first message goes out once the stream is being sent
  setTimeout(tick, 0)
  return stream.send()
}
