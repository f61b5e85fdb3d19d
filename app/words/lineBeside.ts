import type { Beside } from '#core/lines'
import { LEARNT_AT_LEAST } from '#core/lines'
import { signedRungs } from './lines'
import { num } from './numbers'

type Told = Pick<Beside, 'perRung' | 'learnt' | 'meanRungs'>

/** What breeding for the main trait does to another one. */
export function besideText({ perRung, learnt, meanRungs }: Told, main: string, trait: string): string {
  const graded = meanRungs.filter(m => m !== null).length
  const [first, other] = [main.toLowerCase(), trait.toLowerCase()]
  if (!perRung)
    return graded === 0
      ? `Nobody graded ${other} yet: grade two generations, and this says what better ${first} does to it.`
      : `What better ${first} does to ${other} takes two graded generations; so far there is one.`
  const range = `${num(signedRungs(perRung.low))} to ${num(signedRungs(perRung.high))}`
  if (learnt < LEARNT_AT_LEAST)
    return `What better ${first} does to ${other} the grades cannot tell yet (${range} of a rung for each rung).`
  const each = `${num(signedRungs(perRung.value))} of a rung for each rung of ${first} (likely ${range})`
  if (perRung.high < 0) return `Better ${first} costs ${other}: ${each}.`
  if (perRung.low > 0) return `Better ${first} takes ${other} with it: ${each}.`
  return `Better ${first} and ${other} go their own ways, as far as the grades tell: ${each}.`
}
