import { distance, dot, subtract, crossPoints, alongGrain } from '../../geometry'

import { doubleDartFigures, findPiece, grainDirection, outlineOf, shapeOf } from '../../pattern'
import { formatLength, roundToRuler, markMm } from '../../units'
import { lineStroke, outlineStroke } from '../shared/draw-step'
import type { PaperStep, StepInput } from '../types'
import { findDoubleDart } from './find'
import type { DoubleDartInputs } from './schema'

/** A fold that takes in more than this is clipped at its widest place, or it would pull there, mm. */
const CLIP_MM = 20

/** Middle line, tips, half to each side, rule, sew from the middle outward, press. */
export function doubleDartSteps({ before, inputs, applied, context, ruler }: StepInput<DoubleDartInputs>): PaperStep[] {
  const found = findDoubleDart(before, inputs.dart)!
  const piece = findPiece(applied.garment, found.piece.id)!
  const shape = shapeOf(piece, context.sizeId)
  const outline = outlineStroke(before, piece.id, context.sizeId, 'outline')
  const figure = (mm: number) => formatLength(mm, ruler)
  const was = found.lineId ? shapeOf(found.piece, context.sizeId).lines[found.lineId]! : null
  const old = was ? [{ path: was, kind: 'line' as const }] : []
  const lineId = found.lineId ?? piece.lines.find((l) => !found.piece.lines.some((o) => o.id === l.id))?.id
  const line = lineId === undefined ? undefined : shape.lines[lineId]
  if (!line || lineId === undefined)
    return [
      { text: `${piece.name}: cross the ${found.name} out.`, drawing: { pieceId: piece.id, strokes: [outline, ...old], labels: [] } },
      { text: `It is not sewn any more; the piece measures ${figure(Math.abs(inputs.amountMm))} more there.`, drawing: null },
      { text: 'Measure the width at the waist again before cutting.', drawing: null },
    ]
  const d = doubleDartFigures(shape, lineId)
  const grain = grainDirection(shape)
  const across = { x: -grain.y, y: grain.x }
  const edges = crossPoints(outlineOf(piece, shape), grain, alongGrain(d.middle, grain))
  const near = edges.reduce((a, b) => (distance(b, d.middle) < distance(a, d.middle) ? b : a))
  const beside = Math.abs(dot(subtract(d.middle, near), across))
  const [a, b] = d.legsMm
  // Halves rounded to the ruler add up to the whole (craft 3).
  const [half, rest] = roundToRuler([d.intakeMm / 2, d.intakeMm / 2], markMm(ruler)) as [number, number]
  const halves = half === rest ? `${figure(half)} to each side` : `${figure(half)} to one side and ${figure(rest)} to the other`
  const change =
    was && inputs.amountMm !== 0 ? `, ${figure(Math.abs(inputs.amountMm))} ${inputs.amountMm > 0 ? 'more' : 'less'} than before` : ''
  return [
    {
      text: `${piece.name}: mark the middle of the ${found.name} ${figure(beside)} from the nearer edge, and rule its middle line through it: ${figure(d.upperMm)} up to the upper tip, ${figure(d.lowerMm)} down to the lower.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, ...old, lineStroke(d.upper, d.lower, 'line'), lineStroke(near, d.middle, 'line')],
        labels: [
          { at: d.upper, text: figure(d.upperMm) },
          { at: d.lower, text: figure(d.lowerMm) },
        ],
      },
    },
    {
      text: `${piece.name}: square to it mark ${halves} at its widest place, ${figure(half + rest)} together${change}. Join the marks with both tips: the legs measure ${figure(a.above)} and ${figure(b.above)} above, ${figure(a.below)} and ${figure(b.below)} below.`,
      drawing: {
        pieceId: piece.id,
        strokes: [outline, { path: line, kind: 'cut' }, lineStroke(d.lips[0], d.lips[1], 'line')],
        labels: [{ at: d.lips[1], text: figure(d.intakeMm) }],
      },
    },
    {
      text: `Sew it folded along its middle line, from the widest place out to each tip.${d.intakeMm > CLIP_MM ? ' Clip the fold at the widest place, short of the stitches, so that it lies flat.' : ''} Press it toward the centre.`,
      drawing: null,
    },
  ]
}
