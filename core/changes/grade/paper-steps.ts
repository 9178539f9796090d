import { findPiece, type Garment, type Piece } from '../../pattern'
import { formatLength, type Ruler } from '../../units'
import { outlineStroke } from '../shared/draw-step'
import type { PaperStep, StepInput } from '../types'
import { CARDINAL_WORDS, cardinalsOf } from './cardinals'
import { gradedSizes } from './grade-garment'
import { rulesOn, splitInterval } from './rules'
import type { GradeInputs } from './schema'

/** Where each cardinal point of a piece goes, in words: “underarm out 1/4 in, down 1/16 in”. */
function pointWords(garment: Garment, piece: Piece, inputs: GradeInputs, intervalMm: number, ruler: Ruler): string[] {
  const rules = rulesOn(garment, piece, inputs)
  if (!rules) return []
  const there = [...new Set(cardinalsOf(piece).filter((c) => c !== null))]
  const figure = (mm: number) => formatLength(Math.abs(mm), ruler)
  return there.flatMap((c) => {
    const rule = rules[c]
    if (!rule || (rule.across === 0 && rule.along === 0)) return []
    const out = rule.across !== 0 ? ` ${rule.across > 0 ? 'out' : 'in'} ${figure(rule.across * intervalMm)}` : ''
    const down = rule.along !== 0 ? `${out ? ',' : ''} ${rule.along > 0 ? 'down' : 'up'} ${figure(rule.along * intervalMm)}` : ''
    return [`${CARDINAL_WORDS[c]}${out}${down}`]
  })
}

const HOW: Record<GradeInputs['school'], (piece: string, points: string) => string> = {
  shift: (piece, points) =>
    `${piece}: draw a cross on fresh paper, one line along the grain, one across. Lay the pattern on it, and for each point shift it along both lines, without turning, and trace the edge beside that point: ${points}.`,
  outward: (piece, points) =>
    `${piece}: trace the pattern. From each point measure outward, square to the grain and along it, and mark: ${points}.`,
  spread: (piece, points) =>
    `${piece}: cut the pattern along lines beside the grain and across it, and spread the parts on fresh paper until each point has gone: ${points}.`,
}

/** The next size on paper, piece by piece; the other sizes repeat the same steps. */
export function gradePaperSteps({ before, inputs, applied, context, ruler }: StepInput<GradeInputs>): PaperStep[] {
  const { below, above } = gradedSizes(before, inputs)
  const next = above[0] ?? below[below.length - 1]
  if (!next) return []
  const interval = Math.abs(next.totalMm)
  const { sideMm, centreMm } = splitInterval(interval, inputs.centre)
  const share = (mm: number) => formatLength(mm, ruler)
  const drawing = (garment: Garment, piece: Piece): PaperStep['drawing'] => ({
    pieceId: piece.id,
    strokes: [
      outlineStroke(before, piece.id, context.sizeId, 'outline'),
      outlineStroke(garment, piece.id, next.id in findPiece(garment, piece.id)!.shapes ? next.id : context.sizeId, 'result'),
    ],
    labels: [],
  })
  const pieces = before.pieces.flatMap((piece): PaperStep[] => {
    const points = pointWords(before, piece, inputs, interval, ruler)
    if (points.length > 0)
      return [
        {
          text: `${HOW[inputs.school](piece.name, points.join('; '))} Join the points in the shape of the old edges.`,
          drawing: drawing(applied.garment, piece),
        },
      ]
    return [
      {
        text: `${piece.name}: measure the edge that it is sewn to on the new size, and lengthen it to match, away from the fold.`,
        drawing: drawing(applied.garment, piece),
      },
    ]
  })
  return [
    {
      text: `Size ${next.name}: the body grows by ${share(interval)}: ${share(sideMm)} at each of four side edges${centreMm > 0 ? ` and ${share(centreMm)} at each of four centre edges` : ''}. For a smaller size go the other way.`,
      drawing: null,
    },
    ...pieces,
    {
      text: 'Darts keep their intake: move the whole dart with its point. Walk every seam of the new size, and make the cap as much longer than the armhole as before.',
      drawing: null,
    },
  ]
}
