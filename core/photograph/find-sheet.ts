import { cross, distance, leftOf, mix, subtract, unit, type Point } from '../geometry'
import { cameraFrom, fitCamera, fromPlane, type Camera, type FittedCamera, type OnLine } from './camera'
import { edgeNear } from './edges'
import type { FoundPaper } from './find-papers'
import type { Pixels } from './pixels'

/** The sides of a rectangle that lies beside the piece and is known, mm; whichever way it lies. */
export interface Sides {
  longMm: number
  shortMm: number
}

/** Four corners as they are seen, clockwise from the upper left. */
export type Corners = readonly [Point, Point, Point, Point]

/** A paper whose rim leaves its four corners' lines by more than this part of its area has no four straight sides. */
const LEAST_SQUARE = 0.03
/** The sides of a sheet may seem to have another proportion than they have by so much, as the camera leans. */
const PROPORTION = 0.12

const areaOf = (points: readonly Point[]): number => points.reduce((s, p, i) => s + cross(p, points[(i + 1) % points.length]!) / 2, 0)

/** The four corners of a paper with four straight sides, or null. */
export function cornersOf(rim: readonly Point[]): Corners | null {
  // The corners are the two points furthest apart, and those furthest off the line between them to both sides.
  const middle = rim.reduce((s, p) => ({ x: s.x + p.x / rim.length, y: s.y + p.y / rim.length }), { x: 0, y: 0 })
  const furthest = (from: (p: Point) => number) => rim.reduce((a, b) => (from(b) > from(a) ? b : a))
  const a = furthest((p) => distance(p, middle))
  const c = furthest((p) => distance(p, a))
  const off = (p: Point) => cross(subtract(c, a), subtract(p, a))
  const b = furthest(off)
  const d = furthest((p) => -off(p))
  const around = [a, b, c, d]
  if (new Set(around).size < 4) return null
  const clockwise = areaOf(around) > 0 ? around : around.reverse()
  const own = areaOf(clockwise)
  // Both areas are nearly the same, and no corner of the four is flat.
  if (Math.abs(Math.abs(areaOf(rim)) - own) > LEAST_SQUARE * own) return null
  const flat = clockwise.some((p, i) => {
    const [before, after] = [clockwise[(i + 3) % 4]!, clockwise[(i + 1) % 4]!]
    return cross(unit(subtract(p, before)), unit(subtract(after, p))) < 0.5
  })
  return flat ? null : fromUpperLeft(clockwise)
}

/** Corners clockwise from the one that is most up and left. */
export function fromUpperLeft(corners: readonly Point[]): Corners {
  const clockwise = areaOf(corners) > 0 ? [...corners] : [...corners].reverse()
  const first = clockwise.reduce((best, p, i) => (p.x + p.y < clockwise[best]!.x + clockwise[best]!.y ? i : best), 0)
  return [0, 1, 2, 3].map((i) => clockwise[(first + i) % 4]!) as unknown as Corners
}

/** How long and how high four corners seem to be. */
function seenSides([a, b, c, d]: Corners): { across: number; down: number } {
  return { across: (distance(a, b) + distance(d, c)) / 2, down: (distance(a, d) + distance(b, c)) / 2 }
}

/** Which way round the known rectangle lies: its side from the first corner to the second, and the other. */
export function liesAs(corners: Corners, { longMm, shortMm }: Sides): { acrossMm: number; downMm: number } {
  const { across, down } = seenSides(corners)
  return across >= down ? { acrossMm: longMm, downMm: shortMm } : { acrossMm: shortMm, downMm: longMm }
}

/** The paper that is most likely the known rectangle: four straight sides in its proportion; the whitest of several. */
export function findSheet(papers: readonly FoundPaper[], sides: Sides): { paper: FoundPaper; corners: Corners } | null {
  const fits = papers.flatMap((paper) => {
    const corners = paper.isCut ? null : cornersOf(paper.rim)
    if (!corners) return []
    const { across, down } = seenSides(corners)
    const off = Math.abs(Math.log(Math.max(across, down) / Math.min(across, down) / (sides.longMm / sides.shortMm)))
    return off < PROPORTION ? [{ paper, corners }] : []
  })
  return fits.sort((a, b) => b.paper.whiteness - a.paper.whiteness)[0] ?? null
}

export const planeCorners = ({ acrossMm, downMm }: { acrossMm: number; downMm: number }): Point[] => [
  { x: 0, y: 0 },
  { x: acrossMm, y: 0 },
  { x: acrossMm, y: downMm },
  { x: 0, y: downMm },
]

/** Places along each side at which its edge is looked for; none near to a corner. */
const PLACES = 90
const NEAR_CORNER = 0.03
/** The direction of an edge is taken over so much of it. */
const AHEAD = 0.01
/** Passes: first a part of the side to both sides of where it should be, then few dots. */
const REACHES = [0.02, 0.008]
const LEAST_REACH_PX = 5

/**
 * The camera by the four edges of a rectangle that is known, each followed exactly. Where an edge is not to be seen, the corners alone
 * have to do; null where they do not make a rectangle.
 */
export function cameraBySheet(pixels: Pixels, corners: Corners, sides: Sides): FittedCamera | null {
  const lies = liesAs(corners, sides)
  const plane = planeCorners(lies)
  const first = cameraFrom(pixels.width, pixels.height, corners, plane)
  if (!first) return null
  let camera: Camera = first
  let fitted: FittedCamera | null = null
  for (const part of REACHES) {
    const lines = plane.flatMap((from, i): OnLine[] => {
      const to = plane[(i + 1) % 4]!
      const reach = Math.max(LEAST_REACH_PX, part * distance(corners[i]!, corners[(i + 1) % 4]!))
      return Array.from({ length: PLACES }, (_, k) => NEAR_CORNER + ((1 - 2 * NEAR_CORNER) * (k + 0.5)) / PLACES).flatMap((t) => {
        const near = fromPlane(camera, mix(from, to, t))
        const ahead = fromPlane(camera, mix(from, to, t + AHEAD))
        const at = edgeNear(pixels, near, leftOf(unit(subtract(ahead, near))), reach)
        return at ? [{ at, along: i % 2 === 0 ? 'y' : 'x', mm: i % 2 === 0 ? from.y : from.x }] : []
      })
    })
    // Each side has to be seen along most of itself.
    if (lines.length < PLACES * 2.5) break
    fitted = fitCamera(camera, lines)
    camera = fitted
  }
  return fitted ?? cameraByPoints(first, corners, plane)
}

/** A point that somebody pointed at may be off by this, dots. */
const POINTED_PX = 1.5

/** The camera by points alone. */
export function cameraByPoints(first: Camera, seen: readonly Point[], plane: readonly Point[]): FittedCamera {
  const lines = seen.flatMap((at, i): OnLine[] => [
    { at, along: 'x', mm: plane[i]!.x },
    { at, along: 'y', mm: plane[i]!.y },
  ])
  return fitCamera(first, lines, POINTED_PX)
}
