/** An address under /api that does not exist answers in JSON, not with the app's page. */
export default defineEventHandler(event => {
  throw createError({
    statusCode: 404,
    statusMessage: 'Not Found',
    message: `There is no ${event.path.split('?')[0]} here.`,
  })
})
