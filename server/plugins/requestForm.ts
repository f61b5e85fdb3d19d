/**
 * Brings requests to the form that routes and their headers go by, before anything looks at them:
 * - a target in absolute form (`GET http://host/path`, RFC 9112 §3.2.2) to its path;
 * - HEAD on the programming interface to GET, which it must be answered like: Node sends no body to a HEAD request,
 *   whatever is written.
 */
export default defineNitroPlugin(({ h3App }) => {
  const { handler } = h3App
  h3App.handler = Object.assign((event: Parameters<typeof handler>[0]) => {
    const { req } = event.node
    const absolute = /^https?:\/\/[^/?#]*(.*)$/i.exec(req.url ?? '')
    if (absolute) req.url = absolute[1]?.startsWith('/') ? absolute[1] : `/${absolute[1] ?? ''}`
    if (req.method === 'HEAD' && req.url?.startsWith('/api/')) req.method = 'GET'
    return handler(event)
  }, handler)
})
