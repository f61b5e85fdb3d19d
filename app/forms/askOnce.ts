/** Something that can hardly be, as it is asked about. */
export interface Asked {
  /** the same for the same doubt about the same thing */
  key: string
  /** what it is asked by */
  text: string
  /** whether it is refused however often it is saved */
  never: boolean
}

/**
 * Asks about all that is odd in a step, once: a second save of the same step keeps it.
 * @returns a function that gives the question, empty where nothing is odd or where it was asked already
 */
export function askOnce(): (step: readonly Asked[]) => string {
  let asked = ''
  return step => {
    const never = step.find(a => a.never)
    const key = step.map(a => a.key).join(', ')
    const again = key !== '' && key === asked && !never
    asked = again ? '' : key
    return again ? '' : ((never ?? step[0])?.text ?? '')
  }
}
