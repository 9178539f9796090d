import type { UnitSystem } from './types'
import { INCH_MM } from './types'

export interface FormatOptions {
  /** Finest fraction of an inch: 8 or 16. Default 8. Centimetres are always shown to the millimetre. */
  fraction?: 8 | 16
  /** Write a plus sign before growth. */
  signed?: boolean
  /** Leave the unit's name out. */
  bare?: boolean
}

/** A length as a ruler shows it. `numerator` is 0 when there is no fraction. */
export interface RulerReading {
  negative: boolean
  whole: number
  numerator: number
  denominator: number
}

/**
 * Reads millimetres off an inch ruler.
 * @example toRulerReading(34.925) // 1 3/8: { negative: false, whole: 1, numerator: 3, denominator: 8 }
 */
export function toRulerReading(mm: number, fraction: 8 | 16 = 8): RulerReading {
  const marks = Math.round((Math.abs(mm) / INCH_MM) * fraction)
  let numerator = marks % fraction
  let denominator: number = fraction
  while (numerator > 0 && numerator % 2 === 0) {
    numerator /= 2
    denominator /= 2
  }
  return { negative: mm < 0 && marks > 0, whole: Math.floor(marks / fraction), numerator, denominator }
}

/**
 * Writes a length for people: `1 3/8 in` or `3.5 cm`. Rounds only here, never inside.
 * @example formatLength(34.925, 'in') // "1 3/8 in"
 */
export function formatLength(mm: number, system: UnitSystem, options: FormatOptions = {}): string {
  const unit = options.bare ? '' : ` ${system}`
  if (system === 'cm') {
    const tenths = Math.round(Math.abs(mm))
    const sign = tenths === 0 ? '' : mm < 0 ? '−' : options.signed ? '+' : ''
    return `${sign}${(tenths / 10).toFixed(1)}${unit}`
  }
  const r = toRulerReading(mm, options.fraction ?? 8)
  const nothing = r.whole === 0 && r.numerator === 0
  const sign = nothing ? '' : r.negative ? '−' : options.signed ? '+' : ''
  const fraction = r.numerator > 0 ? `${r.numerator}/${r.denominator}` : ''
  const whole = r.whole > 0 || !fraction ? String(r.whole) : ''
  return `${sign}${[whole, fraction].filter(Boolean).join(' ')}${unit}`
}
