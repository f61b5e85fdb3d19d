/** A column of a table: what it shows is the row's member of that name, unless a slot of that name says more. */
export interface DataColumn {
  key: string
  title: string
  /** A name stands out, a number lines up on the right, a figure is set in the numeral face; else it is plain text. */
  as?: 'name' | 'number' | 'figure' | 'quiet'
  /** CSS width, where the content should not decide */
  width?: string
}
