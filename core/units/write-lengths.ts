import { formatLength } from './format-length'
import type { UnitSystem } from './types'

/** A length inside a sentence of core, to be shown in the reader's units: `{mm 34.925}`. */
export const lengthToken = (mm: number): string => `{mm ${mm}}`

/**
 * Puts the reader's units into a sentence that core made.
 * @example writeLengths(`at most ${lengthToken(34.925)}`, 'in') // "at most 1 3/8 in"
 */
export function writeLengths(sentence: string, system: UnitSystem): string {
  return sentence.replace(/\{mm (-?[\d.e+-]+)\}/g, (_, mm: string) => formatLength(Number(mm), system, { fraction: 16 }))
}
