import { formatFigure, markMm, unitsOf, type Ruler } from './ruler'
import { INCH_MM } from './types'

export interface FormatOptions {
  /** Write a plus sign before growth. */
  signed?: boolean
  /** Leave the unit's name out. */
  bare?: boolean
}

/** Whole inches and a fraction in lowest terms; `numerator` is 0 when there is no fraction. */
interface Inches {
  whole: number
  numerator: number
  denominator: number
}

/** Millimetres of any sign as inches by a fraction; 34.925 by eighths is 1 3/8. */
function toInches(mm: number, fraction: number): Inches {
  const marks = Math.round((Math.abs(mm) / INCH_MM) * fraction)
  let numerator = marks % fraction
  let denominator = fraction
  while (numerator > 0 && numerator % 2 === 0) {
    numerator /= 2
    denominator /= 2
  }
  return { whole: Math.floor(marks / fraction), numerator, denominator }
}

/**
 * Writes a length for people, to the finest mark of their ruler. Rounds only here, never inside.
 * @example formatLength(34.925, 'in') // "1 3/8 in"
 * @example formatLength(34.6, 'cm-halves') // "3.45 cm"
 * @example formatLength(34.6, 'cm-comma') // "3,5 cm"
 */
export function formatLength(mm: number, ruler: Ruler, options: FormatOptions = {}): string {
  const marks = Math.round(Math.abs(mm) / markMm(ruler))
  const sign = marks === 0 ? '' : mm < 0 ? '−' : options.signed ? '+' : ''
  const unit = options.bare ? '' : ` ${unitsOf(ruler)}`
  if (unitsOf(ruler) === 'cm') return `${sign}${formatFigure((marks * markMm(ruler)) / 10, markMm(ruler) < 1 ? 2 : 1, ruler)}${unit}`
  const r = toInches(mm, INCH_MM / markMm(ruler))
  const fraction = r.numerator > 0 ? `${r.numerator}/${r.denominator}` : ''
  const whole = r.whole > 0 || !fraction ? String(r.whole) : ''
  return `${sign}${[whole, fraction].filter(Boolean).join(' ')}${unit}`
}
