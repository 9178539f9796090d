import { placeAt, scale, tangentAt, type Point } from '../../geometry'

import { edgePath, findPiece, frameOf, shapeOf, type Garment, placeOnSide } from '../../pattern'
import { armholesWithSleeve, findArmholes, joinRuns, topOfCap, type Armhole, type Half } from '../../seams'
import type { Applied, ChangeContext, Handle } from '../types'
import type { ForwardShoulderInputs } from './schema'

const armholePath = (garment: Garment, armhole: Armhole, half: Half, sizeId: string) =>
  joinRuns(shapeOf(findPiece(garment, armhole[half][0]!.pieceId)!, sizeId), armhole[half].slice(0, 1))

/** The outer end of the shoulder seam on front or back. */
export const tipPoint = (garment: Garment, armhole: Armhole, half: Half, sizeId: string): Point =>
  armholePath(garment, armhole, half, sizeId)[0]!.from

/** The shoulder’s end slides along the run of the armhole on front and back; a cap that is slid goes with its notch. */
export function forwardHandles(before: Garment, inputs: ForwardShoulderInputs, applied: Applied, context: ChangeContext): Handle[] {
  const { sizeId } = context
  const [armhole] = findArmholes(before)
  if (!armhole) return []
  const common = { label: 'shoulder', valueMm: inputs.amountMm, isGrowth: true }
  const tips = (['back', 'front'] as const).map((half): Handle => {
    const path = armholePath(applied.garment, armhole, half, sizeId)
    const down = tangentAt(path[0]!, 0)
    return {
      ...common,
      id: half,
      pieceId: armhole[half][0]!.pieceId,
      at: path[0]!.from,
      axis: half === 'back' ? scale(down, -1) : down,
      kind: half === 'back' ? 'amount' : 'level',
    }
  })
  const pairs = armholesWithSleeve(applied.garment)
  if (!pairs.ok || inputs.sleeve !== 'slide') return tips
  const pair = pairs.value[0]!
  const place = placeOnSide(applied.garment, pair.sleeve.seam, pair.sleeve.side, topOfCap(applied.garment, pair, sizeId), sizeId)
  const piece = findPiece(applied.garment, place.pieceId)!
  const shape = shapeOf(piece, sizeId)
  const { point, tangent } = placeAt(edgePath(shape, place.edgeId), place.atMm)
  const { across } = frameOf(piece, shape)
  const run = pair.sleeve.seam.sides[pair.sleeve.side].find((r) => r.pieceId === place.pieceId && r.edgeId === place.edgeId)!
  const toFront = (pair.sleeve.beginsAt === 'back') !== run.reversed ? tangent : scale(tangent, -1)
  const axis = across.x * toFront.x + across.y * toFront.y >= 0 ? across : scale(across, -1)
  return [...tips, { ...common, id: 'cap', label: 'cap', pieceId: piece.id, at: point, axis, kind: 'level' }]
}
