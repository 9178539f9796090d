import type { Point } from '../geometry'
import { findPiece, neighbours, type Dart, type EdgeRole, type Garment, type Piece, type Shape } from '../pattern'
import { closeDart } from './close-dart'
import { pressOf } from './find-apex'
import { drawTipBack } from './finish-dart'
import { equaliseLegs } from './grow-leg'
import { edgeFamily, insertDart, type DartMouth } from './insert-dart'
import { mapShapes } from './map-shapes'
import { angleFrom, turnAboutApex } from './turn-about-apex'

const TEMPORARY = 'dart at the new place'

/** A dart of a garment that is known to be there. */
export function dartOf(garment: Garment, pieceId: string, dartId: string): { piece: Piece; dart: Dart } {
  const piece = findPiece(garment, pieceId)!
  return { piece, dart: piece.darts.find((d) => d.id === dartId)! }
}

/** Marks the apex on a piece that has none there yet, so that later changes turn about the same place. */
export function markApex(garment: Garment, pieceId: string, apexOf: (sizeId: string) => Point): Garment {
  const piece = findPiece(garment, pieceId)!
  const base = apexOf(garment.baseSizeId)
  const there = piece.points.some((p) => {
    const at = piece.shapes[garment.baseSizeId]!.points[p.id]!
    return p.role === 'apex' && at.x === base.x && at.y === base.y
  })
  if (there) return garment
  const ids = new Set(piece.points.map((p) => p.id))
  let id = 'apex'
  for (let i = 2; ids.has(id); i++) id = `apex-${i}`
  const marked = { ...piece, points: [...piece.points, { id, name: 'apex', role: 'apex' as const }] }
  const pieces = garment.pieces.map((p) => (p.id === pieceId ? marked : p))
  return mapShapes({ ...garment, pieces }, pieceId, (_, shape, sizeId) => ({
    ...shape,
    points: { ...shape.points, [id]: apexOf(sizeId) },
  }))
}

/** The ids that a dart's legs and their corners go by. */
interface DartIds {
  id: string
  legs: [string, string]
  corners: [string, string]
}

const freshIds = (id: string): DartIds => ({
  id,
  legs: [`${id}/first`, `${id}/second`],
  corners: [`${id}:first end`, `${id}:tip`],
})

/** Gives a dart that was put in under another id its own: its legs, corners and the part of its edge are called after it. */
function renameDart(garment: Garment, pieceId: string, from: string, to: DartIds, name: string): Garment {
  const piece = findPiece(garment, pieceId)!
  const was = freshIds(from)
  const known = new Map([
    [was.legs[0], to.legs[0]],
    [was.legs[1], to.legs[1]],
    [was.corners[0], to.corners[0]],
    [was.corners[1], to.corners[1]],
    [`${from}:second end`, `${to.id}:second end`],
  ])
  const idOf = (id: string): string => known.get(id) ?? (id.endsWith(`>${from}`) ? `${edgeFamily(id)}>${to.id}` : id)
  const called = (text: string) => text.replace(from, name)
  const renamed: Piece = {
    ...piece,
    edges: piece.edges.map((e) => ({ ...e, id: idOf(e.id), name: called(e.name) })),
    corners: piece.corners.map((c) => ({ ...c, id: idOf(c.id), name: called(c.name) })),
    notches: piece.notches.map((n) => ({ ...n, edgeId: idOf(n.edgeId) })),
    darts: piece.darts.map((d) => (d.id === from ? { ...d, id: to.id, name, legs: to.legs } : d)),
    shapes: Object.fromEntries(
      Object.entries(piece.shapes).map(([id, s]) => [
        id,
        { ...s, edges: Object.fromEntries(Object.entries(s.edges).map(([e, path]) => [idOf(e), path])) },
      ]),
    ),
  }
  return {
    ...garment,
    pieces: garment.pieces.map((p) => (p.id === pieceId ? renamed : p)),
    seams: garment.seams.map((s) => {
      const walk = (side: (typeof s.sides)[0]) => side.map((r) => (r.pieceId === pieceId ? { ...r, edgeId: idOf(r.edgeId) } : r))
      return { ...s, sides: [walk(s.sides[0]), walk(s.sides[1])] }
    }),
  }
}

/** Which way the dart is pressed where it lies now. */
export function pressAnew(garment: Garment, pieceId: string, dartId: string): Garment {
  const { piece, dart } = dartOf(garment, pieceId, dartId)
  const pressTo = pressOf(piece, piece.shapes[garment.baseSizeId]!, dart)
  const made = { ...piece, darts: piece.darts.map((d) => (d.id === dartId ? { ...d, pressTo } : d)) }
  return { ...garment, pieces: garment.pieces.map((p) => (p.id === pieceId ? made : p)) }
}

/** Was the slit for a new place cut right beside the dart that is to move there? */
function besideItself(slit: Garment, pieceId: string, dartId: string): boolean {
  const { piece, dart } = dartOf(slit, pieceId, dartId)
  const cut = dartOf(slit, pieceId, TEMPORARY).dart
  return neighbours(piece, cut.legs[1]).after.id === dart.legs[0] || neighbours(piece, cut.legs[0]).before.id === dart.legs[1]
}

/** Darts that are called after their place are called after the new one; a name of one's own is kept. */
function nameAt(name: string, role: EdgeRole): string {
  const after = PLACE_NAMES[role]
  return after && /^(side|armhole|shoulder|neck|waist|hem|slanted) dart/.test(name) ? `${after} dart` : name
}
const PLACE_NAMES: Partial<Record<EdgeRole, string>> = {
  side: 'side',
  armhole: 'armhole',
  shoulder: 'shoulder',
  neck: 'neck',
  waist: 'waist',
  hem: 'hem',
}

export interface DartMove {
  pieceId: string
  dartId: string
  /** What the dart is turned about, in each size. */
  apexOf: (sizeId: string) => Point
  /** Where the new dart begins: a slit in an edge, the same edge in each size. */
  mouthOf: (shape: Shape) => DartMouth
  /** How much of the angle goes, 0 to 1; with less than the whole the dart is split and the rest stays. */
  share: number
  /** Whether the edge is drawn smoothly over the place that closed. */
  trued: boolean
}

/**
 * Moves a dart, or a share of it, to another place round its apex (craft 6.11): cut there to the apex, the old one swung
 * closed. Its angle at the apex is kept exactly, and so is every edge outside the two darts. Tips come to lie on the apex.
 *
 * @returns the garment and the id of the dart in the new place: its own when the whole of it went
 */
export function moveDart(
  garment: Garment,
  { pieceId, dartId, apexOf, mouthOf, share, trued }: DartMove,
): { garment: Garment; dartId: string } {
  const { piece: old, dart } = dartOf(garment, pieceId, dartId)
  const { legs } = dart
  const mouth = mouthOf(old.shapes[garment.baseSizeId]!)
  const role = old.edges.find((e) => e.id === mouth.edgeId)!.role
  const name = nameAt(dart.name, role)
  const cornerAt = (edgeId: string) => old.corners[old.edges.findIndex((e) => e.id === edgeId)]!.id
  const marked = markApex(garment, pieceId, apexOf)
  const slit = insertDart(marked, pieceId, { id: TEMPORARY, name: TEMPORARY }, mouthOf, apexOf)
  // In its own mouth there is nothing to turn: only its legs are drawn to the apex.
  if (besideItself(slit, pieceId, dartId)) return { garment: finishTip(marked, pieceId, dartId, apexOf, 0), dartId }
  const turned = mapShapes(slit, pieceId, (piece, shape, sizeId) => {
    const angle = angleFrom(
      apexOf(sizeId),
      shape,
      piece.darts.find((d) => d.id === dartId)!,
    )
    const angles = new Map([
      [dartId, angle * (1 - share)],
      [TEMPORARY, angle * share],
    ])
    return turnAboutApex(piece, shape, apexOf(sizeId), angles)
  })
  if (share >= 1) {
    const closed = renameDart(
      closeDart(turned, pieceId, dartId, trued),
      pieceId,
      TEMPORARY,
      { id: dartId, legs, corners: [cornerAt(legs[0]), cornerAt(legs[1])] },
      name,
    )
    return { garment: pressAnew(closed, pieceId, dartId), dartId }
  }
  const ids = new Set(findPiece(garment, pieceId)!.darts.map((d) => d.id))
  let second = `${dartId}-2`
  for (let i = 3; ids.has(second); i++) second = `${dartId}-${i}`
  return {
    garment: pressAnew(renameDart(turned, pieceId, TEMPORARY, freshIds(second), name === dart.name ? `${name} 2` : name), pieceId, second),
    dartId: second,
  }
}

/** Merges one dart into another with the same apex: the first closes, the second opens by its angle (craft 6.11). */
export function mergeDarts(
  garment: Garment,
  pieceId: string,
  fromId: string,
  intoId: string,
  apexOf: (sizeId: string) => Point,
  trued: boolean,
): Garment {
  const turned = mapShapes(markApex(garment, pieceId, apexOf), pieceId, (piece, shape, sizeId) => {
    const apex = apexOf(sizeId)
    const angle = (id: string) =>
      angleFrom(
        apex,
        shape,
        piece.darts.find((d) => d.id === id)!,
      )
    const angles = new Map([
      [fromId, 0],
      [intoId, angle(fromId) + angle(intoId)],
    ])
    return turnAboutApex(piece, shape, apex, angles)
  })
  return closeDart(turned, pieceId, fromId, trued)
}

const FOLD = 'pinned fold'

/**
 * Takes a fold that was pinned at an edge in a fitting into a dart (craft 6.11): a wedge from the two pins to the apex is
 * closed, the dart opens by its angle, and its legs are made equal. The pins nearest the edge decide the wedge.
 *
 * @param mouthOf the stretch of the edge between the pins, in each size
 */
export function takeInFold(
  garment: Garment,
  pieceId: string,
  dartId: string,
  mouthOf: (shape: Shape) => DartMouth,
  apexOf: (sizeId: string) => Point,
  trued: boolean,
): Garment {
  const wedge = insertDart(garment, pieceId, { id: FOLD, name: FOLD }, mouthOf, apexOf)
  const merged = mergeDarts(wedge, pieceId, FOLD, dartId, apexOf, trued)
  return mapShapes(merged, pieceId, (piece, shape) =>
    equaliseLegs(
      piece,
      shape,
      piece.darts.find((d) => d.id === dartId)!,
    ),
  )
}

/** Ends the tip of a dart short of its apex, in every size. */
export function finishTip(garment: Garment, pieceId: string, dartId: string, apexOf: (sizeId: string) => Point, backMm: number): Garment {
  return mapShapes(garment, pieceId, (piece, shape, sizeId) =>
    drawTipBack(
      piece,
      shape,
      piece.darts.find((d) => d.id === dartId)!,
      apexOf(sizeId),
      backMm,
    ),
  )
}
