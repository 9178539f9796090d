/** A line of its own for each size of a nest, so that they are told apart in black and white; after ten, the same ones thicker. */
const DASHES = ['2 3', '6 3', '9 3 2 3', '12 3 2 3 2 3', '14 5', '4 2 4 6', '1 4', '18 4', '8 2 2 2', '3 6']

/** Widths of the lines, px: the base size is drawn whole and thickest. */
const THIN = 1.1
const STEP = 0.7

/** The line of a size by its place in the nest. */
export const lineOfSize = (index: number, isBase: boolean): { dash: string | undefined; width: number } =>
  isBase
    ? { dash: undefined, width: 2 }
    : { dash: DASHES[index % DASHES.length], width: THIN + STEP * (Math.floor(index / DASHES.length) % 3) }
