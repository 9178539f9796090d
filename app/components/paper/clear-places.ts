import type { Point } from '~~/core/geometry'

/** Words stand in one of so many rows below the top. */
const ROWS = 3

/**
 * Where in each box (mm, y downward) words of this size lie on no line: their upper left corner. Tried along the top from the
 * left, then a row further down; where every place is crossed they stand where the fewest lines do so.
 */
export function clearPlaces(
  boxes: readonly { x: number; y: number; width: number }[],
  lines: readonly (readonly Point[])[],
  words: { width: number; height: number },
): Point[] {
  const placesIn = ({ x, y, width }: (typeof boxes)[number]) =>
    Array.from({ length: ROWS }, (_, row) =>
      [0, 0.25, 0.5, 0.75, 1].map((share): Point => ({ x: x + share * (width - words.width), y: y + row * words.height })),
    ).flat()
  const crossing = ({ x, y }: Point) => lines.filter((line) => meets(line, x, y, words)).length
  return boxes.map(
    (box) =>
      placesIn(box)
        .map((at) => ({ at, count: crossing(at) }))
        .reduce((a, b) => (b.count < a.count ? b : a)).at,
  )
}

/** Whether a line of points, taken piece by piece, comes into the box of the words. */
function meets(line: readonly Point[], left: number, top: number, { width, height }: { width: number; height: number }): boolean {
  return line.some((a, i) => {
    const b = line[i + 1] ?? a
    return Math.max(a.x, b.x) > left && Math.min(a.x, b.x) < left + width && Math.max(a.y, b.y) > top && Math.min(a.y, b.y) < top + height
  })
}
