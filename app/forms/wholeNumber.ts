/** Reads a field that must hold a whole number; a wrong text gives the sentence for under the field. */
export function wholeNumber(text: string, least: number): { ok: true; value: number } | { ok: false; issue: string } {
  const trimmed = text.trim()
  if (trimmed === '') return { ok: false, issue: 'Type a number.' }
  if (!/^\d{1,9}$/.test(trimmed)) return { ok: false, issue: `“${trimmed.slice(0, 20)}” is no whole number.` }
  const value = Number(trimmed)
  if (value < least) return { ok: false, issue: `It must be ${least} or more.` }
  if (value > 100_000) return { ok: false, issue: 'It must be 100 000 at most.' }
  return { ok: true, value }
}
