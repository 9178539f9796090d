import { biasStrips, type BiasStrips } from '../seams'

/** Bias strips for an edge, and what they take of the cloth. */
export interface BiasCut extends BiasStrips {
  /** Length of cloth that is used up, mm: strips lie beside each other at 45 degrees. */
  clothMm: number
}

/**
 * Strips on the bias for an edge, cut from cloth of a width: how many, how often joined, and how much cloth they take (craft 8). A strip
 * of a length lies over its length divided by √2 of the cloth, across and along; each further one beside it takes its width times √2.
 *
 * @param stripMm width of the strip as it is cut, mm
 * @param shorterPct how much shorter than the edge it is, in hundredths
 * @example biasCut(600, 30, 3, 1400).clothMm // 411.5 + 42.4
 */
export function biasCut(edgeMm: number, stripMm: number, shorterPct: number, clothMm: number): BiasCut {
  const strips = biasStrips(edgeMm, shorterPct, clothMm)
  const longest = Math.min(strips.lengthMm, strips.longestMm)
  return { ...strips, clothMm: longest / Math.SQRT2 + strips.strips * stripMm * Math.SQRT2 }
}
