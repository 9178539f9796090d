import {
  cutPath,
  distance,
  flattenPath,
  intersectPaths,
  line,
  measureLength,
  nearestPlace,
  placeAt,
  type Path,
  type Point,
} from '../../geometry'
import { edgePath, outlineOf, type Piece, type Shape } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { FLATTEN_MM, PARALLEL_RAD, SAME_POINT_MM, SNAP_MM } from '../../tolerances'

/** An end of a slash: a place on an edge, mm from the edge's start, or a point inside at which slashes meet. */
export type SlashEnd = { edgeId: string; atMm: number } | { point: Point }

/** A straight cut through the paper, or one that bends at points inside. */
export interface Slash {
  from: SlashEnd
  through: Point[]
  to: SlashEnd
}

/** A stretch of an edge that belongs to one part, mm along the edge. */
export interface PartBit {
  edgeId: string
  fromMm: number
  toMm: number
}

/** What a piece falls into. */
export interface Part {
  bits: PartBit[]
  /** Its closed outline: stretches of the piece's edges and the slashes. */
  outline: Path
}

export interface CutPiece {
  parts: Part[]
  /** Per slash: the parts to the left and the right of its first stretch when walking it, and its two ends. */
  slashes: { left: number; right: number; from: Point; to: Point }[]
  /** Edges whose end (not their start) slashes were said to run to: at that corner this edge is led over the opening. */
  cutAtEnd: ReadonlySet<string>
}

interface Node {
  point: Point
  /** Along the whole outline, mm; null inside. */
  onMm: number | null
}

interface HalfEdge {
  from: number
  to: number
  path: Path
  /** A stretch of the outline, walked with it, or a slash. */
  along: { fromMm: number; toMm: number } | { slash: number; first: boolean; forward: boolean }
}

/** How far from a node the way that a line leaves it is looked at, mm: two lines may leave with the same direction. */
const LOOK_MM = 0.5

/** Where every edge begins along the outline, mm, and the whole length. */
function edgeStarts(piece: Piece, shape: Shape): { starts: number[]; totalMm: number } {
  let totalMm = 0
  const starts = piece.edges.map((e) => {
    const at = totalMm
    totalMm += measureLength(edgePath(shape, e.id))
    return at
  })
  return { starts, totalMm }
}

/**
 * Cuts a piece along slashes. Slashes run from edge to edge, or meet at points inside; at a hinge the paper hangs
 * together, so a hinge is only the end of a slash here.
 * Refuses by name: a slash from an edge that has gone or beside it, one that leaves the piece on its way, two that cross
 * between their ends, one that ends alone inside the piece or parts nothing.
 */
export function cutPiece(piece: Piece, shape: Shape, slashes: readonly Slash[]): Result<CutPiece> {
  const outline = outlineOf(piece, shape)
  const { starts, totalMm } = edgeStarts(piece, shape)
  const nodes: Node[] = []
  const nodeAt = (node: Node): number => {
    const same = nodes.findIndex(
      (n) =>
        distance(n.point, node.point) <= SNAP_MM &&
        // Two places of an outline that happen to touch are not one place.
        (n.onMm === null || node.onMm === null || near(n.onMm, node.onMm, totalMm)),
    )
    if (same >= 0) return same
    nodes.push(node)
    return nodes.length - 1
  }
  const halves: HalfEdge[] = []
  const cutAtEnd = new Set<string>()
  for (const [i, slash] of slashes.entries()) {
    const ids: number[] = []
    for (const end of [slash.from, ...slash.through.map((point) => ({ point })), slash.to]) {
      if (!('edgeId' in end)) {
        ids.push(nodeAt({ point: end.point, onMm: null }))
        continue
      }
      const k = piece.edges.findIndex((e) => e.id === end.edgeId)
      if (k < 0)
        return refuse(
          'reference-gone',
          piece.name,
          `the edge that ${called(i, slashes.length)} starts or ends at has gone.`,
          'Choose another edge.',
        )
      const path = edgePath(shape, end.edgeId)
      const length = measureLength(path)
      if (end.atMm < -SNAP_MM || end.atMm > length + SNAP_MM)
        return refuse(
          'slash-beside-edge',
          `${piece.name}, ${piece.edges[k]!.name}`,
          'the slash would end beside this edge.',
          'Choose a place on the edge.',
        )
      const atMm = end.atMm <= SNAP_MM ? 0 : end.atMm >= length - SNAP_MM ? length : end.atMm
      if (atMm === length) cutAtEnd.add(end.edgeId)
      const onMm = (starts[k]! + atMm) % totalMm
      ids.push(nodeAt({ point: placeAt(path, atMm).point, onMm }))
    }
    for (let k = 0; k + 1 < ids.length; k++) {
      const [a, b] = [ids[k]!, ids[k + 1]!]
      if (a === b) return refuse('slash-short', piece.name, `${called(i, slashes.length)} has no length.`, 'Choose ends that lie apart.')
      const path: Path = [line(nodes[a]!.point, nodes[b]!.point)]
      const own = { slash: i, first: k === 0 }
      halves.push({ from: a, to: b, path, along: { ...own, forward: true } })
      halves.push({ from: b, to: a, path: [line(nodes[b]!.point, nodes[a]!.point)], along: { ...own, forward: false } })
    }
  }
  const wrong = checkSlashes(piece, outline, nodes, halves, slashes.length)
  if (wrong) return wrong
  addOutline(outline, totalMm, nodes, halves)
  const faces = traceFaces(nodes, halves)
  const parts = faces.map((face): Part => ({ bits: bitsOf(piece, shape, face, starts), outline: face.flatMap((h) => [...h.path]) }))
  const sideOf = (slash: number, forward: boolean) =>
    faces.findIndex((f) => f.some((h) => 'slash' in h.along && h.along.slash === slash && h.along.first && h.along.forward === forward))
  const sides = slashes.map((_, i) => {
    const own = halves.filter((h) => 'slash' in h.along && h.along.slash === i && h.along.forward)
    return { left: sideOf(i, false), right: sideOf(i, true), from: own[0]!.path[0]!.from, to: own[own.length - 1]!.path[0]!.to }
  })
  const alone = sides.findIndex((s) => s.left === s.right)
  if (alone >= 0)
    return refuse(
      'slash-parts-nothing',
      piece.name,
      `${called(alone, slashes.length)} ends inside the piece and parts nothing.`,
      'Lead it on to an edge, or let it meet another slash.',
    )
  return ok({ parts, slashes: sides, cutAtEnd })
}

/** A slash in a sentence: the only one needs no number. */
const called = (i: number, count: number) => (count === 1 ? 'the cut' : `slash ${i + 1}`)

const near = (a: number, b: number, totalMm: number) => {
  const d = Math.abs(a - b)
  return Math.min(d, totalMm - d) <= SNAP_MM
}

/** A slash must stay inside the piece and cross no other slash between its ends. */
function checkSlashes(
  piece: Piece,
  outline: Path,
  nodes: readonly Node[],
  halves: readonly HalfEdge[],
  count: number,
): Result<never> | null {
  const forward = halves.filter((h) => 'slash' in h.along && h.along.forward)
  const polygon = flattenPath(outline, FLATTEN_MM)
  for (const [i, h] of forward.entries()) {
    const name = called('slash' in h.along ? h.along.slash : 0, count)
    const ends = [nodes[h.from]!.point, nodes[h.to]!.point]
    const leaves =
      intersectPaths(h.path, outline).some((c) => ends.every((e) => distance(c.point, e) > SNAP_MM)) ||
      !containsPoint(polygon, placeAt(h.path, measureLength(h.path) / 2).point)
    if (leaves)
      return refuse(
        'slash-leaves-piece',
        piece.name,
        `${name} leaves the piece on its way.`,
        'Move one of its ends, or choose an edge that it can reach straight through the paper.',
      )
    for (const other of forward.slice(i + 1))
      if (intersectPaths(h.path, other.path).some((c) => ends.every((e) => distance(c.point, e) > SNAP_MM)))
        return refuse('slashes-cross', piece.name, `${name} crosses another.`, 'Let them meet in one point, or move one of them.')
  }
  return null
}

/** The outline between the places at which slashes end, walked with it. */
function addOutline(outline: Path, totalMm: number, nodes: readonly Node[], halves: HalfEdge[]): void {
  const on = nodes.map((n, id) => ({ id, onMm: n.onMm })).filter((n): n is { id: number; onMm: number } => n.onMm !== null)
  on.sort((a, b) => a.onMm - b.onMm)
  for (const [i, a] of on.entries()) {
    const b = on[(i + 1) % on.length]!
    const toMm = b.onMm > a.onMm ? b.onMm : b.onMm + totalMm
    halves.push({ from: a.id, to: b.id, path: walkOutline(outline, totalMm, a.onMm, toMm), along: { fromMm: a.onMm, toMm } })
  }
}

function walkOutline(outline: Path, totalMm: number, fromMm: number, toMm: number): Path {
  if (toMm <= totalMm) return cutBetween(outline, fromMm, toMm)
  return [...cutBetween(outline, fromMm, totalMm), ...cutBetween(outline, 0, toMm - totalMm)]
}

function cutBetween(path: Path, fromMm: number, toMm: number): Path {
  return toMm - fromMm <= SAME_POINT_MM ? [] : cutPath(path, fromMm, toMm)
}

/** The areas that outline and slashes enclose, each walked with its paper on the right (outlines run clockwise). */
function traceFaces(nodes: readonly Node[], halves: readonly HalfEdge[]): HalfEdge[][] {
  const leaving = nodes.map((n, id) => {
    const angleOf = (h: HalfEdge) => {
      const total = measureLength(h.path)
      const p = placeAt(h.path, Math.min(LOOK_MM, total / 2)).point
      return Math.atan2(p.y - n.point.y, p.x - n.point.x)
    }
    // Back along the outline there is nothing to walk, but a way in from there counts when turning.
    return halves.filter((h) => h.from === id).map((h) => ({ h, angle: angleOf(h) }))
  })
  const wayBack = (h: HalfEdge): number => {
    const total = measureLength(h.path)
    const p = placeAt(h.path, Math.max(total - LOOK_MM, total / 2)).point
    const at = nodes[h.to]!.point
    return Math.atan2(p.y - at.y, p.x - at.x)
  }
  const next = (h: HalfEdge): HalfEdge => {
    const back = wayBack(h)
    const turn = (angle: number) => {
      const t = (back - angle) % (2 * Math.PI)
      return t <= PARALLEL_RAD ? t + 2 * Math.PI : t
    }
    return leaving[h.to]!.reduce((a, b) => (turn(b.angle) < turn(a.angle) ? b : a)).h
  }
  const seen = new Set<HalfEdge>()
  const faces: HalfEdge[][] = []
  for (const start of halves) {
    if (seen.has(start)) continue
    const face: HalfEdge[] = []
    for (let h = start; !seen.has(h); h = next(h)) {
      seen.add(h)
      face.push(h)
    }
    faces.push(face)
  }
  return faces
}

/** The stretches of edges along a face. */
function bitsOf(piece: Piece, shape: Shape, face: readonly HalfEdge[], starts: readonly number[]): PartBit[] {
  const bits: PartBit[] = []
  const totalMm = starts[starts.length - 1]! + measureLength(edgePath(shape, piece.edges[piece.edges.length - 1]!.id))
  for (const h of face) {
    if ('slash' in h.along) continue
    const { fromMm, toMm } = h.along
    for (const round of [0, totalMm])
      piece.edges.forEach((edge, k) => {
        const start = starts[k]! + round
        const length = (starts[k + 1] ?? totalMm) - starts[k]!
        const from = Math.max(fromMm, start) - start
        const to = Math.min(toMm, start + length) - start
        if (to - from > SAME_POINT_MM) bits.push({ edgeId: edge.id, fromMm: from, toMm: to })
      })
  }
  return bits
}

/** Is a point inside a closed polygon (even-odd)? */
export function containsPoint(polygon: readonly Point[], p: Point): boolean {
  let inside = false
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const a = polygon[i]!
    const b = polygon[j]!
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) inside = !inside
  }
  return inside
}

/** The part in which a point lies; the one whose outline is nearest for a point outside all (a mark beside the line). */
export function partOfPoint(cut: CutPiece, p: Point): number {
  const found = cut.parts.findIndex((part) => containsPoint(flattenPath(part.outline, FLATTEN_MM), p))
  if (found >= 0) return found
  const gaps = cut.parts.map((part) => nearestPlace(part.outline, p).distanceMm)
  return gaps.indexOf(Math.min(...gaps))
}

/** The part to which a place on an edge belongs, mm from the edge's start; at a cut, the part before it. */
export function partOfPlace(cut: CutPiece, edgeId: string, atMm: number): number {
  return cut.parts.findIndex((part) =>
    part.bits.some((b) => b.edgeId === edgeId && atMm >= b.fromMm - SAME_POINT_MM && atMm <= b.toMm + SAME_POINT_MM),
  )
}
