/** A line of its own for each size of a nest, so that they are told apart in black and white. */
const DASHES = ['2 3', '6 3', '9 3 2 3', '12 3 2 3 2 3', '14 5', '4 2 4 6', '1 4', '18 4', '8 2 2 2', '3 6']

/** The dashes of a size by its place in the nest; the base size is drawn whole. */
export const dashOfSize = (index: number, isBase: boolean): string | undefined => (isBase ? undefined : DASHES[index % DASHES.length])
