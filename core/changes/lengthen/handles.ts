import { add, mix, scale } from '../../geometry'
import { findPiece, grainDirection, shapeOf, type Garment } from '../../pattern'
import type { Applied, ChangeContext, Handle } from '../types'
import { grainExtent } from '../shared/levels/find-level'
import { shareOut } from '../shared/levels/move-garment'
import type { LevelsInputs } from '../shared/levels/schema'

/** A handle for each level on the asked piece, and one at the bottom of it for the amount. */
export function lengthenHandles(garment: Garment, inputs: LevelsInputs, applied: Applied, context: ChangeContext): Handle[] {
  const asked = applied.touched.find((t) => t.pieceId === inputs.pieceId)
  const piece = findPiece(garment, inputs.pieceId)
  if (!asked || !piece) return []
  const shape = shapeOf(piece, context.sizeId)
  const grain = grainDirection(shape)
  const amounts = shareOut(inputs)
  const after = shapeOf(findPiece(applied.garment, piece.id)!, context.sizeId)
  const { bottomMm } = grainExtent(piece, after)
  const middle = mix(asked.levels[0]!.line.from, asked.levels[0]!.line.to, 0.5)
  const down = bottomMm - (middle.x * grain.x + middle.y * grain.y)
  return [
    ...asked.levels.map((level): Handle => {
      const i = inputs.levels.findIndex((l) => l.id === level.id)
      return {
        id: `level:${level.id}`,
        pieceId: piece.id,
        at: level.line.to,
        axis: grain,
        line: level.line,
        label: level.label,
        valueMm: amounts[i]!,
        kind: 'level',
        isGrowth: true,
      }
    }),
    {
      id: 'amount',
      pieceId: piece.id,
      at: add(middle, scale(grain, down)),
      axis: grain,
      label: 'amount',
      valueMm: inputs.amountMm,
      kind: 'amount',
      isGrowth: true,
    },
  ]
}

/** Dragging a level moves its line; dragging the bottom of the piece sets the amount. */
export function dragLengthen(inputs: LevelsInputs, handleId: string, byMm: number): LevelsInputs {
  if (handleId === 'amount') return { ...inputs, amountMm: inputs.amountMm + byMm }
  return { ...inputs, levels: inputs.levels.map((l) => (handleId === `level:${l.id}` ? { ...l, belowMm: l.belowMm + byMm } : l)) }
}
