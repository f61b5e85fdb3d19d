import { LABEL_MOST } from '#core/records'

/**
 * Sentence for a name that cannot be kept; empty when it can.
 * @param ask what to say where there is none
 */
export function nameIssue(name: string, ask: string): string {
  if (name.trim() === '') return ask
  return name.trim().length > LABEL_MOST ? `The name must have ${LABEL_MOST} letters at most.` : ''
}
