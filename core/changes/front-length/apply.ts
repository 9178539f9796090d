import { line, measureLength, scale } from '../../geometry'
import { edgeFamily, edgePath, findPiece, grainDirection, shapeOf, type EdgeRole, type Garment } from '../../pattern'
import { ok, type Result } from '../../result'
import { LENGTH_KEPT_MM, SEAM_KEPT_MM } from '../../tolerances'
import { limitToken } from '../../units'
import { familyMm } from '../shared/darts/find-darts'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { bothShapes, holdGrain, holdMeasure, holdSeams } from '../shared/held'
import { touchedBy } from '../shared/touched-by'
import type { Applied, Caution, ChangeContext, HeldPromise } from '../types'
import { changeFrontLength, type FrontDone } from './draw'
import type { FrontLengthInputs } from './schema'

/** Edges that keep their lengths: what is above the cut, and what goes down with the lower part. */
const KEPT: EdgeRole[] = ['armhole', 'shoulder', 'neck', 'waist', 'hem']
/** The lower edge is drawn to where the side ends once it is even with its partner. */
const LOWER: EdgeRole[] = ['waist', 'hem']
const CENTRE: EdgeRole[] = ['centre-front']

function heldByLength(before: Garment, { garment: after }: FrontDone, inputs: FrontLengthInputs, sizeId: string): HeldPromise[] {
  const { piece, was, is } = bothShapes(before, after, inputs.pieceId, sizeId)
  const now = findPiece(after, piece.id)!
  const centreMm = (p: typeof piece, shape: typeof was) =>
    p.edges.filter((e) => e.fold || CENTRE.includes(e.role)).reduce((sum, e) => sum + measureLength(edgePath(shape, e.id)), 0)
  const sideMm = (p: typeof piece, shape: typeof was) =>
    p.edges.filter((e) => e.role === 'side').reduce((sum, e) => sum + measureLength(edgePath(shape, e.id)), 0)
  const sides = new Set(piece.edges.filter((e) => e.role === 'side').map((e) => `${piece.id} ${e.id}`))
  const families = new Map(piece.edges.filter((e) => KEPT.includes(e.role)).map((e) => [edgeFamily(e.id), e]))
  return [
    holdMeasure('centre front grows by', piece.name, inputs.amountMm, centreMm(now, is) - centreMm(piece, was), LENGTH_KEPT_MM),
    ...[...families].map(([family, edge]) =>
      holdMeasure(
        `${edge.name}, length`,
        piece.name,
        familyMm(piece, was, family),
        familyMm(now, is, family),
        LOWER.includes(edge.role) ? SEAM_KEPT_MM : LENGTH_KEPT_MM,
      ),
    ),
    holdGrain(piece, was, is),
    holdMeasure('side seam with its dart closed', piece.name, sideMm(piece, was), sideMm(now, is), SEAM_KEPT_MM),
    ...holdSeams(
      before,
      after,
      sizeId,
      new Set(before.seams.filter((s) => s.sides.flat().some((r) => sides.has(`${r.pieceId} ${r.edgeId}`))).map((s) => s.id)),
    ),
  ]
}

function cautionsOf({ isNewDart }: FrontDone, { pieceId, amountMm }: FrontLengthInputs): Caution[] {
  if (!isNewDart || amountMm === 0) return []
  return [
    {
      code: 'new-dart',
      pieceId,
      message:
        'A bust dart is drawn at the side: it takes up what the front is longer than the back. Move it elsewhere if you want it there.',
    },
  ]
}

/**
 * Makes a front longer or shorter at its centre than the back beside it (craft 4 and 6.11): see changeFrontLength.
 * Refuses: no front, panels, no dart to take it from, more than the dart holds or the outline bears (with the largest that works).
 */
export function applyFrontLength(garment: Garment, inputs: FrontLengthInputs, context: ChangeContext): Result<Applied> {
  const piece = findPiece(garment, inputs.pieceId)
  if (inputs.amountMm === 0 && piece)
    return ok({ garment, touched: touchedBy(garment, garment, [piece.id]), leftOut: [], held: [], cautions: [] })
  const done = drawOrRefuse(
    garment,
    inputs.amountMm,
    (g, amountMm) => changeFrontLength(g, { ...inputs, amountMm }),
    (mm) => `Here the front can be ${inputs.amountMm < 0 ? 'shortened' : 'lengthened'} by ${limitToken(Math.abs(mm))} at most.`,
    ['reference-gone', 'no-dart', 'no-side', 'no-front'],
  )
  if (!done.ok) return done
  const { cut, slid, atCentre, apex } = done.value
  const shape = shapeOf(piece!, context.sizeId)
  const drawnIn = garment.baseSizeId === context.sizeId
  return ok({
    garment: done.value.garment,
    touched: touchedBy(garment, done.value.garment, [inputs.pieceId]),
    leftOut: [],
    held: heldByLength(garment, done.value, inputs, context.sizeId),
    cautions: cautionsOf(done.value, inputs),
    folded: { pieceId: inputs.pieceId, dartId: done.value.dartId },
    moves: drawnIn
      ? [
          {
            pieceId: inputs.pieceId,
            label: `cut from the centre to the apex and through the dart, slide what is below ${inputs.amountMm > 0 ? 'down' : 'up'}`,
            pin: null,
            cut: [line(atCentre, apex)],
            parts: [{ id: slid, outline: cut.parts[slid]!.outline }],
            traced: [],
            turnRad: 0,
            by: scale(grainDirection(shape), inputs.amountMm),
          },
        ]
      : [],
  })
}
