import Papa from 'papaparse'

/** Rows as CSV with a head. A cell that a spreadsheet would read as a formula gets an apostrophe before it. */
export const csvOf = (head: readonly string[], rows: readonly (readonly (string | number)[])[]): string =>
  `\uFEFF${Papa.unparse({ fields: [...head], data: rows.map(r => [...r]) }, { escapeFormulae: true, newline: '\r\n' })}\r\n`
