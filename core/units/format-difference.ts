import { formatLength, type FormatOptions } from './format-length'
import { differenceOnRuler, formatFigure, type Ruler } from './ruler'

/**
 * Writes the difference of two lengths that stand beside it, so that the three add up: what one gets by subtracting the
 * figures as they are shown. A difference too small for the ruler is written in tenths of a millimetre, never as nothing.
 * @example formatDifference(101.5, 100, 'in') // both read 3 15/16 in or 4 in: "1/16 in"
 * @example formatDifference(100.3, 100, 'in') // both read 3 15/16 in: "0.3 mm"
 */
export function formatDifference(afterMm: number, beforeMm: number, ruler: Ruler, options: FormatOptions = {}): string {
  const shown = differenceOnRuler(afterMm, beforeMm, ruler)
  const exact = afterMm - beforeMm
  const tenths = Math.round(Math.abs(exact) * 10)
  if (shown !== 0 || tenths === 0) return formatLength(shown, ruler, options)
  return `${exact < 0 ? '−' : options.signed ? '+' : ''}${formatFigure(tenths / 10, 1, ruler)} mm`
}
