import { alongGrain } from '../../../geometry'
import { narrowestPlace } from '../../../measure'
import { edgePath, grainDirection, markLinesOf, shapeOf, type Garment, type Piece } from '../../../pattern'

import { ok, refuse, type Result } from '../../../result'
import { markLevel } from './find-level'
import type { Level, LevelsInputs, Mark } from './schema'

const LONG_ROLES = ['side', 'outseam', 'underarm', 'inseam', 'panel']

/** A good first line for a piece: the printed one, else the waist, else the middle of its longest upright edge. */
export function firstLevel(piece: Piece, sizeId: string): Level {
  const shape = shapeOf(piece, sizeId)
  const printed = piece.lines.find((l) => l.role === 'shorten')
  if (printed) return { id: 'line-1', share: 1, mark: { by: 'line', id: printed.id }, belowMm: 0 }
  if (narrowestPlace(piece, shape) !== null) return { id: 'line-1', share: 1, mark: { by: 'narrowest' }, belowMm: 0 }
  const grain = grainDirection(shape)
  const upright = piece.edges
    .filter((e) => e.role !== 'dart-leg')
    .map((e) => {
      const path = edgePath(shape, e.id)
      const a = alongGrain(path[0]!.from, grain)
      const b = alongGrain(path[path.length - 1]!.to, grain)
      return { e, top: Math.min(a, b), rise: Math.abs(a - b), fromStart: a <= b, preferred: LONG_ROLES.includes(e.role) }
    })
    .sort((x, y) => Number(y.preferred) - Number(x.preferred) || y.rise - x.rise)[0]!
  const i = piece.edges.indexOf(upright.e)
  const corner = piece.corners[upright.fromStart ? i : (i + 1) % piece.corners.length]!
  return { id: 'line-1', share: 1, mark: { by: 'corner', id: corner.id }, belowMm: Math.round(upright.rise / 2) }
}

/** Inputs to begin with: amount zero, one line on the first body piece, nobody left out. */
export function beginAtLevels(garment: Garment, context: { sizeId: string }): Result<LevelsInputs> {
  const piece = garment.pieces.find((p) => p.kind !== 'band' && p.kind !== 'sleeve') ?? garment.pieces[0]
  if (!piece) return refuse('no-piece', 'garment', 'it has no pieces yet.', 'Import a piece first.')
  return ok({ amountMm: 0, pieceId: piece.id, levels: [firstLevel(piece, context.sizeId)], leftOut: [] })
}

/** All marks of a piece that a line can be measured from, with their names' ids, from the top down. */
export function marksOf(piece: Piece, sizeId: string): Mark[] {
  const shape = shapeOf(piece, sizeId)
  const all: Mark[] = [
    { by: 'narrowest' },
    ...markLinesOf(piece).map((l): Mark => ({ by: 'line', id: l.id })),
    ...piece.notches.map((n): Mark => ({ by: 'notch', id: n.id })),
    ...piece.corners.map((c): Mark => ({ by: 'corner', id: c.id })),
  ]
  return all
    .map((mark) => ({ mark, at: markLevel(piece, shape, mark) }))
    .filter((m): m is { mark: Mark; at: number } => m.at !== undefined)
    .sort((a, b) => a.at - b.at)
    .map((m) => m.mark)
}
