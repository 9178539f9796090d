import {
  add,
  cross,
  distance,
  dot,
  isStraightPath,
  line,
  mapPath,
  mix,
  reversePath,
  scale,
  subtract,
  unit,
  type Path,
  type Point,
} from '../../geometry'
import {
  beforeOpening,
  cornersOf,
  findPiece,
  FOLDED_ROLES,
  grainDirection,
  otherHalf,
  shapeOf,
  type Garment,
  type Piece,
  type RunEdge,
  type Seam,
  type SeamMark,
  type Shape,
} from '../../pattern'
import { PARALLEL_RAD, SAME_POINT_MM, STRAIGHT_MM } from '../../tolerances'

type Mirror = (p: Point) => Point

/** Names on the half as drawn (0) and on the other (1). */
type Called = (name: string, half: 0 | 1) => string

/**
 * A garment with one of its pieces opened out, so that left and right can differ: a piece on the fold becomes a whole one,
 * mirrored over its fold; a pair becomes two pieces, one for each side. Everything on the half as drawn keeps its id; its
 * mirror image is called after it (otherHalf). Every seam of the piece is walked on both halves. The grain of a piece on
 * the fold comes to lie on its middle. A piece that is neither is given back as it is.
 *
 * @param names what the half as drawn and the other one are called: “left”, “right”
 */
export function openOut(garment: Garment, pieceId: string, names: readonly [string, string]): Garment {
  const piece = findPiece(garment, pieceId)!
  const fold = piece.edges.find((e) => e.fold)
  const called: Called = (name, half) => `${name}, ${names[half]}`
  const opened = fold ? [wholeOf(garment, piece, fold.id, called)] : pairOf(garment, piece, called)
  if (opened.length === 0) return garment
  return {
    ...garment,
    pieces: garment.pieces.flatMap((p) => (p === piece ? opened : [p])),
    seams: garment.seams.flatMap((seam) => {
      const isTwin = beforeOpening(seam.id) !== seam.id || garment.seams.some((s) => s.id === otherHalf(seam.id))
      const half = onOtherHalf(piece, fold?.id ?? null)
      if (!isTwin || !seam.sides.flat().some((r) => r.pieceId === piece.id)) return twinSeam(seam, piece, half, called)
      // The piece that it is sewn to was opened out before: its left goes with the left of this one.
      const isOnOther =
        isOnHalf(garment, seam, piece, names[1]) || (!isOnHalf(garment, seam, piece, names[0]) && beforeOpening(seam.id) !== seam.id)
      return [isOnOther ? half(seam) : seam]
    }),
  }
}

/** Does a seam lie on the half of the body that goes by a name, as the other pieces in it say? */
function isOnHalf(garment: Garment, seam: Seam, piece: Piece, name: string): boolean {
  return seam.sides.flat().some((r) => {
    const other = findPiece(garment, r.pieceId)!
    const edge = other.edges.find((e) => e.id === r.edgeId)!
    return other.id !== piece.id && [other.name, edge.name].some((own) => own.endsWith(`, ${name}`))
  })
}

/** Can a piece be opened out: does it lie on the fold, or is it cut as a pair? */
export const opensOut = (piece: Piece): boolean => piece.edges.some((e) => e.fold) || (piece.cut.mirrored && piece.cut.count >= 2)

/** The mirror image of a place in a line through two points. */
export function mirrorIn(from: Point, to: Point): Mirror {
  const along = unit(subtract(to, from))
  return (p) => {
    const v = subtract(p, from)
    return add(from, subtract(scale(along, 2 * dot(v, along)), v))
  }
}

/** A mirrored outline runs the other way round: its edges are walked backwards. */
const mirrored = (path: Path, mirror: Mirror): Path => reversePath(mapPath(path, mirror))

/** The mirror image of a piece's parts in one size, under the other half's ids. */
function mirrorShape(shape: Shape, mirror: Mirror): Shape {
  const all = <T, U>(record: Record<string, T>, change: (x: T) => U) =>
    Object.fromEntries(Object.entries(record).map(([id, x]) => [otherHalf(id), change(x)]))
  return {
    edges: all(shape.edges, (path) => mirrored(path, mirror)),
    notches: all(shape.notches, (place) => ({ ...place, from: place.from === 'start' ? ('end' as const) : ('start' as const) })),
    // Inner lines have no side to lie on: they keep their order, so that a dart begins at its upper tip in either half.
    lines: all(shape.lines, (path) => mapPath(path, mirror)),
    points: all(shape.points, mirror),
    grain: { from: mirror(shape.grain.from), to: mirror(shape.grain.to) },
  }
}

/** The mirror image of a piece's lists, in outline order: the last edge comes first. */
function mirrorLists(piece: Piece, called: (name: string) => string) {
  const twin = <T extends { id: string; name: string }>(x: T): T => ({ ...x, id: otherHalf(x.id), name: called(x.name) })
  const last = piece.edges.length - 1
  return {
    edges: piece.edges.map((_, i) => twin(piece.edges[last - i]!)),
    // Walked backwards, an edge starts where it ended: at the corner of the next.
    corners: piece.edges.map((_, i) => twin(piece.corners[(last - i + 1) % piece.corners.length]!)),
    notches: piece.notches.map((n) => ({ ...twin(n), edgeId: otherHalf(n.edgeId) })),
    darts: piece.darts.map((d) => ({
      ...twin(d),
      legs: [otherHalf(d.legs[1]), otherHalf(d.legs[0])] as [string, string],
      pressTo: d.pressTo === 'before' ? ('after' as const) : ('before' as const),
    })),
    lines: piece.lines.map(twin),
    points: piece.points.map(twin),
  }
}

/** A piece on the fold as a whole one. */
function wholeOf(garment: Garment, piece: Piece, foldId: string, called: Called): Piece {
  const at = piece.edges.findIndex((e) => e.id === foldId)
  /** The lists begin behind the fold and end with it. */
  const round = <T>(list: readonly T[]): T[] => [...list.slice(at + 1), ...list.slice(0, at + 1)]
  const [edges, corners] = [round(piece.edges), round(piece.corners)]
  const other = mirrorLists({ ...piece, edges, corners }, (name) => called(name, 1))
  const own = <T extends { name: string }>(x: T): T => ({ ...x, name: called(x.name, 0) })
  // A line across runs through to the other half; what is folded, or belongs to one half, is there twice.
  const isTwice = (lineId: string) => piece.lines.some((l) => l.id === lineId && (FOLDED_ROLES.includes(l.role) || l.role === 'other'))
  const shapes = garment.sizes.map(({ id: sizeId }): [string, Shape] => {
    const shape = shapeOf(piece, sizeId)
    const fold = shape.edges[foldId]!
    const mirror = mirrorIn(fold[0]!.from, fold[fold.length - 1]!.to)
    const image = mirrorShape(shape, mirror)
    const pathsOf = { ...shape.edges, ...image.edges }
    const lines = Object.fromEntries(Object.entries(shape.lines).map(([id, path]) => [id, isTwice(id) ? path : runThrough(path, mirror)]))
    const twins = Object.fromEntries(
      Object.entries(image.lines).filter(([id]) => piece.lines.some((l) => isTwice(l.id) && otherHalf(l.id) === id)),
    )
    return [
      sizeId,
      {
        edges: Object.fromEntries(Object.entries(pathsOf).filter(([id]) => id !== foldId && id !== otherHalf(foldId))),
        notches: { ...shape.notches, ...image.notches },
        lines: { ...lines, ...twins },
        points: { ...shape.points, ...image.points },
        grain: grainOnMiddle(shape, mirror),
      },
    ]
  })
  return {
    ...piece,
    edges: [...edges.slice(0, -1).map(own), ...other.edges.slice(1)],
    // The two corners on the fold belong to both halves and keep their ids.
    corners: [...corners, ...other.corners.slice(2)],
    notches: [...piece.notches.map(own), ...other.notches],
    darts: [...piece.darts.map(own), ...other.darts],
    lines: [
      ...piece.lines.map((l) => (isTwice(l.id) ? own(l) : l)),
      ...other.lines.filter((l) => piece.lines.some((o) => isTwice(o.id) && otherHalf(o.id) === l.id)),
    ],
    points: [...piece.points.map(own), ...other.points],
    shapes: Object.fromEntries(shapes),
  }
}

/** A line across a half, run on over the fold to its mirror image. */
function runThrough(path: Path, mirror: Mirror): Path {
  const off = (p: Point) => distance(p, mirror(p))
  const outward = off(path[0]!.from) <= off(path[path.length - 1]!.to) ? path : reversePath(path)
  const [near, far] = [outward[0]!.from, outward[outward.length - 1]!.to]
  if (isStraightPath(path, STRAIGHT_MM)) return [line(mirror(far), far)]
  const between = off(near) > SAME_POINT_MM ? [line(mirror(near), near)] : []
  return [...mirrored(outward, mirror), ...between, ...outward]
}

/** A grain that runs along the fold lies on the middle of the whole piece; one askew to it stays. */
function grainOnMiddle(shape: Shape, mirror: Mirror): Shape['grain'] {
  const { from, to } = shape.grain
  const [a, b] = [mix(from, mirror(from), 0.5), mix(to, mirror(to), 0.5)]
  return Math.abs(cross(unit(subtract(b, a)), grainDirection(shape))) <= PARALLEL_RAD ? { from: a, to: b } : shape.grain
}

/** A pair cut at once as two pieces, the second mirrored in its grain; none when the piece is no pair. */
function pairOf(garment: Garment, piece: Piece, called: Called): Piece[] {
  if (!opensOut(piece)) return []
  const cut = { count: piece.cut.count / 2, mirrored: false }
  const shapes = garment.sizes.map(({ id }): [string, Shape] => {
    const shape = shapeOf(piece, id)
    return [id, mirrorShape(shape, mirrorIn(shape.grain.from, shape.grain.to))]
  })
  return [
    { ...piece, name: called(piece.name, 0), cut },
    {
      ...piece,
      ...mirrorLists(piece, (name) => name),
      id: otherHalf(piece.id),
      name: called(piece.name, 1),
      cut,
      shapes: Object.fromEntries(shapes),
    },
  ]
}

/** A seam with what it has of an opened piece on the half that was not drawn. */
function onOtherHalf(piece: Piece, foldId: string | null): (seam: Seam) => Seam {
  const isOwn = (at: { pieceId: string }) => at.pieceId === piece.id
  const pieceId = foldId ? piece.id : otherHalf(piece.id)
  const shared = foldId ? Object.values(cornersOf(piece, foldId)).map((c) => c.id) : []
  const run = (r: RunEdge): RunEdge => (isOwn(r) ? { pieceId, edgeId: otherHalf(r.edgeId), reversed: !r.reversed } : r)
  const mark = (m: SeamMark): SeamMark => {
    if (!isOwn(m)) return m
    if ('notchId' in m) return { pieceId, notchId: otherHalf(m.notchId) }
    return { pieceId, cornerId: shared.includes(m.cornerId) ? m.cornerId : otherHalf(m.cornerId) }
  }
  return (seam) => ({
    ...seam,
    sides: [seam.sides[0].map(run), seam.sides[1].map(run)],
    marks: seam.marks.map(([a, b]) => [mark(a), mark(b)]),
  })
}

/** A seam of an opened piece, on both halves; one that joins a pair to itself joins the two pieces. */
function twinSeam(seam: Seam, piece: Piece, onOther: (seam: Seam) => Seam, called: Called): Seam[] {
  if (!seam.sides.flat().some((r) => r.pieceId === piece.id)) return [seam]
  const names = (side: 0 | 1) => seam.sides[side].map((r) => `${r.pieceId} ${r.edgeId}`).join()
  const other = onOther(seam)
  if (names(0) === names(1))
    return [{ ...seam, sides: [seam.sides[0], other.sides[1]], marks: seam.marks.map(([a], i) => [a, other.marks[i]![1]]) }]
  return [
    { ...seam, name: called(seam.name, 0) },
    { ...other, id: otherHalf(seam.id), name: called(seam.name, 1) },
  ]
}
