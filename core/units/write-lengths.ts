import { SAME_PARAMETER } from '../tolerances'
import { formatLength } from './format-length'
import { rulerStepMm } from './round-to-ruler'
import type { UnitSystem } from './types'

/** A length inside a sentence of core, to be shown in the reader's units: `{mm 34.925}`. */
export const lengthToken = (mm: number): string => `{mm ${mm}}`

/** A largest length inside a sentence of core: written rounded toward nothing, so that what is read and typed still works. */
export const limitToken = (mm: number): string => `{most ${mm}}`

/**
 * Puts the reader's units into a sentence that core made.
 * @example writeLengths(`at most ${lengthToken(34.925)}`, 'in') // "at most 1 3/8 in"
 */
export function writeLengths(sentence: string, system: UnitSystem): string {
  return sentence
    .replace(/\{mm (-?[\d.e+-]+)\}/g, (_, mm: string) => formatLength(Number(mm), system, { fraction: 16 }))
    .replace(/\{most (-?[\d.e+-]+)\}/g, (_, mm: string) =>
      formatLength(towardNothing(Number(mm), rulerStepMm(system, true)), system, { fraction: 16 }),
    )
}

/** The last mark of a ruler before a length. */
const towardNothing = (mm: number, stepMm: number): number => Math.sign(mm) * Math.floor(Math.abs(mm) / stepMm + SAME_PARAMETER) * stepMm
