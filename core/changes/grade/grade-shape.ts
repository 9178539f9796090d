import { spend } from '../../budget'
import {
  add,
  boundsOf,
  distance,
  dot,
  mapPath,
  measureLength,
  mix,
  reversePath,
  scale,
  subtract,
  unit,
  type Path,
  type Point,
  alongGrain,
} from '../../geometry'
import { displacePath } from '../../moves'
import { lineLevel } from '../../measure'
import {
  centreEdge,
  centreLine,
  dartFigures,
  doubleDartFigures,
  edgePath,
  FOLDED_ROLES,
  frameOf,
  outlineOf,
  type EdgeRole,
  type Frame,
  type NotchPlace,
  type Piece,
  type Shape,
} from '../../pattern'
import { EQUAL_MM, JOIN_MM, SAME_POINT_MM } from '../../tolerances'
import { cardinalsOf } from './cardinals'
import type { Cardinal, Rule } from './schema'

/** A bust dart points at the apex: its tip lies within this of it, mm. */
const NEAR_APEX_MM = 90

/** Edges whose proportion is measured across the grain; all others along it. */
const ACROSS: EdgeRole[] = ['neck', 'shoulder', 'waist', 'hem', 'cap', 'band']

/** Curves that meet their partner at a set angle: their ends keep their directions. */
const EASED: EdgeRole[] = ['neck', 'armhole', 'leg-opening', 'waist', 'hem']

/**
 * A corner on the way from one cardinal point to the next moves in proportion to its place on that way; darts are closed.
 * The way is measured as its edges are, so that the proportion is the same in every size.
 */
function cornerMoves(piece: Piece, shape: Shape, moves: (Point | null)[], frame: Frame): Point[] {
  const n = piece.edges.length
  const known = moves.map((m, i) => (m ? i : -1)).filter((i) => i >= 0)
  if (known.length === 0) return moves.map(() => ({ x: 0, y: 0 }))
  const lengths = piece.edges.map((e) => {
    if (e.role === 'dart-leg' || e.role === 'pleat') return 0
    const path = edgePath(shape, e.id)
    return Math.abs(dot(subtract(path[path.length - 1]!.to, path[0]!.from), measuredAlong(e.role, path, frame)))
  })
  return moves.map((own, i) => {
    if (own) return own
    const before = [...known].reverse().find((k) => k < i) ?? known[known.length - 1]!
    const after = known.find((k) => k > i) ?? known[0]!
    let walked = 0
    let whole = 0
    for (let k = before; k !== after || whole === 0; k = (k + 1) % n) {
      if ((k - before + n) % n < (i - before + n) % n) walked += lengths[k]!
      whole += lengths[k]!
      if ((k + 1) % n === after) break
    }
    const u = whole > 0 ? walked / whole : 0
    return add(scale(moves[before]!, 1 - u), scale(moves[after]!, u))
  })
}

/**
 * One size of a piece made from another: every cardinal point moved by its rule, everything between in proportion
 * (craft 6.5). Darts keep their intake and equal legs; a bust dart moves with the apex. Sleeve caps and bands are
 * settled afterwards, since they follow other pieces.
 *
 * @param totalMm how much the body grows, mm; smaller when negative
 * @param outMm how much further away from the centre single points go than their rule says, mm
 */
export function gradeShape(
  piece: Piece,
  shape: Shape,
  rules: Partial<Record<Cardinal, Rule>>,
  totalMm: number,
  outMm: Partial<Record<Cardinal, number>> = {},
): Shape {
  // Every edge is redrawn and measured anew: dearer than its parts say.
  spend(piece.edges.length * 30)
  const frame = frameOf(piece, shape)
  const outline = outlineOf(piece, shape)
  const box = boundsOf(outline)
  const inside = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 }
  const half = centreEdge(piece) !== undefined
  /** To which side of the middle a place belongs: a half piece has one. */
  const sideOf = (p: Point) => Math.sign(dot(half ? inside : p, frame.across) - frame.middle)
  const move = (rule: Rule, p: Point): Point =>
    add(scale(frame.across, rule.across * totalMm * sideOf(p)), scale(frame.down, rule.along * totalMm))

  const starts = piece.edges.map((e) => edgePath(shape, e.id)[0]!.from)
  const cardinals = cardinalsOf(piece)
  /** Where a wrap ends: beyond the middle of the body no rule for the neck holds. */
  const isWrapEnd = (i: number) =>
    centreLine(piece) !== undefined &&
    cardinals[i] === 'neck-centre' &&
    (dot(starts[i]!, frame.across) - frame.middle) * sideOf(starts[i]!) < 0
  const given = cardinals.map((c, i) => {
    const rule = c ? rules[c] : undefined
    if (!c || !rule || isWrapEnd(i)) return null
    return add(move(rule, starts[i]!), scale(frame.across, (outMm[c] ?? 0) * sideOf(starts[i]!)))
  })
  const corners = cornerMoves(piece, shape, given, frame)
  const target = starts.map((p, i) => add(p, corners[i]!))
  const field = fieldOf(starts, target, given, frame, sideOf)
  piece.edges.forEach((_, i) => {
    if (isWrapEnd(i)) target[i] = wrapEnd(piece, starts, target, i, field, frame)
  })
  const apex = piece.points.find((p) => p.role === 'apex')
  const apexAt = apex ? shape.points[apex.id] : undefined
  const apexMove = apexAt && rules.apex ? move(rules.apex, apexAt) : null
  for (const dart of piece.darts) placeTip(piece, shape, dart, target, apexAt, apexMove)

  const edges: Record<string, Path> = {}
  piece.edges.forEach((edge, i) => {
    const path = edgePath(shape, edge.id)
    const next = (i + 1) % piece.edges.length
    const startBy = subtract(target[i]!, starts[i]!)
    const endBy = subtract(target[next]!, starts[next]!)
    edges[edge.id] =
      edge.role === 'outseam'
        ? displaceOutseam(piece, shape, path, startBy, endBy, hipBy(rules, move, starts[i]!, outMm, sideOf, frame), frame)
        : displacePath(path, measuredAlong(edge.role, path, frame), startBy, endBy, { eased: EASED.includes(edge.role) })
  })
  const lines = Object.fromEntries(
    piece.lines.map(({ id, role }) => {
      const path = shape.lines[id]!
      if (!FOLDED_ROLES.includes(role)) return [id, path.map((s) => movedBy(s, field))]
      // A dart or pleat keeps its shape: it goes as a whole, with its widest place or with the corner where it begins.
      const at = role === 'dart' ? doubleDartFigures(shape, id).middle : path[0]!.from
      const corner = starts.findIndex((p) => distance(p, at) <= JOIN_MM)
      const by = subtract(corner >= 0 ? target[corner]! : field(at), at)
      return [id, mapPath(path, (p) => add(p, by))]
    }),
  )
  const points = Object.fromEntries(
    Object.entries(shape.points).map(([id, p]) => [id, apex?.id === id && apexMove ? add(p, apexMove) : field(p)]),
  )
  const notches = Object.fromEntries(
    piece.notches.map((n): [string, NotchPlace] => {
      const place = shape.notches[n.id]!
      const grown = measureLength(edges[n.edgeId]!) / measureLength(edgePath(shape, n.edgeId))
      return [n.id, { ...place, distanceMm: place.distanceMm * grown }]
    }),
  )
  // The arrow keeps its line and follows the piece down.
  const down = (p: Point) => add(p, scale(frame.down, dot(subtract(field(p), p), frame.down)))
  return { edges, lines, points, notches, grain: { from: down(shape.grain.from), to: down(shape.grain.to) } }
}

/**
 * Where the tip of a dart goes. The leg ends move with their edge, so the intake stays; the tip of a bust dart goes with
 * the apex, any other with its dart. Equal legs stay equal: the tip is kept on the line that halves the intake.
 */
function placeTip(
  piece: Piece,
  shape: Shape,
  dart: Piece['darts'][number],
  target: Point[],
  apexAt: Point | undefined,
  apexMove: Point | null,
): void {
  const first = piece.edges.findIndex((e) => e.id === dart.legs[0])
  const tip = (first + 1) % piece.edges.length
  const second = (first + 2) % piece.edges.length
  const d = dartFigures(piece, shape, dart)
  const aimed = apexAt !== undefined && apexMove !== null && distance(d.tip, apexAt) <= NEAR_APEX_MM
  const wanted = add(d.tip, aimed ? apexMove : subtract(target[first]!, d.first))
  const across = unit(subtract(target[second]!, target[first]!))
  const off = dot(subtract(wanted, mix(target[first]!, target[second]!, 0.5)), across)
  target[tip] = Math.abs(d.firstMm - d.secondMm) <= EQUAL_MM ? subtract(wanted, scale(across, off)) : wanted
}

/** The direction in which an edge's proportions are measured: its role says, unless the edge does not get on that way. */
function measuredAlong(role: EdgeRole, path: Path, frame: Frame): Point {
  const chord = subtract(path[path.length - 1]!.to, path[0]!.from)
  const wide = Math.abs(dot(chord, frame.across))
  const high = Math.abs(dot(chord, frame.down))
  const across = ACROSS.includes(role) ? wide > SAME_POINT_MM : high <= SAME_POINT_MM
  return across ? frame.across : frame.down
}

/** How far out the hip goes on a trouser outseam, or null without a rule for it. */
function hipBy(
  rules: Partial<Record<Cardinal, Rule>>,
  move: (rule: Rule, p: Point) => Point,
  at: Point,
  outMm: Partial<Record<Cardinal, number>>,
  sideOf: (p: Point) => number,
  frame: Frame,
): Point | null {
  const rule = rules['hip-side']
  if (!rule) return null
  return scale(frame.across, dot(move(rule, at), frame.across) + (outMm['hip-side'] ?? 0) * sideOf(at))
}

/** A trouser outseam, from the waist down on every piece: the hip is a place inside it with a width of its own. */
function displaceOutseam(piece: Piece, shape: Shape, path: Path, startBy: Point, endBy: Point, hipOut: Point | null, frame: Frame): Path {
  const from = alongGrain(path[0]!.from, frame.down)
  const to = alongGrain(path[path.length - 1]!.to, frame.down)
  if (to < from) return reversePath(displaceOutseam(piece, shape, reversePath(path), endBy, startBy, hipOut, frame))
  const hip = piece.lines.find((l) => l.role === 'hip')
  const level = hip ? lineLevel(shape, hip.id) : null
  if (level === null || !hipOut || level <= from || level >= to) return displacePath(path, frame.down, startBy, endBy)
  const at = (level - from) / (to - from)
  // The way down stays in proportion, so that a place's share of it never changes: only the width has a rule here.
  const fell = dot(startBy, frame.down) * (1 - at) + dot(endBy, frame.down) * at
  return displacePath(path, frame.down, startBy, endBy, { station: { at, by: add(hipOut, scale(frame.down, fell)) } })
}

/** The end of a wrap goes down as the places at its height do, and across with the lower end of the front edge below it. */
function wrapEnd(piece: Piece, starts: Point[], target: Point[], i: number, field: (p: Point) => Point, frame: Frame): Point {
  const n = piece.edges.length
  const isCentreAfter = piece.edges[i]!.role !== 'neck'
  const below = (i + (isCentreAfter ? 1 : n - 1)) % n
  const across = dot(subtract(target[below]!, starts[below]!), frame.across)
  const down = dot(subtract(field(starts[i]!), starts[i]!), frame.down)
  return add(starts[i]!, add(scale(frame.across, across), scale(frame.down, down)))
}

/** How any place inside moves: down as the corners at its height do, across in proportion to its distance from the middle. */
function fieldOf(
  starts: Point[],
  target: Point[],
  given: (Point | null)[],
  frame: Frame,
  sideOf: (p: Point) => number,
): (p: Point) => Point {
  const stations = starts
    .map((p, i) => ({ p, to: target[i]!, fixed: given[i] !== null }))
    .filter((s) => s.fixed)
    .map((s) => ({
      level: dot(s.p, frame.down),
      out: (dot(s.p, frame.across) - frame.middle) * sideOf(s.p),
      grown: (dot(s.to, frame.across) - frame.middle) * sideOf(s.p),
      fell: dot(subtract(s.to, s.p), frame.down),
    }))
    .filter((s) => s.out > 1)
    .sort((a, b) => a.level - b.level)
  if (stations.length === 0) return (p) => p
  return (p) => {
    const level = dot(p, frame.down)
    const k = stations.findIndex((s) => s.level >= level)
    const b = stations[k < 0 ? stations.length - 1 : k]!
    const a = stations[k < 0 ? stations.length - 1 : Math.max(0, k - 1)]!
    const u = b.level > a.level ? Math.min(1, Math.max(0, (level - a.level) / (b.level - a.level))) : 0
    const mixed = (f: 'out' | 'grown' | 'fell') => a[f] + (b[f] - a[f]) * u
    const out = dot(p, frame.across) - frame.middle
    const wider = out * (mixed('grown') / mixed('out')) - out
    return add(p, add(scale(frame.across, wider), scale(frame.down, mixed('fell'))))
  }
}

function movedBy(s: Path[number], field: (p: Point) => Point): Path[number] {
  if (s.kind === 'line') return { kind: 'line', from: field(s.from), to: field(s.to) }
  return { kind: 'cubic', from: field(s.from), c1: field(s.c1), c2: field(s.c2), to: field(s.to) }
}
