import { add, scale } from '../../../geometry'

import { findPiece, grainDirection, shapeOf, sideLength } from '../../../pattern'
import { formatLength, markMm, roundToRuler, type Ruler } from '../../../units'
import { EQUAL_MM } from '../../../tolerances'
import { lineStroke, outlineStroke } from '../draw-step'
import type { PaperStep, StepInput, TouchedPiece } from '../../types'
import { markLevel, markName } from './find-level'
import { shareOut } from './move-garment'
import type { LevelsInputs } from './schema'

/** The rounded amount of each level, in the order of the inputs; they add up to the rounded whole. */
export function ruledAmounts(inputs: LevelsInputs, ruler: Ruler): number[] {
  return roundToRuler(shareOut(inputs), markMm(ruler))
}

function placeWords({ before, inputs, context, ruler }: StepInput<LevelsInputs>, touched: TouchedPiece, levelId: string): string {
  const piece = findPiece(before, touched.pieceId)!
  const level = inputs.levels.find((l) => l.id === levelId)!
  if (touched.how === 'asked') {
    const name = markName(piece, level.mark)
    if (Math.abs(level.belowMm) <= EQUAL_MM) return `at ${name}`
    return `${formatLength(Math.abs(level.belowMm), ruler)} ${level.belowMm > 0 ? 'below' : 'above'} ${name}`
  }
  // On a partner the place is walked: say how far from the end of the shared seam, along the piece's own grain.
  const shape = shapeOf(piece, context.sizeId)
  const grain = grainDirection(shape)
  const line = touched.levels.find((l) => l.id === levelId)!.line
  const at = line.from.x * grain.x + line.from.y * grain.y
  const corners = piece.corners
    .map((c) => ({ c, at: markLevel(piece, shape, { by: 'corner', id: c.id })! }))
    .filter((x) => x.at < at)
    .sort((a, b) => b.at - a.at)
  const near = corners[0]
  return near
    ? `${formatLength(at - near.at, ruler)} below the ${near.c.name}, where the seam meets the other piece`
    : 'where the seam meets the other piece'
}

/** Ruler and scissors: the same change as it is done on paper, with figures that a ruler shows. */
export function stepsAtLevels(input: StepInput<LevelsInputs>): PaperStep[] {
  const { before, inputs, applied, context, ruler } = input
  const longer = inputs.amountMm >= 0
  const ruled = ruledAmounts(inputs, ruler)
  const steps: PaperStep[] = []
  for (const touched of applied.touched) {
    const piece = findPiece(before, touched.pieceId)!
    const shape = shapeOf(piece, context.sizeId)
    const grain = grainDirection(shape)
    const lines = touched.levels.map((l) => lineStroke(l.line.from, l.line.to, 'line'))
    const where = touched.levels.map((l) => placeWords(input, touched, l.id))
    steps.push({
      text: `${piece.name}: draw ${lines.length > 1 ? `${lines.length} lines` : 'a line'} square to the grainline, ${where.join('; and ')}. Draw the grainline on through ${lines.length > 1 ? 'them' : 'it'}.`,
      drawing: {
        pieceId: piece.id,
        strokes: [
          outlineStroke(before, piece.id, context.sizeId, 'outline'),
          ...lines,
          lineStroke(shape.grain.from, shape.grain.to, 'line'),
        ],
        labels: touched.levels.map((l) => ({ at: l.line.to, text: l.label })),
      },
    })
    const one = (label: string) => (touched.levels.length > 1 ? label : 'it')
    for (const level of touched.levels) {
      const amount = ruled[inputs.levels.findIndex((l) => l.id === level.id)]!
      const figure = formatLength(Math.abs(amount), ruler)
      const second = {
        from: add(level.line.from, scale(grain, Math.abs(level.amountMm))),
        to: add(level.line.to, scale(grain, Math.abs(level.amountMm))),
      }
      steps.push({
        text: longer
          ? `${piece.name}: cut along ${one(level.label)}, slide the lower part down the grainline until the gap is ${figure} all the way across, and tape paper behind it.`
          : `${piece.name}: draw a second line ${figure} below ${one(level.label)}, fold the first line down onto the second, keeping the grainline in one straight line, and tape.`,
        drawing: {
          pieceId: piece.id,
          strokes: [
            outlineStroke(longer ? applied.garment : before, piece.id, context.sizeId, 'outline'),
            lineStroke(level.line.from, level.line.to, 'cut'),
            lineStroke(second.from, second.to, longer ? 'cut' : 'tape'),
          ],
          labels: [{ at: second.to, text: figure }],
        },
      })
    }
    steps.push({
      text: `${piece.name}: redraw the edges that were ${longer ? 'cut' : 'folded'}: straight ones with a ruler from corner to corner, curves smooth between the two sides of the step. Move the notches with the paper they lie on, and put the seam allowance back.`,
      drawing: {
        pieceId: piece.id,
        strokes: [
          outlineStroke(before, piece.id, context.sizeId, 'outline'),
          outlineStroke(applied.garment, piece.id, context.sizeId, 'result'),
        ],
        labels: [],
      },
    })
  }
  const changed = before.seams.filter(
    (seam) => Math.abs(sideLength(before, seam, 0, context.sizeId) - sideLength(applied.garment, seam, 0, context.sizeId)) > EQUAL_MM,
  )
  for (const seam of changed) {
    const [a, b] = ([0, 1] as const).map((side) => formatLength(sideLength(applied.garment, seam, side, context.sizeId), ruler))
    steps.push({
      text: `Walk the ${seam.name}: on the seam line it must now measure ${a === b ? `${a} on both pieces` : `${a} and ${b}`}.`,
      drawing: null,
    })
  }
  return steps
}
