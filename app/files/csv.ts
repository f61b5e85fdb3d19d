import Papa from 'papaparse'

/** Rows as CSV with a head. A cell that a spreadsheet would read as a formula gets an apostrophe before it. */
export function csvOf(head: readonly string[], rows: readonly (readonly (string | number)[])[]): string {
  const data = { fields: [...head], data: rows.map(r => [...r]) }
  const text = Papa.unparse(data, { escapeFormulae: true, newline: '\r\n' })
  // the mark before it tells spreadsheets that this is UTF-8
  return `\uFEFF${text}\r\n`
}
