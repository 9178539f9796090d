import { bounded } from '../budget'
import { boundsOf, boundsOfPoints, flattenPath, type Path, type Point } from '../geometry'
import { ok, refuse, type Result } from '../result'
import { cameraFrom, errorAt, mmPerPx, seenBy, stretchOf, toPlane, type FittedCamera } from './camera'
import { cameraByMat } from './camera-by-mat'
import { findPapers, smallTimes, type FoundPaper } from './find-papers'
import { cameraByPoints, cameraBySheet, findSheet, liesAs, type Corners } from './find-sheet'
import { placesOf, sidesOf, type Known } from './known'
import { straightLines } from './line-marks'
import type { Pixels } from './pixels'
import { looseMm, traceRim } from './trace-rim'

/** An outline that was read from a photograph. */
export interface PhotographedOutline {
  path: Path
  /** Straight lines that are drawn on it: its grain among them. */
  lines: Path[]
  /** As it is seen, for laying it over the picture. */
  seen: Point[]
  /** It goes on beyond the picture: the part at the rim is no edge. */
  isCut: boolean
  /** How far a place of it may be off, mm: twice the spread, where it is known least; more where corners lie near to each other. */
  errorMm: number
}

/** What was read from a photograph. */
export interface ReadPhotograph {
  corners: Corners
  camera: FittedCamera
  outlines: PhotographedOutline[]
  /** Long side by short side of the rectangle, as it seems and as it was said, where these differ: another thing lies there. */
  proportion: { seen: number; said: number } | null
}

/** A rectangle that seems longer or shorter than this part more than it was said to be is another one. */
const OTHER_PROPORTION = 0.03

/** How exactly an outline is shown on the picture, mm. */
const SHOWN_MM = 0.3

/** An outline smaller than this is no piece, mm. */
const LEAST_PIECE_MM = 15
/** Nothing that lies whole beside something known is longer, mm. */
const LARGEST_MM = 5000
const POINT_AGAIN = 'Point at them again, or say what else lies beside the piece.'
/** Steps that reading one photograph may take. */
const STEPS = 60_000_000

/** Told which part of the work is done, 0 to 1. */
export type PhotographProgress = (part: number) => void

/**
 * Reads the pieces in a photograph that shows something of known size beside them.
 *
 * @param pointed the four places of what is known, where somebody pointed at them; a sheet is found by itself
 * @returns outlines on the plane that was photographed, mm. Refuses a picture in which nothing stands out, or what is known is not found.
 */
export function readPhotograph(
  pixels: Pixels,
  known: Known,
  pointed: Corners | null,
  progress: PhotographProgress = () => {},
): Result<ReadPhotograph> {
  const read = bounded('photograph', () => readWithin(pixels, known, pointed, progress), STEPS)
  if (read.ok || read.problem.code === 'no-sheet') return read
  return refuse('no-sheet', 'photograph', 'by the four places its pieces run to infinity.', POINT_AGAIN)
}

function readWithin(pixels: Pixels, known: Known, pointed: Corners | null, progress: PhotographProgress): Result<ReadPhotograph> {
  const papers = findPapers(pixels)
  progress(0.4)
  const sides = sidesOf(known)
  const sheet = pointed || !sides ? null : findSheet(papers, sides)
  const corners = pointed ?? sheet?.corners
  if (!corners) return refuse('no-sheet', 'photograph', ...whyNot(papers, known))
  const camera = cameraBy(pixels, corners, known)
  if (!camera || !camera.spread.flat().every(Number.isFinite))
    return refuse('no-sheet', 'photograph', 'the four places make no rectangle.', 'Point at them one after the other, round the rectangle.')
  progress(0.6)
  const own = papers.filter((p) => p !== sheet?.paper && !(sides && isAt(p, corners)))
  if (own.some((p) => isBeyond(p, camera, corners)))
    return refuse('no-sheet', 'photograph', `by the four places a piece would be longer than ${LARGEST_MM / 1000} m.`, POINT_AGAIN)
  const outlines = own.flatMap((paper, i) => {
    progress(0.6 + (0.4 * i) / own.length)
    const outline = outlineOf(pixels, paper, camera)
    return outline ? [outline] : []
  })
  return ok({ corners, camera, outlines, proportion: proportionOf(camera, corners, known) })
}

/** What a rectangle seems to be, where that is not what was said of it. */
function proportionOf(camera: FittedCamera, corners: Corners, known: Known): ReadPhotograph['proportion'] {
  const sides = sidesOf(known)
  const stretch = stretchOf(camera)
  if (known.kind === 'rulers' || Math.abs(Math.log(stretch)) < OTHER_PROPORTION) return null
  const { acrossMm, downMm } = sides ? liesAs(corners, sides) : (known as Known & { kind: 'mat' })
  const turned = (ratio: number) => Math.max(ratio, 1 / ratio)
  return { seen: turned((acrossMm * stretch) / downMm), said: turned(acrossMm / downMm) }
}

function whyNot(papers: readonly FoundPaper[], known: Known): [message: string, remedy: string] {
  if (known.kind === 'mat') return ['where the mat lies is not known yet.', 'Point at the four corners of a large rectangle of its lines.']
  if (known.kind === 'rulers') return ['where the rulers lie is not known yet.', 'Point at the half and the end of each.']
  if (papers.length === 0)
    return [
      'nothing in it stands out from what it lies on.',
      'Take it anew, with the pieces on a floor that is darker or of another colour; or point at the four corners of the sheet.',
    ]
  return ['nothing in it has the sides of the known sheet.', 'Point at its four corners, or say what else lies beside the piece.']
}

function cameraBy(pixels: Pixels, corners: Corners, known: Known): FittedCamera | null {
  const places = placesOf(known)
  if (known.kind === 'mat') return cameraByMat(pixels, corners, known)
  if (!places) return cameraBySheet(pixels, corners, sidesOf(known)!)
  const first = cameraFrom(pixels.width, pixels.height, corners, places)
  return first && cameraByPoints(first, corners, places)
}

/** Does a paper reach beyond any piece, or behind the horizon of the plane? Then what is known lies elsewhere than it was pointed at. */
function isBeyond(paper: FoundPaper, camera: FittedCamera, corners: Corners): boolean {
  const known = boundsOfPoints(corners.map((p) => toPlane(camera, p)))
  const reached = boundsOfPoints(paper.rim.map((p) => toPlane(camera, p)))
  const across = Math.max(reached.maxX, known.maxX) - Math.min(reached.minX, known.minX)
  const down = Math.max(reached.maxY, known.maxY) - Math.min(reached.minY, known.minY)
  return !(across < LARGEST_MM && down < LARGEST_MM)
}

/** The sheet that was pointed at is found again to this part of itself. */
const POINTED_PART = 0.08

/** Is it the sheet that was pointed at? */
function isAt(paper: FoundPaper, corners: Corners): boolean {
  const [a, b] = [boundsOfPoints(paper.rim), boundsOfPoints(corners)]
  const near = Math.max(b.maxX - b.minX, b.maxY - b.minY) * POINTED_PART
  return (['minX', 'maxX', 'minY', 'maxY'] as const).every((side) => Math.abs(a[side] - b[side]) < near)
}

function outlineOf(pixels: Pixels, paper: FoundPaper, camera: FittedCamera): PhotographedOutline | null {
  const edges = traceRim(pixels, paper.rim, smallTimes(pixels), camera)
  const path = edges.flat()
  const box = boundsOf(path)
  if (Math.min(box.maxX - box.minX, box.maxY - box.minY) < LEAST_PIECE_MM) return null
  const seen = flattenPath(path, SHOWN_MM).map(seenBy(camera))
  const loose = looseMm(edges, Math.max(...seen.map((p) => mmPerPx(camera, p))))
  const errorMm = loose + Math.max(...seen.map((p) => 2 * Math.hypot(errorAt(camera, p), camera.offPx * mmPerPx(camera, p))))
  const lines = straightLines(pixels, path, camera)
  return { path, lines, seen, isCut: paper.isCut, errorMm }
}
