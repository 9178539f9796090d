import type { Point } from '../geometry'

/** A picture as a camera gave it: four parts a dot (red, green, blue, cover), row by row. A dot covers the place from its number to the next. */
export interface Pixels {
  width: number
  height: number
  data: Uint8ClampedArray
}

/** Red, green and blue of a picture at a place between dots, 0 to 255. Beyond its edge it goes on as at the edge. */
export function colourAt(pixels: Pixels, p: Point): [number, number, number] {
  const x = Math.min(pixels.width - 1.001, Math.max(0, p.x - 0.5))
  const y = Math.min(pixels.height - 1.001, Math.max(0, p.y - 0.5))
  const [ix, iy] = [Math.floor(x), Math.floor(y)]
  const [tx, ty] = [x - ix, y - iy]
  const at = (iy * pixels.width + ix) * 4
  const below = at + pixels.width * 4
  const weights = [(1 - tx) * (1 - ty), tx * (1 - ty), (1 - tx) * ty, tx * ty] as const
  return [between(pixels, at, below, weights), between(pixels, at + 1, below + 1, weights), between(pixels, at + 2, below + 2, weights)]
}

/** One part of a colour from four dots, two above and two below, by their weights. */
function between({ data }: Pixels, above: number, below: number, [a, b, c, d]: readonly [number, number, number, number]): number {
  return data[above]! * a + data[above + 4]! * b + data[below]! * c + data[below + 4]! * d
}
