import type { Point } from '../geometry'

/** What of an outline lies in each of its bands across the cloth, from its lowest on: between which two places along it, mm. */
export interface Bands {
  /** Along the cloth, from the outline’s own origin, with half the gap on both sides. */
  from: Float64Array
  to: Float64Array
  /** The least of `from` and the most of `to`. */
  leastMm: number
  mostMm: number
}

/**
 * The bands of a closed polygon, each of a height: hollows along the cloth count as filled, so that nothing that keeps clear of the
 * bands touches the polygon.
 *
 * @param lowMm across the cloth, where the first band begins
 * @param gapMm kept free round the polygon
 */
export function bandsOf(polygon: readonly Point[], lowMm: number, heightMm: number, count: number, gapMm: number): Bands {
  const from = new Float64Array(count).fill(Infinity)
  const to = new Float64Array(count).fill(-Infinity)
  const half = gapMm / 2
  const take = (band: number, x: number) => {
    if (x - half < from[band]!) from[band] = x - half
    if (x + half > to[band]!) to[band] = x + half
  }
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length]!
    const [low, high] = a.y <= b.y ? [a, b] : [b, a]
    const first = Math.max(0, Math.floor((low.y - half - lowMm) / heightMm))
    const last = Math.min(count - 1, Math.floor((high.y + half - lowMm) / heightMm))
    for (let band = first; band <= last; band++) {
      // The part of the chord that lies in the band, or no further from it than half the gap.
      const [y0, y1] = [lowMm + band * heightMm - half, lowMm + (band + 1) * heightMm + half]
      const at = (y: number) => (high.y === low.y ? low.x : low.x + ((high.x - low.x) * (y - low.y)) / (high.y - low.y))
      take(band, low.y >= y0 ? low.x : at(y0))
      take(band, high.y <= y1 ? high.x : at(y1))
    }
  })
  return { from, to, leastMm: Math.min(...from), mostMm: Math.max(...to) }
}
