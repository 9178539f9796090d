import { findPiece } from '../../pattern'
import { crotchOf, HALVES, scoopedPlace } from '../../seams'
import { formatLength } from '../../units'
import type { PaperStep } from '../pictures'
import { outlineStroke } from '../shared/draw-step'
import type { StepInput } from '../types'
import type { CrotchShapeInputs } from './schema'
import { scoopCrotch } from './scoop'

/** Lay the legs together, draw the body’s curve, give back the thigh at the outseam. */
export function crotchPaperSteps({ before, inputs, applied, context, ruler }: StepInput<CrotchShapeInputs>): PaperStep[] {
  const crotch = crotchOf(before)
  const done = scoopCrotch(before, inputs)
  const read = done.ok ? done.value.reads.get(context.sizeId) : undefined
  if (!crotch.ok || !read) return []
  const figure = (mm: number) => formatLength(mm, ruler)
  const steps: PaperStep[] = [
    {
      text: `Lay front and back leg together at the inseam, seam line on seam line at the crotch point. Bend the flexible curve to the reading and lay it over them, its inseam mark on the crotch point, its ends as near to both waists as they go.`,
      drawing: null,
    },
  ]
  for (const half of HALVES) {
    const depth = read.depth[half]
    const share = half === 'front' ? inputs.frontShare : inputs.backShare
    const piece = findPiece(before, crotch.value[half].piece.id)!
    const places = [0.3, 0.5, 0.7].map((part) => part * depth.totalMm)
    const marks = places.map((atMm) => `${figure(share * depth.scoop(atMm))} at ${figure(atMm)} below the waist`).join(', ')
    const { point } = scoopedPlace(crotch.value[half], context.sizeId, depth, share, depth.deepest.atMm)
    steps.push({
      text:
        share === 0
          ? `${piece.name}: the crotch line stays.`
          : `${piece.name}: from the crotch line into the cloth mark ${Math.round(share * 100)} % of the way to the curve: ${marks}, along the seam line; most of all ${figure(share * depth.deepest.mm)}. Draw the new line smoothly through the marks, leaving the waist and meeting the inseam as the old one did.`,
      drawing: {
        pieceId: piece.id,
        strokes: [
          outlineStroke(before, piece.id, context.sizeId, 'outline'),
          outlineStroke(applied.garment, piece.id, context.sizeId, 'result'),
        ],
        labels: [{ at: point, text: figure(share * depth.deepest.mm) }],
      },
    })
  }
  if (inputs.giveBackMm > 0)
    steps.push({
      text: `Both legs: let the outseam out by ${figure(inputs.giveBackMm)} at that level, fading to nothing above and below.`,
      drawing: null,
    })
  return [...steps, { text: 'Cut only so much, sew, and read the curve again: what has been cut away cannot come back.', drawing: null }]
}
