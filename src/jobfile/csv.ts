import Papa from 'papaparse'

/**
 * A formula that a spreadsheet would run: at the start of a cell or of a line in it, after blanks too. A cell that begins
 * with the mark itself is marked as well, so that it comes back as it was.
 */
const FORMULA = /^'|(^|[\r\n])[\s\uFEFF]*[=+\-@]/

/** A table as CSV for a spreadsheet: a cell that it would run begins with a mark that keeps it text. */
export const csvOf = (
  head: readonly string[],
  rows: readonly object[] | readonly (readonly unknown[])[],
): string =>
  `${Papa.unparse({ fields: [...head], data: [...rows] }, { newline: '\r\n', escapeFormulae: FORMULA })}\r\n`

/** A cell as it was before it got that mark. */
export const cellOf = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell
