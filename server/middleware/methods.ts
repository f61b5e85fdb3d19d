/** Everything here is read: methods other than GET and HEAD are refused in one sentence. */
export default defineEventHandler(event => {
  const { method } = event.node.req
  if (method === 'GET' || method === 'HEAD') return
  setResponseHeader(event, 'allow', 'GET, HEAD')
  throw createError({
    statusCode: 405,
    statusMessage: 'Method Not Allowed',
    message: `Only GET and HEAD are answered here, not ${method}.`,
  })
})
