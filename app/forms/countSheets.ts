import { type CountMethod, Entry, type Heads } from '#core/records'
import { numberIn } from './readNumber'

/** Numbers in a row as they are typed, with commas or spaces between: "12, 9, 5". */
export function readSeries(text: string, least: number): { ok: true; series: number[] } | { ok: false; issue: string } {
  const parts = text.split(/[\s,;+]+/).filter(Boolean)
  const bad = parts.find(p => !/^\d{1,5}$/.test(p))
  if (bad !== undefined)
    return { ok: false, issue: `“${bad.slice(0, 12)}” is no whole number; put commas between the numbers.` }
  if (parts.length < least)
    return {
      ok: false,
      issue: least === 2 ? 'Type two numbers or more, with commas between.' : `Type ${least} numbers or more.`,
    }
  if (parts.length > 20) return { ok: false, issue: 'Twenty numbers at most.' }
  return { ok: true, series: parts.map(Number) }
}

/** Minutes of each pass; empty where all took as long. */
export function readEfforts(
  text: string,
  passes: number,
): { ok: true; efforts?: number[] } | { ok: false; issue: string } {
  if (text.trim() === '') return { ok: true }
  const read = readSeries(text, 2)
  if (!read.ok) return read
  if (read.series.some(m => m < 1 || m > 1000)) return { ok: false, issue: 'Minutes from 1 to 1000.' }
  return read.series.length === passes
    ? { ok: true, efforts: read.series }
    : { ok: false, issue: `${passes} passes want ${passes} times; ${read.series.length} stand here.` }
}

/** A share of the tank as it is typed in per cent. */
export function readShare(text: string): { ok: true; share: number } | { ok: false; issue: string } {
  const value = numberIn(text, { low: 0, high: 100 })
  return value !== null && value > 0
    ? { ok: true, share: value / 100 }
    : { ok: false, issue: 'A share above 0 and at most 100 %.' }
}

/** Catches with marks as they are typed: caught and, of these, with a mark. */
export function readMarks(
  rows: readonly { caught: string; recaptured: string }[],
): { ok: true; marks: { caught: number; recaptured: number }[] } | { ok: false; issue: string } {
  const marks: { caught: number; recaptured: number }[] = []
  let marked = 0
  for (const [i, row] of rows.entries()) {
    if (row.caught.trim() === '' && row.recaptured.trim() === '') continue
    const numbers = [row.caught, row.recaptured.trim() === '' ? '0' : row.recaptured].map(t =>
      /^\s*\d{1,5}\s*$/.test(t) ? Number(t) : null,
    )
    const [caught, recaptured] = numbers
    if (caught === null || caught === undefined || recaptured === null || recaptured === undefined)
      return { ok: false, issue: `Catch ${i + 1}: type whole numbers.` }
    if (recaptured > caught) return { ok: false, issue: `Catch ${i + 1}: more with a mark than were caught.` }
    if (recaptured > marked)
      return { ok: false, issue: `Catch ${i + 1}: more with a mark than had been marked before (${marked}).` }
    marked += caught - recaptured
    marks.push({ caught, recaptured })
  }
  return marks.length < 2
    ? { ok: false, issue: 'It takes two catches: one to mark, one to look for marks.' }
    : { ok: true, marks }
}

/** What a sheet of the Count desk has counted. */
export interface SheetCount {
  method: CountMethod
  number: number
  share?: number
  series?: number[]
  efforts?: number[]
  marks?: { caught: number; recaptured: number }[]
  parts?: Heads
  hitRate?: { share: number; sdLog: number }
}

/** The count as an entry. */
export const countEntry = (
  count: SheetCount,
  stamp: { id: string; at: string; loggedAt: string; keeper?: string },
  colonyId: string,
): Entry => Entry.parse({ ...stamp, kind: 'count', colonyId, ...count })
