import {
  add,
  cutPath,
  dot,
  flattenPath,
  intersectPaths,
  line,
  measureLength,
  nearestPlace,
  placeAt,
  scale,
  subtract,
  unit,
} from '../geometry'
import type { Path, Point } from '../geometry'
import type { EdgeRole, PieceKind } from '../pattern'
import { SAME_POINT_MM } from '../tolerances'
import { arrowAlong } from './assume-grain'
import type { PieceDraft } from './build-piece'

/** Both halves of a piece lie on each other to this, mm: by hand no line is drawn twice alike. */
const ALIKE_MM = 1.5
/** Places along an outline at which its halves are compared. */
const PLACES = 72
/** An outline is looked at as chords of this, mm. */
const CHORD_MM = 0.3
/** What lies on the middle itself to this, mm, is of neither half. */
const ON_MIDDLE_MM = 0.5

/** What the edge on the fold is, by the kind of piece. */
const ON_FOLD: Partial<Record<PieceKind, EdgeRole>> = {
  front: 'centre-front',
  back: 'centre-back',
  'skirt-front': 'centre-front',
  'skirt-back': 'centre-back',
  band: 'band-end',
}

/** The line in which a piece is its own mirror: a place on it, and its direction. */
interface Middle {
  at: Point
  along: Point
}

/** Along the grain; of a band across its length. */
function middleOf({ edges, kind, grain }: PieceDraft): Middle | null {
  const longest = edges.map((e) => e.path).reduce((a, b) => (measureLength(b) > measureLength(a) ? b : a))
  const chord = unit(subtract(longest[longest.length - 1]!.to, longest[0]!.from))
  const along = kind === 'band' ? { x: -chord.y, y: chord.x } : grain && unit(subtract(grain.to, grain.from))
  if (!along) return null
  const across = { x: -along.y, y: along.x }
  const far = edges.flatMap((e) => flattenPath(e.path, CHORD_MM)).map((p) => dot(p, across))
  return { at: scale(across, (Math.min(...far) + Math.max(...far)) / 2), along }
}

const acrossOf = ({ along }: Middle): Point => ({ x: -along.y, y: along.x })
/** How far a place lies beside the middle, mm: positive on the half that is kept. */
const besideMm = (middle: Middle, p: Point) => dot(subtract(p, middle.at), acrossOf(middle))

function isAlike(outline: Path, middle: Middle): boolean {
  const total = measureLength(outline)
  return Array.from({ length: PLACES }, (_, i) => placeAt(outline, (total * i) / PLACES).point).every((p) => {
    const mirrored = add(p, scale(acrossOf(middle), -2 * besideMm(middle, p)))
    return nearestPlace(outline, mirrored).distanceMm <= ALIKE_MM
  })
}

/** Where a line crosses the middle, mm from its start. */
function crossings(path: Path, middle: Middle): number[] {
  const reach = 2 * measureLength(path)
  const from = dot(subtract(path[0]!.from, middle.at), middle.along)
  const across = [line(add(middle.at, scale(middle.along, from - reach)), add(middle.at, scale(middle.along, from + reach)))]
  return intersectPaths(path, across)
    .map((c) => c.firstMm)
    .sort((a, b) => a - b)
    .filter((mm, i, all) => i === 0 || mm - all[i - 1]! > SAME_POINT_MM)
}

/** The parts of a line on the half that is kept, in its order. */
function keptParts(path: Path, middle: Middle): Path[] {
  const total = measureLength(path)
  const ends = [0, ...crossings(path, middle).filter((mm) => mm > SAME_POINT_MM && mm < total - SAME_POINT_MM), total]
  return ends
    .slice(1)
    .map((to, i) => cutPath(path, ends[i]!, to))
    .filter((part) => besideMm(middle, placeAt(part, measureLength(part) / 2).point) > 0)
}

/**
 * Half of a piece that is alike on both sides of its middle, with its new edge on the fold: what it is sewn to may be drawn as a half.
 * The half with more notches is kept.
 *
 * @returns null where it is not alike on both sides, lies on a fold already, or comes in several sizes
 */
export function halveDraft(draft: PieceDraft): PieceDraft | null {
  if (draft.edges.some((e) => e.fold) || draft.sizes.length > 0) return null
  const found = middleOf(draft)
  const outline = draft.edges.flatMap((e) => [...e.path])
  if (!found || !isAlike(outline, found)) return null
  const count = (side: number) => draft.notches.filter((p) => side * besideMm(found, p) > ON_MIDDLE_MM).length
  const middle = count(1) >= count(-1) ? found : { ...found, along: scale(found.along, -1) }
  const parts = draft.edges.flatMap((e) => keptParts(e.path, middle).map((path) => ({ ...e, path })))
  // Round the outline from the place where it comes over the middle.
  const start = parts.findIndex((p, i) => {
    const before = parts[(i + parts.length - 1) % parts.length]!
    return Math.hypot(before.path.at(-1)!.to.x - p.path[0]!.from.x, before.path.at(-1)!.to.y - p.path[0]!.from.y) > SAME_POINT_MM
  })
  if (start < 0) return null
  const kept = [...parts.slice(start), ...parts.slice(0, start)]
  const fold = {
    path: [line(kept.at(-1)!.path.at(-1)!.to, kept[0]!.path[0]!.from)],
    role: ON_FOLD[draft.kind] ?? 'other',
    fold: true,
    allowanceMm: 0,
  }
  const edges = [...kept, fold]
  const isKept = (p: Point) => besideMm(middle, p) > ON_MIDDLE_MM
  const way = draft.grain && unit(subtract(draft.grain.to, draft.grain.from))
  return {
    ...draft,
    edges,
    grain:
      way &&
      arrowAlong(
        edges.flatMap((e) => [...e.path]),
        way,
      ),
    notches: draft.notches.filter(isKept),
    lines: draft.lines.flatMap((l) => keptParts(l.path, middle).map((path) => ({ ...l, path }))),
    ...(draft.points ? { points: draft.points.filter((p) => isKept(p.at)) } : {}),
  }
}
