import { alongGrain } from '../../geometry'
import {
  cornerPoint,
  cornersOf,
  dartFigures,
  edgePath,
  findPiece,
  grainDirection,
  shapeOf,
  type Garment,
  type Piece,
  type Shape,
} from '../../pattern'
import { findArmholes, type Half } from '../../seams'

/** Where a line can run across one half of a garment between shoulder and underarm. */
export interface Across {
  piece: Piece
  /** The corner at the upper end of the armhole of that piece: what the line is measured from. */
  cornerId: string
  /** How far below it the armhole of that piece ends, along the grain in the base size, mm. */
  reachMm: number
}

/** Extent of an edge along the grain of its piece, mm. */
function extentOf(shape: Shape, edgeId: string): [number, number] {
  const along = edgePath(shape, edgeId).flatMap((s) => [s.from, s.to].map((p) => alongGrain(p, grainDirection(shape))))
  return [Math.min(...along), Math.max(...along)]
}

/**
 * The pieces of one half that the greatest part of an armhole lies on, one for each armhole: below a yoke, the panel beside it. None
 * where the garment has no armhole, or where front and back are one piece, so that one half cannot change alone.
 */
export function acrossOf(garment: Garment, half: Half): Across[] {
  const found = findArmholes(garment).flatMap((armhole) => {
    const others = armhole[half === 'front' ? 'back' : 'front'].map((r) => r.pieceId)
    const ids = [...new Set(armhole[half].map((r) => r.pieceId))].filter((id) => !others.includes(id))
    return ids
      .map((id): Across => {
        const piece = findPiece(garment, id)!
        const shape = shapeOf(piece, garment.baseSizeId)
        const runs = armhole[half].filter((r) => r.pieceId === id)
        const { start, end } = cornersOf(piece, runs[0]!.edgeId)
        const corner = runs[0]!.reversed ? end : start
        const topMm = alongGrain(cornerPoint(piece, shape, corner.id)!, grainDirection(shape))
        return { piece, cornerId: corner.id, reachMm: Math.max(...runs.map((r) => extentOf(shape, r.edgeId)[1])) - topMm }
      })
      .sort((a, b) => b.reachMm - a.reachMm)
      .slice(0, 1)
  })
  return found.filter((a, i) => found.findIndex((b) => b.piece.id === a.piece.id) === i)
}

/** More than this part of an armhole’s height changes how an arm moves in it: our own figure. */
export const MUCH_OF_ARMHOLE = 0.2

/** Where the line is tried, as parts of the armhole from its upper end, the likeliest first. */
const TRIED_AT = [0.5, 0.6, 0.4, 0.7, 0.3, 0.2]
/** It stays so far from what it must not cross, mm. */
const CLEAR_MM = 5

/** Does a line of a piece, so far below the corner, run clear of its darts; and of its neckline? */
function clearOf({ piece, cornerId }: Across, shape: Shape, belowMm: number): { darts: boolean; neck: boolean } {
  const atMm = alongGrain(cornerPoint(piece, shape, cornerId)!, grainDirection(shape)) + belowMm
  const isClear = ([from, to]: [number, number]) => atMm < from - CLEAR_MM || atMm > to + CLEAR_MM
  const darts = piece.darts.map((dart): [number, number] => {
    const d = dartFigures(piece, shape, dart)
    const along = [d.first, d.second, d.tip].map((p) => alongGrain(p, grainDirection(shape)))
    return [Math.min(...along), Math.max(...along)]
  })
  return {
    darts: darts.every(isClear),
    neck: piece.edges.filter((e) => e.role === 'neck').every((e) => isClear(extentOf(shape, e.id))),
  }
}

/**
 * A good place for the line, mm below the upper end of the armhole: near its middle, below the neckline where there is room, and
 * through no dart.
 * @returns the place, and whether it runs clear of every dart
 */
export function goodPlace(garment: Garment, across: Across): { belowMm: number; isClear: boolean } {
  const shape = shapeOf(across.piece, garment.baseSizeId)
  const places = TRIED_AT.map((part) => Math.round(part * across.reachMm))
  const clear = places.map((mm) => ({ mm, ...clearOf(across, shape, mm) }))
  const best = clear.find((c) => c.darts && c.neck) ?? clear.find((c) => c.darts)
  return { belowMm: best?.mm ?? places[0]!, isClear: best !== undefined }
}

/** How much a plan takes out across one piece of a front or back at the most, mm; nothing where a line would run through a dart. */
export function mostAcrossMm(garment: Garment, half: Half, pieceId: string): number {
  const across = acrossOf(garment, half).find((a) => a.piece.id === pieceId)
  return across && goodPlace(garment, across).isClear ? Math.floor(MUCH_OF_ARMHOLE * across.reachMm) : 0
}
