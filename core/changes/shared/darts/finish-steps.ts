import { line, mix, type Point } from '../../../geometry'
import { pressWords } from '../../../darts'
import { dartCapPoint, dartFigures, findPiece, shapeOf, type Garment } from '../../../pattern'
import { formatLength, type Ruler } from '../../../units'
import { lineStroke, outlineStroke } from '../draw-step'
import type { PaperStep } from '../../types'

/** How a dart that was moved is finished on paper: tip drawn back, legs ruled, folded and its cap cut (craft 6.11). */
export function finishSteps(after: Garment, pieceId: string, dartId: string, apex: Point, sizeId: string, ruler: Ruler): PaperStep[] {
  const piece = findPiece(after, pieceId)!
  const shape = shapeOf(piece, sizeId)
  const dart = piece.darts.find((d) => d.id === dartId)
  if (!dart) return []
  const d = dartFigures(piece, shape, dart)
  const figure = (mm: number) => formatLength(mm, ruler)
  const result = outlineStroke(after, pieceId, sizeId, 'result')
  const back = Math.hypot(d.tip.x - apex.x, d.tip.y - apex.y)
  const cap = dartCapPoint(piece, shape, dart)
  return [
    {
      text: `${piece.name}: mark the middle of the ${dart.name} between its two ends, and on the line from there to the apex the new tip, ${figure(back)} short of the apex. Rule both legs from the ends to it: ${figure(d.firstMm)} and ${figure(d.secondMm)}.`,
      drawing: {
        pieceId,
        strokes: [
          result,
          lineStroke(mix(d.first, d.second, 0.5), apex, 'line'),
          lineStroke(d.first, d.tip, 'cut'),
          lineStroke(d.second, d.tip, 'cut'),
        ],
        labels: [
          { at: mix(d.first, d.second, 0.5), text: figure(d.intakeMm) },
          { at: mix(d.tip, apex, 0.5), text: figure(back) },
        ],
      },
    },
    {
      text: `${piece.name}: fold the ${dart.name} closed and lay it ${pressWords(piece, shape, dart, dart.pressTo)}, as it will be pressed. Rule the edge across it, cut along that line through all layers, and unfold: the cap of the dart is cut.`,
      drawing: {
        pieceId,
        strokes: [result, { path: [line(d.first, cap), line(cap, d.second)], kind: 'cut' }],
        labels: [{ at: cap, text: 'cap' }],
      },
    },
  ]
}
