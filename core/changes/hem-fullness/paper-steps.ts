import { distance } from '../../geometry'
import { gapOfAngle } from '../../moves'
import { findPiece, shapeOf } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { outlineStroke, lineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import { swingHems } from './apply'
import { hemAndTop, lengthOf } from './find-hems'
import type { HemFullnessInputs } from './schema'

/** Rule the cuts, swing each, redraw hem and top. */
export function hemPaperSteps({ before, inputs, applied, context, ruler }: StepInput<HemFullnessInputs>): PaperStep[] {
  const done = swingHems(before, inputs)
  if (!done.ok) return []
  const figure = (mm: number) => formatLength(mm, ruler)
  const many = inputs.cuts > 1
  const steps = [...done.value.swung].flatMap(([pieceId, { plan, cut }]): PaperStep[] => {
    const piece = findPiece(before, pieceId)!
    const shape = shapeOf(piece, context.sizeId)
    const { hem, top } = hemAndTop(piece)!
    const outline = outlineStroke(before, pieceId, context.sizeId, 'outline')
    const result = outlineStroke(applied.garment, pieceId, context.sizeId, 'result')
    const cuts = cut.slashes.map((s) => lineStroke(s.from, s.to, 'cut'))
    const gap = gapOfAngle(Math.abs(plan.swings[0]!.openRad), distance(cut.slashes[0]!.from, cut.slashes[0]!.to))
    const spaces = `${figure(lengthOf(shape, hem) / inputs.cuts)} apart on the ${hem[0]!.name} and ${figure(lengthOf(shape, top) / inputs.cuts)} apart on the ${top[0]!.name}, the first at half of that from the end`
    const now = shapeOf(findPiece(applied.garment, pieceId)!, context.sizeId)
    return [
      {
        text: many
          ? `${piece.name}: draw ${inputs.cuts} lines from the ${hem[0]!.name} up to the ${top[0]!.name}, ${spaces}, measured on the seam lines.`
          : `${piece.name}: draw a line from the middle of the ${hem[0]!.name} up to the middle of the ${top[0]!.name}.`,
        drawing: { pieceId, strokes: [outline, ...cut.slashes.map((s) => lineStroke(s.from, s.to, 'line'))], labels: [] },
      },
      {
        text: `${piece.name}: cut ${many ? 'each' : 'it'} from the hem almost to the ${top[0]!.name}, and swing until ${many ? 'every cut' : 'the cut'} ${inputs.amountMm >= 0 ? `stands ${figure(gap)} open` : `overlaps by ${figure(gap)}`} at the hem. Tape.`,
        drawing: { pieceId, strokes: [outline, result, ...cuts], labels: [{ at: cut.slashes[0]!.from, text: figure(gap) }] },
      },
      {
        text: `${piece.name}: redraw the hem smooth: ${figure(lengthOf(now, hem))} in all. Smooth the ${top[0]!.name} at the hinges without changing its length, ${figure(lengthOf(now, top))}.`,
        drawing: { pieceId, strokes: [outline, result], labels: [] },
      },
    ]
  })
  return [...steps, { text: 'Walk the side seams and the seam above: they measure what they did.', drawing: null }]
}
