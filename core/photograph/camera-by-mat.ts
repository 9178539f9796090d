import { leftOf, subtract, unit, type Point } from '../geometry'
import { cameraFrom, fitCamera, fromPlane, mmPerPx, toPlane, type Camera, type FittedCamera, type OnLine } from './camera'
import { lineNear } from './edges'
import { cameraByPoints } from './find-sheet'
import { placesOf, type Known } from './known'
import type { Pixels } from './pixels'

/** Lines of a mat are looked for this far from where they should be, as a part of what lies between two. */
const REACH = 0.3
/** And no further than so many dots, wherever the four places were pointed at. */
const MOST_REACH_PX = 80
/** So many places are looked at, most. */
const MOST_PLACES = 2500
/** So many lines have to be seen for a mat. */
const LEAST_PLACES = 40
/** Lines are followed over the pointed rectangle, then over the whole picture, then once more. */
const PASSES = 3

/**
 * The camera by the lines of a mat: first those within the rectangle that was pointed at, then all that the picture shows. Where no lines are
 * found, by the four places alone; null where they make no rectangle.
 */
export function cameraByMat(pixels: Pixels, seen: readonly Point[], known: Known & { kind: 'mat' }): FittedCamera | null {
  const first = cameraFrom(pixels.width, pixels.height, seen, placesOf(known)!)
  if (!first) return null
  let fitted = cameraByPoints(first, seen, placesOf(known)!)
  for (let pass = 0; pass < PASSES; pass++) {
    const field = pass === 0 ? { minX: 0, minY: 0, maxX: known.acrossMm, maxY: known.downMm } : fieldOf(pixels, fitted)
    const lines = linesIn(pixels, fitted, field, known.pitchMm)
    if (lines.length < LEAST_PLACES) break
    fitted = fitCamera(fitted, lines)
  }
  return fitted
}

interface Field {
  minX: number
  minY: number
  maxX: number
  maxY: number
}

/** How far from the rim of a picture its plane is looked at, as a part of the picture. */
const FROM_RIM = 0.02

/** What of the plane the picture shows, its parts that are seen at a slant left out. */
function fieldOf({ width, height }: Pixels, camera: Camera): Field {
  const parts = [FROM_RIM, 0.5, 1 - FROM_RIM]
  const rim = parts.flatMap((u) => parts.map((v) => toPlane(camera, { x: u * width, y: v * height })))
  return {
    minX: Math.min(...rim.map((p) => p.x)),
    minY: Math.min(...rim.map((p) => p.y)),
    maxX: Math.max(...rim.map((p) => p.x)),
    maxY: Math.max(...rim.map((p) => p.y)),
  }
}

/** Places on the lines of a mat, each between two crossings. */
function linesIn(pixels: Pixels, camera: Camera, field: Field, pitchMm: number): OnLine[] {
  const [left, right] = [Math.ceil(field.minX / pitchMm), Math.floor(field.maxX / pitchMm)]
  const [top, bottom] = [Math.ceil(field.minY / pitchMm), Math.floor(field.maxY / pitchMm)]
  const every = Math.max(1, Math.ceil(Math.sqrt((2 * (right - left + 1) * (bottom - top + 1)) / MOST_PLACES)))
  const out: OnLine[] = []
  for (let i = left; i <= right; i += every)
    for (let j = top; j <= bottom; j += every) {
      const x = i * pitchMm
      const y = j * pitchMm
      out.push(...lineAt(pixels, camera, { x, y: y + pitchMm / 2 }, 'x', x, pitchMm))
      out.push(...lineAt(pixels, camera, { x: x + pitchMm / 2, y }, 'y', y, pitchMm))
    }
  return out
}

function lineAt(pixels: Pixels, camera: Camera, mm: Point, along: 'x' | 'y', at: number, pitchMm: number): OnLine[] {
  const near = fromPlane(camera, mm)
  if (!(near.x > 2 && near.y > 2 && near.x < pixels.width - 2 && near.y < pixels.height - 2)) return []
  const ahead = fromPlane(camera, along === 'x' ? { x: mm.x, y: mm.y + 1 } : { x: mm.x + 1, y: mm.y })
  const reach = Math.min(MOST_REACH_PX, (REACH * pitchMm) / mmPerPx(camera, near))
  const found = reach >= 1 ? lineNear(pixels, near, leftOf(unit(subtract(ahead, near))), reach) : null
  return found ? [{ at: found, along, mm: at }] : []
}
