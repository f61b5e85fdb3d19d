import type { H3Event } from 'h3'
import type { z } from 'zod'

/**
 * Reads the query of a request.
 * @throws a 400 with one plain sentence that names the field and what is wrong with it
 */
export function checkQuery<S extends z.ZodType>(event: H3Event, schema: S): z.output<S> {
  const result = schema.safeParse(getQuery(event))
  if (result.success) return result.data
  const first = result.error.issues[0]!
  const field = first.path.join('.')
  throw createError({
    statusCode: 400,
    statusMessage: 'Bad Request',
    message: field ? `The query field "${field}" ${first.message}.` : `The query ${first.message}.`,
  })
}
