import type { LineTold, OutcrossTold, Rotation } from '#core/lines'
import { counted, num, percent } from './numbers'
import { shareRange } from './lines'

/** How the males of boxes go round. */
export const rotationText: Readonly<Record<Rotation, string>> = {
  inTurn: 'go to the next box each time',
  together: 'and females breed in one glass',
  stay: 'stay with their own box',
}

const after = (generations: number) => counted(generations, 'generation', 'generations').toLowerCase()

/** What new blood costs, and when it is made good. */
export function outcrossText(
  { crossed, on, backAfter, caughtUpAfter }: OutcrossTold,
  { best, bestFrom }: Pick<LineTold, 'best' | 'bestFrom'>,
  words: string,
): string {
  const next = crossed[0]!.upFrom[bestFrom]!
  const without = on[0]!.upFrom[bestFrom]!
  const cost =
    `Unrelated males once: ${num(shareRange(next))} of the next are ${words}, ` +
    `where it would be ${num(percent(without.value))} without${best ? ` and is ${num(percent(best.now))} now` : ''}.`
  const back =
    backAfter === null
      ? ` It is not back within ${after(crossed.length)}.`
      : ` It is back where it stands now after ${num(after(backAfter))}`
  const caught =
    backAfter === null
      ? ''
      : caughtUpAfter === null
        ? ', and stays behind the line without it so long.'
        : `, and level with the line without it after ${num(after(caughtUpAfter))}.`
  return `${cost}${back}${caught} Inbreeding of the young begins anew.`
}
