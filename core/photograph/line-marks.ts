import { fromMask, Mask } from 'image-js'
import { boundsOf, distance, flattenPath, line, type Path, type Point } from '../geometry'
import { seenBy, type Camera } from './camera'
import { colourAt, type Pixels } from './pixels'

/** Dots of the flat picture of a piece for each mm. */
const PER_MM = 1.5
/** A pen darkens the paper by so much of its light at least. */
const DARK = 0.13
/** Paper is as light as the mean over so much to each side, mm. */
const AROUND_MM = 12
/** Lines nearer than this to the edge are the edge's own, mm. */
const EDGE_MM = 5
/** A straight line is at least so long, mm, and leaves its middle by so little, mm. */
const LEAST_MM = 60
const STRAIGHT_MM = 1.6

/**
 * The straight lines drawn on a piece: a grainline, a fold, a level. Writing and curves are left out.
 * @param outline the piece on the plane, mm
 */
export function straightLines(pixels: Pixels, outline: Path, camera: Camera): Path[] {
  const box = boundsOf(outline)
  const width = Math.ceil((box.maxX - box.minX) * PER_MM)
  const height = Math.ceil((box.maxY - box.minY) * PER_MM)
  const rim = flattenPath(outline, 0.5)
  const light = new Float32Array(width * height)
  const inside = new Uint8Array(width * height)
  const place = (x: number, y: number): Point => ({ x: box.minX + (x + 0.5) / PER_MM, y: box.minY + (y + 0.5) / PER_MM })
  const seen = seenBy(camera)
  for (let y = 0; y < height; y++) {
    const cuts = crossings(rim, place(0, y).y)
    for (let x = 0; x < width; x++) {
      const mm = place(x, y)
      if (cuts.filter((cut) => cut < mm.x).length % 2 === 0) continue
      const [r, g, b] = colourAt(pixels, seen(mm))
      light[y * width + x] = (r + g + b) / 3
      inside[y * width + x] = 1
    }
  }
  const dark = darkDots(light, inside, width, height)
  const rois = fromMask(new Mask(width, height, { data: dark }), { allowCorners: true }).getRois({ minSurface: LEAST_MM * PER_MM * 0.5 })
  return rois.flatMap((roi): Path[] => {
    const dots: Point[] = []
    for (let y = 0; y < roi.height; y++)
      for (let x = 0; x < roi.width; x++)
        if (roi.getMapValue(x + roi.origin.column, y + roi.origin.row) === roi.id)
          dots.push(place(x + roi.origin.column, y + roi.origin.row))
    const found = asLine(dots)
    return found ? [[line(...found)]] : []
  })
}

/** Where a level line crosses a closed line of points. */
function crossings(rim: readonly Point[], y: number): number[] {
  return rim.flatMap((a, i) => {
    const b = rim[(i + 1) % rim.length]!
    return a.y <= y !== b.y <= y ? [a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)] : []
  })
}

/** Dots darker than the paper around them, away from the edge. */
function darkDots(light: Float32Array, inside: Uint8Array, width: number, height: number): Uint8Array {
  const row = width + 1
  const sums = new Float64Array(row * (height + 1))
  const counts = new Float64Array(row * (height + 1))
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x
      const at = (y + 1) * row + x + 1
      sums[at] = light[i]! + sums[at - 1]! + sums[at - row]! - sums[at - row - 1]!
      counts[at] = inside[i]! + counts[at - 1]! + counts[at - row]! - counts[at - row - 1]!
    }
  const over = (t: Float64Array, x: number, y: number, reach: number) => {
    const [left, right] = [Math.max(0, x - reach), Math.min(width, x + reach + 1)]
    const [top, bottom] = [Math.max(0, y - reach) * row, Math.min(height, y + reach + 1) * row]
    return { sum: t[bottom + right]! - t[top + right]! - t[bottom + left]! + t[top + left]!, dots: (right - left) * ((bottom - top) / row) }
  }
  const edge = Math.round(EDGE_MM * PER_MM)
  const around = Math.round(AROUND_MM * PER_MM)
  const out = new Uint8Array(width * height)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x
      const near = over(counts, x, y, edge)
      if (inside[i] === 0 || near.sum < near.dots || x < edge || y < edge || x >= width - edge || y >= height - edge) continue
      const paper = over(sums, x, y, around).sum / over(counts, x, y, around).sum
      if (light[i]! < paper * (1 - DARK)) out[i] = 1
    }
  return out
}

/** The ends of the straight line that dots make; null where they make none. */
function asLine(dots: readonly Point[]): [from: Point, to: Point] | null {
  const n = dots.length
  const middle = { x: dots.reduce((s, p) => s + p.x, 0) / n, y: dots.reduce((s, p) => s + p.y, 0) / n }
  let [xx, xy, yy] = [0, 0, 0]
  for (const p of dots) {
    xx += (p.x - middle.x) ** 2
    xy += (p.x - middle.x) * (p.y - middle.y)
    yy += (p.y - middle.y) ** 2
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  const way = { x: Math.cos(angle), y: Math.sin(angle) }
  const along = dots.map((p) => (p.x - middle.x) * way.x + (p.y - middle.y) * way.y)
  const off = Math.sqrt(dots.reduce((s, p) => s + ((p.x - middle.x) * way.y - (p.y - middle.y) * way.x) ** 2, 0) / n)
  const end = (t: number): Point => ({ x: middle.x + way.x * t, y: middle.y + way.y * t })
  const ends: [Point, Point] = [end(Math.min(...along)), end(Math.max(...along))]
  return off <= STRAIGHT_MM && distance(...ends) >= LEAST_MM ? ends : null
}
