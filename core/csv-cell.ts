const FORMULA = /^'*[=+\-@\t\r]/

/**
 * A word as it is written into a cell of a table. Programs that show tables run a cell that begins with one of = + - @ as a
 * formula; such a word gets a mark before it, as those programs write it themselves.
 *
 * @example toCell('=SUM(A1)') // “'=SUM(A1)”
 */
export const toCell = (words: string): string => (FORMULA.test(words) ? `'${words}` : words)

/** The word that `toCell` has written. */
export const fromCell = (cell: string): string => (cell.startsWith("'") && FORMULA.test(cell) ? cell.slice(1) : cell)
