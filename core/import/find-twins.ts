import { spend } from '../budget'
import { boundsOf, mapPath, measureArea, measureLength, movePath, nearestPlace, placeAt, type Path } from '../geometry'
import type { Draft } from './make-drafts'

/** A piece that is drawn a second time, as it is or turned over. */
export interface Twin {
  id: string
  turned: boolean
}

/** That a piece is a second drawing of the one of this name, without a full stop. */
export const sayTwin = (name: string, { turned }: Twin): string =>
  `it is drawn twice: “${name}” is the same${turned ? ', turned over' : ''}`

/** Two drawings of one piece differ by no more than this, mm, and their areas by no more than this part. */
const SAME_MM = 0.6
const SAME_PART = 0.002
const PLACES = 48
/** More outlines than this are not compared with each other. */
const MOST = 120

/** As it is, on its head, and turned over either way. */
const WAYS = [
  [1, 1],
  [-1, -1],
  [-1, 1],
  [1, -1],
] as const

/** What two drawings of one piece are both called: “Front (left)” and “Right front” are fronts. */
const plainName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/\b(?:left|right|l|r|copy|\d{1,2})\b|[()#.:_-]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()

const outlineOf = ({ draft }: Draft): Path => draft.edges.flatMap((e) => [...e.path])

/** Does one line run along another, both laid in the corner of their boxes? */
function lieAlike(a: Path, b: Path): boolean {
  const [p, q] = [boundsOf(a), boundsOf(b)]
  if (Math.abs(p.maxX - p.minX - q.maxX + q.minX) > SAME_MM || Math.abs(p.maxY - p.minY - q.maxY + q.minY) > SAME_MM) return false
  const moved = movePath(b, { x: p.minX - q.minX, y: p.minY - q.minY })
  const total = measureLength(moved)
  spend(PLACES * a.length)
  return Array.from({ length: PLACES }, (_, i) => placeAt(moved, (total * i) / PLACES).point).every(
    (at) => nearestPlace(a, at).distanceMm <= SAME_MM,
  )
}

/**
 * Pieces of one name that are drawn twice, as they are or as their mirror image: the second of each pair, with the first. A left and a
 * right side that are drawn both are one piece that is cut twice, turned over.
 */
export function findTwins(drafts: readonly Draft[]): Map<string, Twin> {
  const taken = drafts.filter((d) => !d.aside && !d.trouble).slice(0, MOST)
  const known = taken
    .map((d) => ({ d, name: plainName(d.draft.name), path: outlineOf(d) }))
    .map((k) => ({ ...k, area: Math.abs(measureArea(k.path)) }))
  const twins = new Map<string, Twin>()
  for (const [i, second] of known.entries())
    for (const first of known.slice(0, i)) {
      if (twins.has(first.d.draft.id) || twins.has(second.d.draft.id)) continue
      if (first.name !== second.name || Math.abs(first.area - second.area) > SAME_PART * first.area) continue
      const way = WAYS.find(([x, y]) =>
        lieAlike(
          first.path,
          mapPath(second.path, (p) => ({ x: x * p.x, y: y * p.y })),
        ),
      )
      if (way) twins.set(second.d.draft.id, { id: first.d.draft.id, turned: way[0] * way[1] < 0 })
    }
  return twins
}
