import { type Garment, cornerPoint, shapeOf } from '../../pattern'
import { type Result, refuse, ok } from '../../result'
import { limitToken } from '../../units'
import { findLargest } from '../find-largest'
import type { Applied, ChangeContext } from '../types'
import { cardinalsOf, CARDINAL_WORDS } from './cardinals'
import { findBrokenSize } from './find-broken-size'
import { gradedSizes, gradeGarment } from './grade-garment'
import { heldByGrade, gradeCautions } from './held'
import type { GradeInputs } from './schema'

/** Where every cardinal point goes on its way to the next size: the first above, or else the first below. */
function arrowsOf(before: Garment, after: Garment, inputs: GradeInputs): NonNullable<Applied['arrows']> {
  const { above, below } = gradedSizes(before, inputs)
  const next = above[0] ?? below[below.length - 1]
  if (!next || !after.sizes.some((s) => s.id === next.id)) return []
  return after.pieces.flatMap((piece) =>
    cardinalsOf(piece).flatMap((cardinal, i) => {
      if (!cardinal) return []
      const at = (sizeId: string) => cornerPoint(piece, shapeOf(piece, sizeId), piece.corners[i]!.id)!
      return [{ pieceId: piece.id, from: at(next.fromId), to: at(next.id), label: CARDINAL_WORDS[cardinal] }]
    }),
  )
}

/**
 * Draws new sizes by rules for each point of a piece (craft 6.2), and makes caps, bands and seams follow.
 * Refuses: a size whose outline would cross itself (with how many sizes work).
 */
export function applyGrade(garment: Garment, inputs: GradeInputs, context: ChangeContext): Result<Applied<GradeInputs>> {
  if (garment.pieces.length === 0) return refuse('reference-gone', 'garment', 'it has no pieces any more.', 'Delete this change.')
  const after = gradeGarment(garment, inputs, {
    lookedAt: context.lookedAt,
    progress: (done, of) => context.progress?.('size', done, of),
  })
  const broken = findBrokenSize(garment, after)
  if (broken) {
    const largest = findLargest(inputs.intervalMm, (intervalMm) => {
      const tried = { ...inputs, intervalMm, upIntervalsMm: [], downIntervalsMm: [] }
      return findBrokenSize(garment, gradeGarment(garment, tried)) === null
    })
    return refuse(
      'amount-too-large',
      `${broken.pieceName}, size ${broken.sizeName}`,
      `${broken.what} by this interval.`,
      `With this many sizes the interval can be ${limitToken(largest)} at most; make fewer sizes, or smaller steps.`,
      largest,
    )
  }
  return ok({
    garment: after,
    touched:
      after === garment
        ? []
        : garment.pieces.map((p, i) => ({ pieceId: p.id, how: i === 0 ? ('asked' as const) : ('partner' as const), levels: [] })),
    leftOut: [],
    held: heldByGrade(garment, after, inputs, context),
    cautions: gradeCautions(garment, inputs),
    arrows: arrowsOf(garment, after, inputs),
  })
}
