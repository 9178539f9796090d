import { distance } from '../../geometry'
import { pressWords, pressOf } from '../../darts'
import { dartFigures, shapeOf, type Shape } from '../../pattern'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { apexOf, dartsOf, type FoundDart } from '../shared/darts/find-darts'
import { finishSteps } from '../shared/darts/finish-steps'
import { outlineStroke, lineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import type { FinishDartInputs } from './schema'

/** Which way, and whether that is how such darts are usually pressed. */
export function sideWords({ piece, dart }: FoundDart, shape: Shape, which: 'before' | 'after'): string {
  return `${pressWords(piece, shape, dart, which)}${pressOf(piece, shape, dart) === which ? ' (usual)' : ''}`
}

/** Pencil, fold and cut: the tip, the legs, the cap. */
export function finishPaperSteps({ before, inputs, applied, context, ruler }: StepInput<FinishDartInputs>): PaperStep[] {
  const found = dartsOf(before).find((d) => d.ref === inputs.dart)!
  const { piece, dart } = found
  const shape = shapeOf(piece, context.sizeId)
  const d = dartFigures(piece, shape, dart)
  const apex = apexOf(found)(context.sizeId)
  const figure = (mm: number) => formatLength(mm, ruler)
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const [first, second] = [figure(distance(d.first, apex)), figure(distance(d.second, apex))]
  const shorter = distance(d.first, apex) < distance(d.second, apex) ? d.before : d.after
  const even =
    inputs.legs !== 'equal'
      ? ''
      : first === second
        ? ' They are as long as each other to the ruler: leave them.'
        : ` Draw the shorter one on to the length of the longer, and the ${shorter.name} to its end.`
  return [
    {
      text: `${piece.name}: mark the apex. Lay the ruler along each leg of the ${dart.name} from its end to the apex: they measure ${first} and ${second}.${even}`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, lineStroke(d.first, apex, 'line'), lineStroke(d.second, apex, 'line')],
        labels: [{ at: apex, text: 'apex' }],
      },
    },
    ...finishSteps(applied.garment, piece.id, dart.id, apex, context.sizeId, ruler),
  ]
}
