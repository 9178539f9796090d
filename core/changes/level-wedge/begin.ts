import { crossLevel, alongGrain, placeAt, measureLength, nearestPlace } from '../../geometry'
import { cutPiece } from '../../moves'
import { edgePath, grainDirection, halfOf, shapeOf, type EdgeRole, type Garment, type Piece } from '../../pattern'
import { type Result, ok, refuse } from '../../result'
import type { Concept } from '../../wishes'
import type { ChangeContext } from '../types'
import { startsAbove, placeBelow } from './places'
import type { LevelWedgeInputs } from './schema'

const WIDEST: EdgeRole[] = ['centre-back', 'centre-front', 'crotch', 'neck']
const HINGES: EdgeRole[] = ['side', 'outseam']

/** The same wedge with its hinge on the level of its mouth, where that meets the side; else where it was. */
export function levelAcross(piece: Piece, inputs: LevelWedgeInputs, sizeId: string): LevelWedgeInputs {
  const shape = shapeOf(piece, sizeId)
  const atMm = shape.edges[inputs.edgeId] ? placeBelow(shape, inputs.edgeId, inputs.belowMm) : null
  const [hinge] =
    atMm === null
      ? []
      : crossLevel(
          edgePath(shape, inputs.hingeEdgeId),
          grainDirection(shape),
          alongGrain(placeAt(edgePath(shape, inputs.edgeId), atMm).point, grainDirection(shape)),
        )
  if (!hinge) return inputs
  const sideMm = measureLength(edgePath(shape, inputs.hingeEdgeId))
  const hingeBelowMm = startsAbove(shape, inputs.hingeEdgeId) ? hinge.atMm : sideMm - hinge.atMm
  return { ...inputs, hingeBelowMm: Math.min(Math.max(hingeBelowMm, LEAST_MM), sideMm - LEAST_MM) }
}

/** Shares of the side seam at which a wedge is tried, best first. */
const SHARES = [0.5, 0.35, 0.65, 0.2, 0.05]

/** A level wedge from the centre to about half the side seam; null for a piece without a centre or side to cut between. */
export const firstWedge = (piece: Piece, sizeId: string): LevelWedgeInputs | null => wedgeTo(piece, sizeId, HINGES, WIDEST)

/**
 * A level wedge from the centre of a back to half its armhole, across the shoulder blades; what the straight centre gives goes to the
 * neckline, where it is eased or darted. null for a piece without a centre and an armhole to cut between.
 */
export function wedgeAcrossBlades(piece: Piece, sizeId: string): LevelWedgeInputs | null {
  const wedge = wedgeTo(piece, sizeId, ['armhole'], ['centre-back'])
  return wedge && { ...wedge, straighten: 'upper' }
}

function wedgeTo(piece: Piece, sizeId: string, hinges: readonly EdgeRole[], widest: readonly EdgeRole[]): LevelWedgeInputs | null {
  const shape = shapeOf(piece, sizeId)
  const grain = grainDirection(shape)
  const sides = piece.edges.filter((e) => hinges.includes(e.role))
  const side = sides.sort((a, b) => measureLength(edgePath(shape, b.id)) - measureLength(edgePath(shape, a.id)))[0]
  if (!side) return null
  const across = edgePath(shape, side.id)
  const sideMm = measureLength(across)
  for (const edge of widest.flatMap((r) => piece.edges.filter((e) => e.role === r)))
    for (const share of SHARES) {
      const own = edgePath(shape, edge.id)
      const { point } = placeAt(across, sideMm * share)
      // Where the same level crosses the edge; else the place of it that is nearest.
      const atMm = crossLevel(own, grain, alongGrain(point, grain))[0]?.atMm ?? nearestPlace(own, point).lengthMm
      const slash = { from: { edgeId: edge.id, atMm }, through: [], to: { edgeId: side.id, atMm: sideMm * share } }
      const inside = atMm > LEAST_MM && atMm < measureLength(own) - LEAST_MM
      if (!inside || !cutPiece(piece, shape, [slash]).ok) continue
      const below = (edgeId: string, mm: number, length: number) => (startsAbove(shape, edgeId) ? mm : length - mm)
      return {
        pieceId: piece.id,
        edgeId: edge.id,
        belowMm: below(edge.id, atMm, measureLength(own)),
        hingeEdgeId: side.id,
        hingeBelowMm: below(side.id, sideMm * share, sideMm),
        amountMm: 0,
        straighten: 'lower',
      }
    }
  return null
}

/** A wedge begins at least this far from the ends of its edge, mm: there must be edge to rule straight on both sides. */
const LEAST_MM = 20

/** Signs on the body by the half that a wedge goes into, and its way. */
const SIGNS: Partial<Record<Concept, { half: 'front' | 'back'; towards: 1 | -1; across?: 'blades' }>> = {
  belly: { half: 'front', towards: 1 },
  'full-seat': { half: 'back', towards: 1 },
  'flat-seat': { half: 'back', towards: -1 },
  'rounded-back': { half: 'back', towards: 1, across: 'blades' },
  'erect-back': { half: 'back', towards: -1, across: 'blades' },
}

/** The wedge that a sign on the body asks for, nothing wide; null where no piece of that half has a place for it. */
export function wedgeForSign(
  sign: Concept,
  garment: Garment,
  context: ChangeContext,
): { inputs: LevelWedgeInputs; towards: 1 | 0 | -1 } | null {
  const meant = SIGNS[sign]
  const wedgeOn = meant?.across === 'blades' ? wedgeAcrossBlades : firstWedge
  const own = garment.pieces.filter((p) => halfOf(p) === meant?.half).flatMap((p) => wedgeOn(p, context.sizeId) ?? [])[0]
  if (meant) return own ? { inputs: own, towards: meant.towards } : null
  const begun = beginWedge(garment, context)
  return begun.ok ? { inputs: begun.value, towards: 0 } : null
}

/** To begin with: nothing wide, level from the centre of a back to half of its side, else of another piece. */
export function beginWedge(garment: Garment, context: ChangeContext): Result<LevelWedgeInputs> {
  const backFirst = [...garment.pieces].sort((a, b) => Number(halfOf(b) === 'back') - Number(halfOf(a) === 'back'))
  for (const piece of backFirst) {
    const begun = firstWedge(piece, context.sizeId)
    if (begun) return ok(begun)
  }
  return refuse(
    'no-centre',
    'garment',
    'no piece with a centre and a side seam is found.',
    'Name the centre and the side of a piece first.',
  )
}
