import { applyAffine, mapPath } from '../../geometry'
import { edgePath, findPiece, outlineOf, shapeOf } from '../../pattern'
import { formatLength } from '../../units'
import { outlineStroke } from '../shared/draw-step'
import type { PaperStep, StepInput } from '../types'
import { planPiece } from './apply'
import type { PivotSlideInputs } from './schema'

/** Over fresh paper: trace what stays, then each turn or slide with what is traced after it, then join. */
export function pivotPaperSteps({ before, inputs, applied, context, ruler }: StepInput<PivotSlideInputs>): PaperStep[] {
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  const steps: PaperStep[] = []
  for (const { pieceId } of applied.touched) {
    const piece = findPiece(before, pieceId)!
    const shape = shapeOf(piece, context.sizeId)
    const plan = planPiece(before, piece, shape, inputs, context.sizeId)
    if (!plan) continue
    const runs = plan.runs.filter((r) => r.tracedNames !== '')
    const moved = new Set([...plan.gaps, ...runs.flatMap((r) => r.bits.map((b) => b.edgeId))])
    const still = piece.edges.filter((e) => !moved.has(e.id) && e.role !== 'dart-leg').map((e) => e.name)
    const outline = outlineStroke(before, pieceId, context.sizeId, 'outline')
    const result = outlineStroke(applied.garment, pieceId, context.sizeId, 'result')
    steps.push({
      text: `${piece.name}: lay the pattern on fresh paper and draw round it lightly. Trace firmly what stays: ${still.join(', ') || 'nothing'}; mark the grain and what lies inside.`,
      drawing: { pieceId, strokes: [outline], labels: [] },
    })
    for (const run of runs) {
      const turned = mapPath(outlineOf(piece, shape), (p) => applyAffine(run.move, p))
      const far =
        run.targetMm === 0
          ? `until the ${run.targetName} lies ${run.way}`
          : `until the ${run.targetName} has gone ${figure(run.targetMm)} ${run.way}`
      steps.push({
        text: run.pinName
          ? `${piece.name}: lay the pattern ${run.by.x !== 0 || run.by.y !== 0 ? 'with its corner on the new one' : 'back in its first place'}, put a pin through the ${run.pinName} and turn it ${far}. Trace the ${run.tracedNames} there.`
          : `${piece.name}: from its first place slide the pattern without turning ${far}. Trace the ${run.tracedNames} there.`,
        drawing: {
          pieceId,
          strokes: [
            outline,
            { path: turned, kind: 'line' },
            ...run.bits.map((b) => ({
              path: mapPath(edgePath(shape, b.edgeId), (p) => applyAffine(run.move, p)),
              kind: 'result' as const,
            })),
          ],
          labels: run.pin ? [{ at: run.pin, text: 'pin' }] : [],
        },
      })
    }
    const gaps = piece.edges.filter((e) => plan.gaps.includes(e.id)).map((e) => e.name)
    steps.push({
      text: `${piece.name}: take the pattern away and join ${gaps.length > 0 ? `the ${gaps.join(' and the ')}` : 'the traced parts'}: straight where it was straight, else with a smooth curve. Every traced edge measures what it did.`,
      drawing: { pieceId, strokes: [outline, result], labels: [] },
    })
  }
  return steps
}
