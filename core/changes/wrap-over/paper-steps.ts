import { edgePath, findPiece, shapeOf } from '../../pattern'
import { biasStrips, findNecklines, findWrap, runLength } from '../../seams'
import { formatLength } from '../../units'
import { outlineStroke } from '../shared/draw-step'
import type { PaperStep, StepInput } from '../types'
import { edgeLengthMm } from './apply'
import type { WrapOverInputs } from './schema'

/** With ruler and pencil: paper beyond the centre, the end and the cover marked, one line through them, a stay, the strips. */
export function wrapPaperSteps({ before, inputs, applied, context, ruler }: StepInput<WrapOverInputs>): PaperStep[] {
  const found = findWrap(before)
  if (!found.ok) return []
  const wrap = found.value
  const { piece, centre } = wrap.neckline
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const { sizeId } = context
  const centreName = piece.edges.find((e) => e.id === centre.edgeId)!.name
  const edgeMm = edgeLengthMm(applied.garment, wrap, sizeId)
  const stay = biasStrips(edgeMm, inputs.shorterPct, inputs.clothMm)
  const necklines = findNecklines(applied.garment)
  const backMm = (necklines.ok ? necklines.value : [])
    .filter((n) => n.half === 'back' && !n.facing)
    .reduce((sum, n) => sum + runLength(applied.garment, n.runs, sizeId) * (n.centre ? 2 : 1), 0)
  const binding = biasStrips(2 * edgeMm + backMm, inputs.shorterPct, inputs.clothMm)
  const side = inputs.coverMm >= 0 ? 'toward the centre' : 'toward the side'
  const result = edgePath(shapeOf(findPiece(applied.garment, piece.id)!, sizeId), wrap.neckline.runs[0]!.edgeId)
  return [
    {
      text: `${piece.name}: lay paper beyond the ${centreName}. Rule the lower edge on, square to it, by ${figure(inputs.overlapMm)}, and from there a line up, along the grain, of ${figure(inputs.endAboveMm)}: the edge of the wrap ends at its top.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outlineStroke(before, piece.id, sizeId, 'outline'), outlineStroke(applied.garment, piece.id, sizeId, 'result')],
        labels: [],
      },
    },
    {
      text: `Mark ${figure(inputs.coverMm)} from the bust point straight across, ${side}: so much is covered.`,
      drawing: null,
    },
    {
      text: `Draw one smooth line from the shoulder at the neck through that mark to the end of the wrap, without bending back. It measures ${figure(edgeMm)}.`,
      drawing: { pieceId: piece.id, strokes: [{ path: result, kind: 'result' }], labels: [] },
    },
    {
      text: `Trace the piece and cut it twice, not on the fold; the old ${centreName} stays drawn inside it, and the two lie on each other there.`,
      drawing: null,
    },
    {
      text: `Stay each edge with a tape or a strip of ${figure(stay.lengthMm)} (${inputs.shorterPct} in 100 shorter), eased in over the bust.`,
      drawing: null,
    },
    {
      text: `To bind both edges and the back neck cut ${binding.strips === 1 ? 'one strip' : `${binding.strips} strips`} on the bias, ${figure(binding.lengthMm)} long in all${binding.joins > 0 ? ` with ${binding.joins} ${binding.joins === 1 ? 'join' : 'joins'}` : ''}; the cloth gives ${figure(binding.longestMm)} at most in one piece.`,
      drawing: null,
    },
  ]
}
