import { findMeasure, figureMm, type MeasureSet } from '../body'
import { cross, findRoot, measureLength, placeAt, subtract, type Path, type Point } from '../geometry'
import {
  beforeOpening,
  centreEdge,
  centreLine,
  edgePath,
  familyOf,
  findPiece,
  isOtherHalf,
  otherHalf,
  shapeOf,
  timesRound,
  type EdgeRole,
  type Garment,
  type Piece,
  type PieceKind,
} from '../pattern'
import { findArmholes, isFacing, shoulderAbove, shoulderLength } from '../seams'
import { LENGTH_FOUND_MM } from '../tolerances'
import type { LengthRow } from './body-lengths'

/** A measure of the body beside the same of the garment, where it is no length between two levels of one piece. */
export type MeasureRow = Pick<LengthRow, 'id' | 'name' | 'bodyMm' | 'garmentMm' | 'missingMm' | 'pieceId'>

/** A sleeve shorter than this part of the arm is meant to be short. */
const LONG_SLEEVE = 0.85

/** A back neckline of more than this part of the neck begins further out than the neck: the shoulder below it is shorter by design. */
const WIDE_NECK = 0.65
/** A neck, mm, where nobody measured it. */
const USUAL_NECK_MM = 380

const edgesMm = (piece: Piece, sizeId: string, role: EdgeRole, isOf: (edgeId: string) => boolean = () => true): number =>
  piece.edges
    .filter((e) => e.role === role && isOf(e.id))
    .reduce((sum, e) => sum + measureLength(edgePath(shapeOf(piece, sizeId), e.id)), 0)

const ofKind = (garment: Garment, kinds: readonly PieceKind[]) => garment.pieces.filter((p) => kinds.includes(p.kind))

/** How far the points of one role of edges reach along the grain, mm: least and most. */
function reach(piece: Piece, sizeId: string, roles: readonly EdgeRole[]): { from: number; to: number } | null {
  const shape = shapeOf(piece, sizeId)
  const { from, to } = shape.grain
  const long = Math.hypot(to.x - from.x, to.y - from.y)
  const at = piece.edges
    .filter((e) => roles.includes(e.role))
    .flatMap((e) => edgePath(shape, e.id).flatMap((s) => [s.from, s.to]))
    .map((p) => (p.x * (to.x - from.x) + p.y * (to.y - from.y)) / long)
  return at.length > 0 ? { from: Math.min(...at), to: Math.max(...at) } : null
}

interface Found {
  mm: number
  pieceId: string
}

/** The shoulder seam of a piece on one side of the body; of sides that differ, the longer. */
function shoulderMm(garment: Garment, piece: Piece): number {
  const mm = (isOf?: (edgeId: string) => boolean) => edgesMm(piece, garment.baseSizeId, 'shoulder', isOf)
  const other = mm(isOtherHalf)
  if (other > 0)
    return Math.max(
      other,
      mm((id) => !isOtherHalf(id)),
    )
  const isParted = isOtherHalf(piece.id) || findPiece(garment, otherHalf(piece.id)) !== undefined
  return isParted ? mm() : (mm() * timesRound(garment, piece)) / 2
}

const has = (piece: Piece, role: EdgeRole) => piece.edges.some((e) => e.role === role)

/** Is a piece a yoke: sewn to the bodice, with an armhole of its own, and no facing? */
function isYoke(garment: Garment, piece: Piece): boolean {
  if (piece.kind !== 'other' || !has(piece, 'armhole') || isFacing(garment, piece)) return false
  const sewn = garment.seams.map((s) => s.sides.flat().map((r) => r.pieceId)).filter((ids) => ids.includes(piece.id))
  return sewn.flat().some((id) => familyOf(findPiece(garment, id)!) === 'bodice')
}

/** The shoulder seam on one side, on a piece that has all of it from the neck to the armhole; better one whose neckline tells where it begins. */
function shoulder(garment: Garment): (Found & { piece: Piece }) | null {
  const whole = garment.pieces.filter(
    (p) => (familyOf(p) === 'bodice' || isYoke(garment, p)) && (['neck', 'shoulder', 'armhole'] as const).every((role) => has(p, role)),
  )
  const backs = whole.filter((p) => p.kind === 'back' || has(p, 'centre-back'))
  const [found] = (backs.length > 0 ? backs : whole)
    .map((piece) => ({ mm: shoulderMm(garment, piece), pieceId: piece.id, piece }))
    .sort((a, b) => b.mm - a.mm)
  return found ?? overPanels(garment)
}

/** The shoulder seam of a back, or a front, that is parted by a panel seam. */
function overPanels(garment: Garment): (Found & { piece: Piece }) | null {
  const sizeId = garment.baseSizeId
  const above = findArmholes(garment).flatMap((a) => [a.back, a.front].map((half) => shoulderAbove(garment, half, sizeId)))
  const [parted] = above.filter((s) => s.panel !== null)
  return parted?.panel ? { mm: shoulderLength(garment, parted, sizeId), pieceId: parted.piece.id, piece: parted.panel.piece } : null
}

/** A sleeve from the top of its cap to its hem; of sleeves that differ, the longer. */
function sleeve(garment: Garment): Found | null {
  const found = ofKind(garment, ['sleeve']).flatMap((piece): Found[] => {
    const cap = reach(piece, garment.baseSizeId, ['cap'])
    const hem = reach(piece, garment.baseSizeId, ['hem'])
    return cap && hem ? [{ mm: hem.to - cap.from, pieceId: piece.id }] : []
  })
  const [first] = found
  return found.filter((f) => beforeOpening(f.pieceId) === beforeOpening(first!.pieceId)).sort((a, b) => b.mm - a.mm)[0] ?? null
}

/** The neckline all round: of fronts, backs, yokes and sleeves that reach up to it, each as far as the middle of the body. */
function neck(garment: Garment): Found | null {
  const isWorn = (p: Piece) => familyOf(p) === 'bodice' || familyOf(p) === 'sleeve' || isYoke(garment, p)
  const pieces = garment.pieces.filter((p) => has(p, 'neck') && isWorn(p) && !isFacing(garment, p))
  const mm = pieces.reduce((sum, p) => sum + neckMmOf(p, garment.baseSizeId) * timesRound(garment, p), 0)
  return pieces[0] ? { mm, pieceId: pieces[0].id } : null
}

/** The neckline of a piece, without what reaches over the middle of the body where buttons are sewn on. */
function neckMmOf(piece: Piece, sizeId: string): number {
  const mm = edgesMm(piece, sizeId, 'neck')
  const drawn = centreLine(piece)
  const shape = shapeOf(piece, sizeId)
  const middle = drawn && shape.lines[drawn.id]
  // A piece that is drawn whole lies on both sides of its middle.
  if (!middle || !centreEdge(piece)) return mm
  const [from, to] = [middle[0]!.from, middle[middle.length - 1]!.to]
  const side = (p: Point) => cross(subtract(to, from), subtract(p, from))
  const paths = piece.edges.filter((e) => e.role === 'neck').map((e) => edgePath(shape, e.id))
  // Of a neckline on both sides of the middle, the longer part is this half's.
  return Math.max(...[1, -1].map((way) => paths.reduce((sum, path) => sum + mmOnSide(path, (p) => way * side(p)), 0)))
}

/** How much of a path lies where a figure is not negative, mm: it changes its sign once at most. */
function mmOnSide(path: Path, side: (p: Point) => number): number {
  const total = measureLength(path)
  const at = (mm: number) => side(placeAt(path, mm).point)
  const [first, last] = [at(0), at(total)]
  if (first >= 0 && last >= 0) return total
  if (first < 0 && last < 0) return 0
  const mm = findRoot(at, 0, total, LENGTH_FOUND_MM) ?? 0
  return first >= 0 ? mm : total - mm
}

function crotch(garment: Garment): Found | null {
  // Of legs that were opened out, one of each pair.
  const pieces = garment.pieces.filter((p) => !isOtherHalf(p.id) && p.edges.some((e) => e.role === 'crotch'))
  const mm = pieces.reduce((sum, p) => sum + edgesMm(p, garment.baseSizeId, 'crotch'), 0)
  return pieces[0] ? { mm, pieceId: pieces[0].id } : null
}

/**
 * What else a wearer has measured beside what the garment gives in its base size: shoulder seam, sleeve, neckline, crotch seam
 * (craft 4: every measure that is taken is used). Nothing is missing where the garment may well differ: a short sleeve, a neckline
 * that lies away from the neck, the shoulder that is left beside it, a crotch seam with room to sit.
 */
export function otherMeasures(garment: Garment, set: MeasureSet | null): MeasureRow[] {
  const row = (id: string, found: Found | null, missing: (bodyMm: number, mm: number) => number | null): MeasureRow[] => {
    const bodyMm = figureMm(set, id) ?? null
    if (!found) return []
    const missingMm = bodyMm === null ? null : missing(bodyMm, found.mm)
    return [{ id, name: findMeasure(id)!.name, bodyMm, garmentMm: found.mm, missingMm, pieceId: found.pieceId }]
  }
  const seam = shoulder(garment)
  const neckMm = seam ? edgesMm(seam.piece, garment.baseSizeId, 'neck') * timesRound(garment, seam.piece) : 0
  const atLeast = (bodyMm: number, mm: number) => (mm < bodyMm ? bodyMm - mm : null)
  return [
    ...row('neck', neck(garment), atLeast),
    ...row('shoulder', seam, (bodyMm, mm) => (neckMm > WIDE_NECK * (figureMm(set, 'neck') ?? USUAL_NECK_MM) ? null : bodyMm - mm)),
    ...row('arm-length', sleeve(garment), (bodyMm, mm) => (mm >= LONG_SLEEVE * bodyMm ? bodyMm - mm : null)),
    ...row('crotch', crotch(garment), atLeast),
  ]
}

/** One of these rows, by the id of its measure; undefined where the garment has nothing of it. */
export const measureRow = (garment: Garment, set: MeasureSet | null, id: string): MeasureRow | undefined =>
  otherMeasures(garment, set).find((r) => r.id === id)
