import { Label } from '#core/records'

/**
 * Sentence for a name that cannot be kept; empty when it can.
 * @param ask what to say where there is none
 */
export function nameIssue(name: string, ask: string): string {
  if (name.trim() === '') return ask
  const read = Label.safeParse(name)
  return read.success ? '' : `The name ${read.error.issues[0]!.message}.`
}
