import { layOut, type Footprint, type Layout } from './lay-out'

/** Widths at which pieces are tried side by side, mm: from one narrow column to a whole wardrobe in a row. */
const WIDTHS = [500, 650, 800, 900, 1000, 1200, 1300, 1500, 1700, 1900, 2200, 2400, 3000]

/**
 * The layout that shows pieces largest in a frame.
 * @param frame its width and height, in any unit: only their proportion counts
 * @param gapMm between pieces
 */
export function bestLayout(footprints: readonly Footprint[], frame: { width: number; height: number }, gapMm: number): Layout {
  const scaleOf = (l: Layout) => Math.min(frame.width / Math.max(l.widthMm, 1), frame.height / Math.max(l.heightMm, 1))
  return WIDTHS.map((width) => layOut(footprints, width, gapMm)).reduce((best, tried) => (scaleOf(tried) > scaleOf(best) ? tried : best))
}
