import { distance, isStraightPath, nearestPlace, pointAt, type Path, type Point } from '../geometry'
import type { FoundOutline } from './find-outlines'
import { nameLines } from './name-lines'
import { edgeBesideWords, edgeUnderFoldLine, edgesWithoutAllowance, readBracket } from './read-fold-marks'
import { readButtonholes } from './read-buttonholes'
import { readGrain } from './read-grain'
import { readNestNotches } from './read-notches'
import { isCalledHole, readPoints, type ReadPoint } from './read-points'

/** A drawn line that bends by less than this was meant to be straight, mm. */
const STRAIGHT_MARK_MM = 0.5
/** Inner lines shorter than this are letters, drill holes, parts of a picture, mm. */
const LEAST_LINE_MM = 20

/** A notch cut into both lines of a piece, or drawn as well, is one, mm. */
const SAME_NOTCH_MM = 16

export interface ReadMarks {
  grain: { from: Point; to: Point } | null
  /** The grain is named, has arrow heads, or its word beside it; or a bracket marks the fold along it. */
  isGrainSure: boolean
  /** Points on the outline, mm, where a notch mark touches it. */
  notches: Point[]
  lines: { name: string; path: Path }[]
  points: ReadPoint[]
  /** The edge that is marked as lying on the fold: by a bracket, words along it, or no allowance on it. */
  foldEdge: number | null
}

/**
 * Tells grain, notches, fold marks and inner lines among the marks of an outline.
 * @param edges the outline in its edges
 */
export function readMarks(outline: FoundOutline, edges: readonly Path[]): ReadMarks {
  const { marks, texts, path, cutLine } = outline
  const bracket = readBracket(marks, edges)
  const free = marks.filter((m) => !bracket?.of.has(m))
  const grain = readGrain(free, path, texts)
  const rest = free.filter((m) => !grain?.of.has(m))
  const notches = readNestNotches(
    // A drill hole lies within the piece, however near the outline.
    rest.filter((m) => !isCalledHole(m)),
    cutLine ? [path, cutLine] : [path],
    outline.sizes.map((s) => s.path),
  )
  const inside = rest.filter((m) => !notches.of.has(m))
  const holes = readButtonholes(inside, path, texts)
  const places = readPoints(
    inside.filter((m) => !holes.of.has(m)),
    path,
    texts,
  )
  const within = inside.filter(
    (m) => !holes.of.has(m) && !places.of.has(m) && m.path.length > 0 && reach(m.path) >= LEAST_LINE_MM && !isOn(path, m.path),
  )
  const inner = within
    // One stroke with a bend, as a dart's two legs are often drawn, is two lines.
    .flatMap((m) => (isBent(m.path) ? m.path.map((s) => ({ name: m.name, path: [s] })) : [{ name: m.name, path: m.path }]))
  // What the piece itself is called, and its grain or notches with it, is no name of a line: it is their group's.
  const ofAll = new Set([outline.name, ...marks.filter((m) => !within.includes(m)).map((m) => m.name)])
  const lines = [...nameLines(inner, texts, ofAll), ...holes.lines]
  const [beside] = cutLine ? edgesWithoutAllowance(edges, cutLine) : []
  const isSaid = outline.words.onFold
  const foldEdge =
    edgeUnderFoldLine(marks, edges) ?? bracket?.edge ?? edgeBesideWords(texts, edges) ?? (isSaid && beside !== undefined ? beside : null)
  return {
    // A fold lies along the grain: its bracket says where the grain runs, where nothing else does.
    grain: grain ? { from: grain.from, to: grain.to } : (bracket?.along ?? null),
    isGrainSure: grain ? grain.sure : bracket !== null,
    // Where both lines are drawn, a notch is a place of the seam line.
    notches: [...notches.places, ...outline.cutNotches.filter((c) => notches.places.every((p) => distance(p, c) > SAME_NOTCH_MM))].map(
      (p) => nearestPlace(path, p).point,
    ),
    lines,
    points: places.points,
    foldEdge,
  }
}

/** A line this near to the outline all along it is an edge that is drawn once more, as a fold is, mm. */
const ON_OUTLINE_MM = 0.5

const isOn = (outline: Path, line: Path): boolean =>
  line.every((s) => [0, 0.5, 1].every((t) => nearestPlace(outline, pointAt(s, t)).distanceMm <= ON_OUTLINE_MM))

const isBent = (path: Path): boolean => path.length === 2 && path.every((s) => s.kind === 'line') && !isStraightPath(path, STRAIGHT_MARK_MM)

function reach(path: Path): number {
  const points = path.flatMap((s) => [s.from, s.to])
  const xs = points.map((p) => p.x)
  const ys = points.map((p) => p.y)
  return Math.hypot(Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys))
}
