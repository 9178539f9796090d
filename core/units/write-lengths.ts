import { SAME_PARAMETER } from '../tolerances'
import { formatDifference } from './format-difference'
import { formatLength } from './format-length'
import { markMm, type Ruler } from './ruler'

/** A length inside a sentence of core, to be shown in the reader's units: `{mm 34.925}`. */
export const lengthToken = (mm: number): string => `{mm ${mm}}`

/** A largest length inside a sentence of core: written rounded toward nothing, so that what is read and typed still works. */
export const limitToken = (mm: number): string => `{most ${mm}}`

/** How far two lengths that stand in the same sentence differ, without a sign: what is written adds up. */
export const differenceToken = (aMm: number, bMm: number): string => `{between ${Math.max(aMm, bMm)} ${Math.min(aMm, bMm)}}`

/**
 * Puts the reader's units into a sentence that core made.
 * @example writeLengths(`at most ${lengthToken(34.925)}`, 'in') // "at most 1 3/8 in"
 */
export function writeLengths(sentence: string, ruler: Ruler): string {
  return sentence
    .replace(/\{mm (-?[\d.e+-]+)\}/g, (_, mm: string) => formatLength(Number(mm), ruler))
    .replace(/\{between (-?[\d.e+-]+) (-?[\d.e+-]+)\}/g, (_, a: string, b: string) => formatDifference(Number(a), Number(b), ruler))
    .replace(/\{most (-?[\d.e+-]+)\}/g, (_, mm: string) => formatLength(towardNothing(Number(mm), markMm(ruler)), ruler))
}

/** The last mark of a ruler before a length. */
const towardNothing = (mm: number, stepMm: number): number => Math.sign(mm) * Math.floor(Math.abs(mm) / stepMm + SAME_PARAMETER) * stepMm
