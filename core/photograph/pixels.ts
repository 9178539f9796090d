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
  const { data } = pixels
  const one = (c: number) =>
    (data[at + c]! * (1 - tx) + data[at + 4 + c]! * tx) * (1 - ty) + (data[below + c]! * (1 - tx) + data[below + 4 + c]! * tx) * ty
  return [one(0), one(1), one(2)]
}
