/**
 * A line of its own for each size of a nest, so that they are told apart in black and white; after twenty, the same ones
 * thicker. All are a pixel wide: finer to look at where many lie close, and a browser draws such lines five times as fast.
 */
const DASHES = [
  ['2 3', '6 3', '9 3 2 3', '12 3 2 3 2 3', '14 5', '4 2 4 6', '1 4', '18 4', '8 2 2 2', '3 6'],
  ['24 3', '2 2 2 6', '16 3 6 3', '10 8', '5 5', '20 3 1 3', '7 2 7 7', '1 2', '12 2 4 2', '14 3 1 3 1 3 1 3'],
].flat()

/** Widths of the lines, px: the base size is drawn whole and thickest. */
const THIN = 1
const STEP = 0.7

/** A size of a nest with the line it is drawn with; width in px. */
export interface SizeLine {
  id: string
  name: string
  line: { dash: string | undefined; width: number }
}

/** The line of a size by its place in the nest. */
export const lineOfSize = (index: number, isBase: boolean): SizeLine['line'] =>
  isBase ? { dash: undefined, width: 2 } : { dash: DASHES[index % DASHES.length], width: THIN + STEP * Math.floor(index / DASHES.length) }
