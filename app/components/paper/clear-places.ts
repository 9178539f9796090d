import type { Point } from '~~/core/geometry'

/**
 * Where along the top of each box (mm, y downward) words of this size lie on no line: the left edge of the words. Tried from
 * the left; where every place is crossed they stand at the left.
 */
export function clearPlaces(
  boxes: readonly { x: number; y: number; width: number }[],
  lines: readonly (readonly Point[])[],
  words: { width: number; height: number },
): number[] {
  const places = boxes.map(({ x, width }) => [0, 0.25, 0.5, 0.75, 1].map((share) => x + share * (width - words.width)))
  return boxes.map(({ x, y }, n) => places[n]!.find((left) => !lines.some((line) => meets(line, left, y, words))) ?? x)
}

/** Whether a line of points, taken piece by piece, comes into the box of the words. */
function meets(line: readonly Point[], left: number, top: number, { width, height }: { width: number; height: number }): boolean {
  return line.some((a, i) => {
    const b = line[i + 1] ?? a
    return Math.max(a.x, b.x) > left && Math.min(a.x, b.x) < left + width && Math.max(a.y, b.y) > top && Math.min(a.y, b.y) < top + height
  })
}
