import {
  boundsOf,
  cross,
  isStraightPath,
  joinBoxes,
  line,
  measureArea,
  measureLength,
  subtract,
  tangentAt,
  turnRad,
  unit,
  type Path,
  type Point,
} from '../geometry'
import { DEG } from '../units'

/** A dart's two legs are alike within this part of their length, and its tip is sharper than this, deg. */
const LEG_PART = 0.06

const DART_DEG = 50

/** Edges nearer to the grain's direction than this are straight grain edges: folds and centres. */
const GRAIN_EDGE_SINE = 0.06

const STRAIGHT_ENOUGH_MM = 1

/** An edge is hollow when it bends in by more than this, mm2: less is a shaped seam. */
export const LEAST_HOLLOW_MM2 = 600

/** Index of the first leg of every dart: two straight neighbours of like length with a sharp inward turn between them. */
export function findDarts(edges: readonly Path[]): number[] {
  const n = edges.length
  return edges.flatMap((a, i) => {
    const b = edges[(i + 1) % n]!
    if (!isStraightPath(a, STRAIGHT_ENOUGH_MM) || !isStraightPath(b, STRAIGHT_ENOUGH_MM)) return []
    const [la, lb] = [measureLength(a), measureLength(b)]
    const turn = turnRad(tangentAt(a[a.length - 1]!, 1), tangentAt(b[0]!, 0)) * DEG
    // Walking clockwise a dart's tip turns sharply left: nearly all the way round.
    const sharp = turn < 0 && 180 + turn < DART_DEG
    return sharp && Math.abs(la - lb) <= LEG_PART * Math.max(la, lb) ? [i] : []
  })
}

/** Edges that are one side of a piece: parted by nothing but darts. */
export interface Group {
  indexes: number[]
  box: ReturnType<typeof boundsOf>
}

/** Edges parted by a dart belong together; each group is one side of the piece. */
export function groupEdges(edges: readonly Path[], darts: readonly number[]): Group[] {
  const n = edges.length
  const legs = new Set(darts.flatMap((i) => [i, (i + 1) % n]))
  const groups: number[][] = []
  // Start right after a place that is certainly a border between groups.
  const start = edges.findIndex((_, i) => !legs.has(i) && !legs.has((i + n - 1) % n))
  for (let k = 0; k < n; k++) {
    const i = (Math.max(start, 0) + k) % n
    if (legs.has(i)) continue
    if (k > 0 && legs.has((i + n - 1) % n)) groups[groups.length - 1]!.push(i)
    else groups.push([i])
  }
  return groups.map((indexes) => ({ indexes, box: joinBoxes(indexes.map((i) => boundsOf(edges[i]!))) }))
}

export const middleY = (g: Group) => (g.box.minY + g.box.maxY) / 2
export const middleX = (g: Group) => (g.box.minX + g.box.maxX) / 2

/** Is an edge straight, and runs along the grain? */
export function alongGrain(path: Path, grain: Point): boolean {
  return (
    isStraightPath(path, STRAIGHT_ENOUGH_MM) &&
    Math.abs(cross(unit(subtract(path[path.length - 1]!.to, path[0]!.from)), grain)) < GRAIN_EDGE_SINE
  )
}

/** Groups from one on, clockwise or the other way, without it. */
export function groupsFrom(groups: readonly Group[], first: Group, clockwise: boolean): Group[] {
  const i = groups.indexOf(first)
  return Array.from({ length: groups.length - 1 }, (_, k) => groups[(i + (clockwise ? k + 1 : groups.length - k - 1)) % groups.length]!)
}

/** Does a line of a clockwise outline bend into the piece? Signed area between it and its chord, mm2; positive is inward. */
export const bendIn = (path: Path): number => -measureArea([...path, line(path[path.length - 1]!.to, path[0]!.from)])

/** Does a group bend into the piece? */
export const hollow = (g: Group, edges: readonly Path[]): number => bendIn(g.indexes.flatMap((i) => [...edges[i]!]))
