/** What two strips lose where they are joined, mm. */
const JOIN_MM = 10

/** A strip to be sewn along an edge, cut on the bias of a cloth. */
export interface BiasStrips {
  /** How long it must be in all, joined, mm. */
  lengthMm: number
  /** The longest single strip that the cloth gives, mm: slantwise over its whole width. */
  longestMm: number
  strips: number
  joins: number
}

/**
 * Strips on the bias for an edge (craft 6.13): as long as the edge less a few parts in a hundred, so that the edge is held in; from
 * as many slanting strips as the width of the cloth asks for.
 *
 * @param edgeMm length of the edge, mm
 * @param shorterPct how much shorter the strip is, parts in a hundred of the edge
 * @param clothMm usable width of the cloth, mm
 * @example biasStrips(1000, 3, 1400) // { lengthMm: 970, longestMm: 1979.9, strips: 1, joins: 0 }
 */
export function biasStrips(edgeMm: number, shorterPct: number, clothMm: number): BiasStrips {
  const lengthMm = edgeMm * (1 - shorterPct / 100)
  const longestMm = clothMm * Math.SQRT2
  // Every strip after the first gives what a join takes less.
  const more = Math.max(0, Math.ceil((lengthMm - longestMm) / (longestMm - JOIN_MM)))
  return { lengthMm, longestMm, strips: 1 + more, joins: more }
}
