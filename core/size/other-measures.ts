import { findMeasure, figureMm, type MeasureSet } from '../body'
import { measureLength } from '../geometry'
import {
  beforeOpening,
  edgePath,
  findPiece,
  otherHalf,
  shapeOf,
  timesCut,
  type EdgeRole,
  type Garment,
  type Piece,
  type PieceKind,
} from '../pattern'
import { findArmholes, shoulderAbove, shoulderLength } from '../seams'
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

/** Is a piece, or an edge, the other half of one that was opened out? */
const isOther = (id: string): boolean => beforeOpening(id) !== id

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
  const other = mm(isOther)
  if (other > 0)
    return Math.max(
      other,
      mm((id) => !isOther(id)),
    )
  const isParted = isOther(piece.id) || findPiece(garment, otherHalf(piece.id)) !== undefined
  return isParted ? mm() : (mm() * timesCut(piece)) / 2
}

/** The shoulder seam on one side, on a piece that has all of it from the neck to the armhole; better one whose neckline tells where it begins. */
function shoulder(garment: Garment): (Found & { piece: Piece }) | null {
  const whole = ofKind(garment, ['front', 'back']).filter((p) =>
    (['neck', 'shoulder', 'armhole'] as const).every((role) => p.edges.some((e) => e.role === role)),
  )
  const backs = whole.filter((p) => p.kind === 'back')
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

function neck(garment: Garment): Found | null {
  const pieces = ofKind(garment, ['front', 'back']).filter((p) => p.edges.some((e) => e.role === 'neck'))
  const mm = pieces.reduce((sum, p) => sum + edgesMm(p, garment.baseSizeId, 'neck') * timesCut(p), 0)
  return pieces[0] ? { mm, pieceId: pieces[0].id } : null
}

function crotch(garment: Garment): Found | null {
  // Of legs that were opened out, one of each pair.
  const pieces = garment.pieces.filter((p) => !isOther(p.id) && p.edges.some((e) => e.role === 'crotch'))
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
  const neckMm = seam ? edgesMm(seam.piece, garment.baseSizeId, 'neck') * timesCut(seam.piece) : 0
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
