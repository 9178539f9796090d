import type { Point } from '../geometry'
import { dartIn, findPiece, neighbours, type EdgeRole, type Garment, type Shape, mapShapes } from '../pattern'
import { closeDart } from './close-dart'
import { finishTip, pressAnew } from './finish-dart'
import { insertDart, type DartMouth } from './insert-dart'

import { markApex } from './mark-apex'
import { freshIds, renameDart } from './rename-dart'
import { angleFrom, turnAboutApex } from './turn-about-apex'

const TEMPORARY = 'dart at the new place'

/** Was the slit for a new place cut right beside the dart that is to move there? */
function besideItself(slit: Garment, pieceId: string, dartId: string): boolean {
  const piece = findPiece(slit, pieceId)!
  const [dart, cut] = [dartIn(piece, dartId), dartIn(piece, TEMPORARY)]
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
  const old = findPiece(garment, pieceId)!
  const dart = dartIn(old, dartId)
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
    const angle = angleFrom(apexOf(sizeId), shape, dartIn(piece, dartId))
    const angles = new Map([
      [dartId, angle * (1 - share)],
      [TEMPORARY, angle * share],
    ])
    return turnAboutApex(piece, shape, apexOf(sizeId), angles)
  })
  if (share >= 1) {
    const closed = renameDart(
      closeDart(turned, pieceId, dartId, trued ? 'true' : 'meet'),
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
