/**
 * How wide letters of usual type are, as parts of their size (the em): a text's own type is not known. Means of common type with and
 * without serifs.
 */
const WIDTHS: readonly [string, number][] = [
  ["'‘’", 0.22],
  ['ijlt.,:;/·|\\ ', 0.28],
  ['If!()[]{}-', 0.32],
  ['r', 0.36],
  ['"“”', 0.42],
  ['Js', 0.44],
  ['cz', 0.48],
  ['bdghnopqu+=<>~×', 0.56],
  ['FLPSTZ', 0.6],
  ['E', 0.64],
  ['BCRVXY', 0.68],
  ['ADHKNUw&', 0.72],
  ['GOQ@', 0.76],
  ['m½¼¾', 0.8],
  ['M%', 0.88],
  ['W', 0.96],
  ['—…', 1],
]
const OTHER = 0.52

const byLetter = new Map(WIDTHS.flatMap(([letters, wide]) => [...letters].map((letter): [string, number] => [letter, wide])))

/** About how wide a text is in usual type, as a part of its size. */
export const letterWidth = (text: string): number => [...text].reduce((sum, letter) => sum + (byLetter.get(letter) ?? OTHER), 0)

/** How wide a text is in type whose letters are all as wide as each other. */
export const evenWidth = (text: string): number => EVEN * [...text].length
const EVEN = 0.6
