import { INCH_MM, type UnitSystem } from './types'

/**
 * What lengths are written by: a unit with its usual finest mark (1/16 in, 1 mm), or a ruler with another mark, or with figures as
 * many places write them (3,5 cm).
 * Everything that is shown of one garment is shown by one ruler.
 */
export type Ruler = UnitSystem | 'in-eighths' | 'cm-halves' | 'cm-comma' | 'cm-halves-comma'

interface RulerFacts {
  units: UnitSystem
  /** Its finest mark, mm. */
  markMm: number
  /** The mark as people call it. */
  mark: string
  /** What parts whole figures from their decimals. */
  decimal: '.' | ','
}

/** Every ruler, those of one unit side by side. */
export const RULERS: Record<Ruler, RulerFacts> = {
  in: { units: 'in', markMm: INCH_MM / 16, mark: '1/16 in', decimal: '.' },
  'in-eighths': { units: 'in', markMm: INCH_MM / 8, mark: '1/8 in', decimal: '.' },
  cm: { units: 'cm', markMm: 1, mark: '1 mm', decimal: '.' },
  'cm-halves': { units: 'cm', markMm: 0.5, mark: '0.5 mm', decimal: '.' },
  'cm-comma': { units: 'cm', markMm: 1, mark: '1 mm', decimal: ',' },
  'cm-halves-comma': { units: 'cm', markMm: 0.5, mark: '0,5 mm', decimal: ',' },
}

/** The unit that is read and written with a ruler. */
export const unitsOf = (ruler: Ruler): UnitSystem => RULERS[ruler].units

/**
 * A figure with its decimals as they are written beside a ruler’s lengths.
 * @example formatFigure(3.456, 1, 'cm-comma') // "3,5"
 */
export const formatFigure = (value: number, digits: number, ruler: Ruler): string =>
  value.toFixed(digits).replace('.', RULERS[ruler].decimal)

/** The finest mark of a ruler, mm. */
export const markMm = (ruler: Ruler): number => RULERS[ruler].markMm

/**
 * A length as it reads on a ruler, mm: the nearest mark.
 * @example onRuler(9.9, 'in') // 9.525: 3/8 in
 */
export const onRuler = (mm: number, ruler: Ruler): number => Math.round(mm / markMm(ruler)) * markMm(ruler)

/**
 * The difference of two lengths as they read: what a person gets who subtracts the one figure shown from the other.
 * Within one mark of the exact difference.
 */
export const differenceOnRuler = (afterMm: number, beforeMm: number, ruler: Ruler): number =>
  (Math.round(afterMm / markMm(ruler)) - Math.round(beforeMm / markMm(ruler))) * markMm(ruler)
