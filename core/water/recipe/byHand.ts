/**
 * A blend in which one source was set by hand: the others make room for it, or fill up, in their proportions.
 * @param litres of every source by id
 * @param id the source that was set
 * @param wanted its litres; more than the bucket holds is taken as all of it
 * @param totalL litres of the bucket
 * @returns litres by id that add up to the bucket, unless there is no other source to fill it with
 */
export function setByHand(
  litres: Readonly<Record<string, number>>,
  id: string,
  wanted: number,
  totalL: number,
): Record<string, number> {
  const own = Math.min(totalL, Math.max(0, wanted))
  const rest = totalL - own
  const others = Object.keys(litres).filter(other => other !== id)
  const sum = others.reduce((s, other) => s + litres[other]!, 0)
  const out: Record<string, number> = { [id]: own }
  others.forEach((other, i) => {
    const share = sum > 0 ? litres[other]! / sum : i === 0 ? 1 : 0
    if (share > 0 && rest > 0) out[other] = rest * share
  })
  return out
}
