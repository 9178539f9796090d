import { agreeWindows, moveBeyond, spreadLevels, type MoveLevel } from '../../../moves'
import { findPiece, grainDirection, outlineOf, shapeOf, type Garment, type Piece, type Shape } from '../../../pattern'
import { add, dot, placeAt, scale, type Point, crossLevel } from '../../../geometry'
import { ok, refuse, type Result } from '../../../result'
import type { TouchedPiece } from '../../types'
import { evenSides, type EvenedEnd } from '../even-sides'
import { findLevel } from './find-level'
import type { LevelsInputs } from './schema'

export interface MovedGarment {
  garment: Garment
  touched: TouchedPiece[]
  leftOut: { pieceId: string; seamId: string; seamName: string }[]
  /** Ends of sides in the asked size that were moved a little more or less, so that their seams are even. */
  evened: EvenedEnd[]
  /** Levels per touched piece in the asked size. */
  levels: Map<string, MoveLevel[]>
}

/** The amounts of the levels: the whole shared out by their shares, mm. */
export function shareOut(inputs: Pick<LevelsInputs, 'amountMm' | 'levels'>): number[] {
  const whole = inputs.levels.reduce((sum, l) => sum + l.share, 0)
  return inputs.levels.map((l) => (inputs.amountMm * l.share) / whole)
}

/** A level's line across a piece, drawn a little past its outermost edges. */
export function levelLine(piece: Piece, shape: Shape, levelMm: number): { from: Point; to: Point } {
  const grain = grainDirection(shape)
  // Left to right for a grain that points down the page.
  const across = { x: grain.y, y: -grain.x }
  const outline = outlineOf(piece, shape)
  const at = crossLevel(outline, grain, levelMm).map((c) => dot(placeAt(outline, c.atMm).point, across))
  const base = scale(grain, levelMm)
  const past = 12
  return { from: add(base, scale(across, Math.min(...at) - past)), to: add(base, scale(across, Math.max(...at) + past)) }
}

/**
 * Lengthens or shortens a garment at levels in every size: finds the levels, carries them to the partners, agrees the
 * redrawing, moves. Does not judge the outlines that come out.
 */
export function moveGarment(garment: Garment, inputs: LevelsInputs, sizeId: string): Result<MovedGarment> {
  const asked = findPiece(garment, inputs.pieceId)
  if (!asked)
    return refuse('reference-gone', 'piece', 'the piece this change was made for has gone.', 'Delete the change, or choose another piece.')
  const amounts = shareOut(inputs)
  let pieces = garment.pieces
  let main: Pick<MovedGarment, 'levels' | 'leftOut' | 'evened'> | null = null
  for (const size of garment.sizes) {
    const levels: MoveLevel[] = []
    for (const [i, level] of inputs.levels.entries()) {
      const at = findLevel(asked, shapeOf(asked, size.id), level)
      if (!at.ok) return at
      levels.push({ id: level.id, atMm: at.value, amountMm: amounts[i]! })
    }
    const spread = spreadLevels(garment, size.id, asked.id, levels, inputs.leftOut)
    const crossings = agreeWindows(garment, size.id, spread.levels)
    pieces = pieces.map((piece) => {
      const own = spread.levels.get(piece.id)
      if (!own || own.every((l) => l.amountMm === 0)) return piece
      const shape = moveBeyond(piece, piece.shapes[size.id]!, own, crossings.get(piece.id)!)
      return { ...piece, shapes: { ...piece.shapes, [size.id]: shape } }
    })
    const evened = evenSides(garment, { ...garment, pieces }, size.id)
    pieces = evened.garment.pieces
    if (size.id === sizeId)
      main = {
        evened: evened.ends,
        levels: spread.levels,
        leftOut: [...spread.leftOut].map(([pieceId, { seamId, seamName }]) => ({ pieceId, seamId, seamName })),
      }
  }
  if (!main) throw new Error(`garment has no size ${sizeId}`)
  const touched = [...main.levels].map(([pieceId, levels]): TouchedPiece => {
    const piece = findPiece(garment, pieceId)!
    const shape = shapeOf(piece, sizeId)
    return {
      pieceId,
      how: pieceId === asked.id ? 'asked' : 'partner',
      levels: levels.map((l) => ({
        id: l.id,
        label: levels.length > 1 ? `line ${inputs.levels.findIndex((x) => x.id === l.id) + 1}` : 'line',
        line: levelLine(piece, shape, l.atMm),
        amountMm: l.amountMm,
      })),
    }
  })
  return ok({ garment: pieces === garment.pieces ? garment : { ...garment, pieces }, touched, ...main })
}
