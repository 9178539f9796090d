import { readPivotSlide } from './reads'
import { partnersIn } from '../shared/partners-in'
import { findPiece, shapeOf, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { defineChange } from '../define-change'
import type { ChangeContext, Field, Handle } from '../types'
import { applyPivotSlide, piecesFor, planPiece } from './apply'
import { pivotPaperSteps } from './paper-steps'
import { PivotSlideSchema, SEQUENCES, type PivotSlideInputs, type Sequence } from './schema'

const WORDS: Record<Sequence, { label: string; plus: string; minus: string; grows: string; title: [string, string] }> = {
  waist: {
    label: 'waist only',
    plus: 'Out',
    minus: 'In',
    grows: 'Side at the waist, each edge',
    title: ['Pivot the waist out', 'Pivot the waist in'],
  },
  hip: {
    label: 'hip only',
    plus: 'Out',
    minus: 'In',
    grows: 'Side at the hip, each edge',
    title: ['Pivot the hip out', 'Pivot the hip in'],
  },
  bust: {
    label: 'bust, armhole kept',
    plus: 'Out',
    minus: 'In',
    grows: 'Underarm, each edge',
    title: ['Pivot the bust out', 'Pivot the bust in'],
  },
  slope: {
    label: 'slope of the shoulder',
    plus: 'Squarer',
    minus: 'More sloping',
    grows: 'Shoulder tip',
    title: ['Squarer shoulder', 'More sloping shoulder'],
  },
  longer: {
    label: 'longer or shorter at the hem',
    plus: 'Longer',
    minus: 'Shorter',
    grows: 'Hem',
    title: ['Slide the hem down', 'Slide the hem up'],
  },
  wider: {
    label: 'wider all the way',
    plus: 'Wider',
    minus: 'Narrower',
    grows: 'Each side',
    title: ['Slide the sides out', 'Slide the sides in'],
  },
  free: { label: 'a list of my own', plus: '', minus: '', grows: '', title: ['Pivot and slide', 'Pivot and slide'] },
}

function beginPivot(garment: Garment, context: ChangeContext): Result<PivotSlideInputs> {
  const sequence = SEQUENCES.find((s) => s !== 'free' && piecesFor(garment, s, context.sizeId).length > 0)
  const piece = sequence && piecesFor(garment, sequence, context.sizeId)[0]
  if (!sequence || !piece)
    return refuse('no-sides', 'garment', 'no piece with a side seam or a hem is found.', 'Name the side seams and the hem first.')
  return ok({ sequence, amountMm: 0, leftOut: [], pieceId: piece.id, moves: [] })
}

/** Craft 6.7: pivot and slide. */
export const pivotSlide = defineChange({
  kind: 'pivot-slide',
  title: 'Pivot and slide',
  foundBy: [
    'pivot',
    'slide',
    'pivot and slide',
    'square shoulder',
    'squarer shoulder',
    'sloping shoulder',
    'waist only',
    'hip only',
    'wider bust keep armhole',
    'wider all the way',
    'folds at the shoulder',
    'collar stands away',
  ],
  does: 'Turns and slides the pattern over fresh paper and traces it part by part: waist, hip, bust, shoulder slope, length.',
  holds: 'The exact length and shape of every traced part: armhole, neckline, shoulder, side.',
  schema: PivotSlideSchema,
  reads(wish, garment, context, begun) {
    const fits = (s: Sequence) => piecesFor(garment, s, context.sizeId).length > 0
    return readPivotSlide(wish, begun, fits)
  },
  phase: 'widths',
  leftOut: partnersIn,
  begin: beginPivot,
  withPiece: (_garment, inputs, pieceId) => ({ ...inputs, pieceId, moves: [] }),
  fields(garment, inputs) {
    const options = SEQUENCES.filter((s) => s === 'free' || piecesFor(garment, s, garment.baseSizeId).length > 0).map((s) => ({
      value: s,
      label: WORDS[s].label,
    }))
    const words = WORDS[inputs.sequence]
    const rest: Field[] =
      inputs.sequence === 'free'
        ? [
            { type: 'piece', key: 'pieceId', label: 'Piece' },
            { type: 'own' as const, component: 'MovesField' as const, key: 'moves', label: 'Moves' },
          ]
        : [
            { type: 'growth', key: 'amountMm', label: words.grows, plus: words.plus, minus: words.minus },
            { type: 'partners', key: 'leftOut', label: 'Changed with it' },
          ]
    return [{ type: 'choice', key: 'sequence', label: 'What goes out or in', options }, ...rest]
  },
  describe(garment, inputs) {
    if (inputs.sequence === 'free')
      return { title: `Pivot and slide, ${findPiece(garment, inputs.pieceId)?.name ?? 'a piece that has gone'}`, amountMm: null }
    const [out, back] = WORDS[inputs.sequence].title
    return { title: inputs.amountMm === 0 ? 'Pivot and slide' : inputs.amountMm > 0 ? out : back, amountMm: inputs.amountMm }
  },
  apply: applyPivotSlide,
  handles(garment, inputs, _applied, context): Handle[] {
    const piece = piecesFor(garment, inputs.sequence, context.sizeId).find((p) => !inputs.leftOut.includes(p.id))
    if (!piece) return []
    const shape = shapeOf(piece, context.sizeId)
    // With no amount yet the place is found by a move of a millimetre.
    const plan = planPiece(garment, piece, shape, { ...inputs, amountMm: inputs.amountMm || 1 }, context.sizeId)
    const watched = plan?.watched[0]
    if (!watched) return []
    return [
      {
        id: 'amount',
        pieceId: piece.id,
        at: inputs.amountMm === 0 ? watched.was : watched.to,
        axis: watched.direction,
        label: WORDS[inputs.sequence].label,
        valueMm: inputs.amountMm,
        isGrowth: true,
        kind: 'amount',
      },
    ]
  },
  drag: (_garment, inputs, _handleId, byMm) => ({ ...inputs, amountMm: inputs.amountMm + byMm }),
  paperSteps: pivotPaperSteps,
  withAmount: (_garment, inputs, amountMm) => ({ ...inputs, amountMm }),
})

export { pinMarks } from './free-list'
export { PivotSlideSchema, type PivotMove, type PivotSlideInputs } from './schema'
