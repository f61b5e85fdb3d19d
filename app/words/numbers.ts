import { formatNumber } from '#core/units'

/** Marks a numeral inside a sentence, for the numeral face; see `Sentence.vue`. */
export const num = (text: string | number): string => `⟦${text}⟧`

/** The sentence without its marks, for labels and tests. */
export const plain = (sentence: string): string => sentence.replace(/[⟦⟧]/g, '')

/** Splits a marked sentence into plain and numeral parts. */
export function partsOf(sentence: string): { text: string; numeral: boolean }[] {
  return sentence
    .split(/(⟦[^⟧]*⟧)/)
    .filter(Boolean)
    .map(t => (t.startsWith('⟦') ? { text: t.slice(1, -1), numeral: true } : { text: t, numeral: false }))
}

/** A whole number with thin spaces. */
export const whole = (n: number): string => formatNumber(Math.round(n), 0)

/** A number of animals no more exact than its range: two figures when the range is wide. */
export function roundedTo(n: number, low: number, high: number): string {
  if (n < 20 || high - low < 0.1 * n) return whole(n)
  const step = 10 ** Math.max(0, Math.floor(Math.log10(n)) - 1) * (high - low > 0.5 * n && n >= 100 ? 1 : 0) || 1
  return whole(Math.round(n / step) * step)
}

/** "≈ 340" when the range is wide, "412" when it is narrow: the number inside a glass. */
export function glassNumber(n: number, low: number, high: number): string {
  const rough = Math.round(high) - Math.round(low) > 0.5 * n && n >= 3
  return `${rough ? '≈ ' : ''}${roundedTo(n, low, high)}`
}

/** A share as per cent: "3 %", "0.4 %". */
export function percent(share: number): string {
  const p = Math.abs(share) * 100
  return `${formatNumber(p, p > 0 && p < 0.95 ? 1 : 0)} %`
}

/** The same with its sign: "+4 %", "−0.4 %". */
export const signedPercent = (share: number): string => `${share > 0 ? '+' : share < 0 ? '−' : ''}${percent(share)}`

/** "one glass", "five glasses", "12 glasses". */
export function counted(n: number, one: string, many: string): string {
  const names = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten']
  return `${names[n] ?? n} ${n === 1 ? one : many}`
}

/** A mass as a scale shows it, without zeros that say nothing: "4.1", "12.37", "0.052". */
export function gramsText(grams: number): string {
  const most = grams < 0.1 ? 3 : grams < 100 ? 2 : 0
  const decimals = [0, 1, 2].find(d => d < most && Math.abs(grams - Number(grams.toFixed(d))) < 0.5 * 10 ** -most)
  return formatNumber(grams, decimals ?? most)
}
