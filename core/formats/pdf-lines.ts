import type { Sheet } from '../paper'

/** Dashes of sizes that are drawn over the one in full, in their order, mm. */
const SIZE_DASHES = [
  [8, 2],
  [5, 1.5, 1, 1.5],
  [2, 1],
  [10, 2, 1, 2, 1, 2],
  [1, 1.2],
  [6, 3],
  [3, 3],
]

/** How the line of a size is dashed, or of another person. */
export const dashOf = (names: readonly string[], name: string): number[] => SIZE_DASHES[names.indexOf(name) % SIZE_DASHES.length]!

/** Names of the sizes or people whose lines are drawn over the one in full. */
export const otherSizes = (sheet: Sheet): string[] => [...new Set(sheet.pieces.flatMap((p) => p.others.map((o) => o.name)))]
