import { add, type Point } from '../../geometry'
import { markApex, raiseDart, turnDartAside } from '../../darts'
import { mapShapes, shapeOf, type Garment, type Shape } from '../../pattern'
import { type Result, refuse, ok } from '../../result'
import { limitToken } from '../../units'
import { findBrokenOutline } from '../check-outlines'
import { findLargest } from '../find-largest'
import { apexOf, findDart, isRefused, type FoundDart } from '../shared/darts/find-darts'
import { dartCautions } from '../shared/darts/turn-dart'
import type { ChangeContext, Applied } from '../types'
import { asideOf, heldByRaise, heldByTurnAside, raisedApex } from './held'
import { mainAmount, type RaiseDartInputs } from './schema'

/** The garment with the dart raised in every size, or null where it would leave its edge in one. */
function raised(garment: Garment, { piece, dart }: FoundDart, apex: (sizeId: string) => Point, upMm: number): Garment | null {
  if (upMm === 0) return garment
  return drawnInAll(markApex(garment, piece.id, apex), piece.id, (p, shape, sizeId) => raiseDart(p, shape, dart, apex(sizeId), upMm))
}

/** The garment with the dart turned to an apex further aside in every size, or null where it cannot be in one. */
function turned(garment: Garment, { piece, dart }: FoundDart, apex: (sizeId: string) => Point, asideMm: number): Garment | null {
  if (asideMm === 0) return garment
  return drawnInAll(markApex(garment, piece.id, apex), piece.id, (p, shape, sizeId) =>
    turnDartAside(p, shape, dart, apex(sizeId), asideOf(p, shape, apex(sizeId), asideMm)),
  )
}

function drawnInAll(
  garment: Garment,
  pieceId: string,
  draw: (...of: Parameters<Parameters<typeof mapShapes>[2]>) => Shape | null,
): Garment | null {
  let fits = true
  const after = mapShapes(garment, pieceId, (piece, shape, sizeId) => {
    const drawn = draw(piece, shape, sizeId)
    if (!drawn) fits = false
    return drawn ?? shape
  })
  return fits && findBrokenOutline(garment, after) === null ? after : null
}

/**
 * Slides a dart with its apex along the grain and redraws its edge with the dart closed; turns it to an apex further to the side or the
 * centre, from where it begins (craft 6.11, 9).
 * Refuses: a dart that has gone, an amount that would take it off its edge or leave nothing of it (with the largest that works).
 */
export function applyRaise(garment: Garment, inputs: RaiseDartInputs, context: ChangeContext): Result<Applied<RaiseDartInputs>> {
  const found = findDart(garment, inputs.dart)
  if (isRefused(found)) return found
  const { piece, dart } = found
  const apex = apexOf(found)
  const risen = raised(garment, found, apex, inputs.amountMm)
  if (!risen) {
    const largest = findLargest(inputs.amountMm, (mm) => raised(garment, found, apex, mm) !== null)
    return refuse(
      'amount-too-large',
      `${piece.name}, ${dart.name}`,
      'the dart would leave its edge.',
      `It can go ${inputs.amountMm > 0 ? 'up' : 'down'} by ${limitToken(Math.abs(largest))} at most.`,
      mainAmount(inputs) === 'amountMm' ? largest : undefined,
    )
  }
  const up = (sizeId: string) => raisedApex(apex(sizeId), shapeOf(piece, sizeId), inputs.amountMm)
  const then = findDart(risen, inputs.dart) as FoundDart
  const after = turned(risen, then, up, inputs.asideMm)
  if (!after) {
    const largest = findLargest(inputs.asideMm, (mm) => turned(risen, then, up, mm) !== null)
    return refuse(
      'aside-too-large',
      `${piece.name}, ${dart.name}`,
      'the dart cannot be turned so far from where it begins.',
      `Its apex can go ${inputs.asideMm > 0 ? 'toward the side' : 'toward the centre'} by ${limitToken(Math.abs(largest))} at most.`,
      mainAmount(inputs) === 'asideMm' ? largest : undefined,
    )
  }
  const { sizeId } = context
  const at = add(up(sizeId), asideOf(piece, shapeOf(piece, sizeId), up(sizeId), inputs.asideMm))
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: [
      ...heldByRaise(garment, risen, after, found, apex(sizeId), inputs.amountMm, sizeId),
      ...(inputs.asideMm === 0 ? [] : heldByTurnAside(risen, after, then, up(sizeId), inputs.asideMm, sizeId)),
    ],
    folded: { pieceId: piece.id, dartId: dart.id },
    cautions: dartCautions(after, found, dart.id, at, sizeId).filter((c) => c.code !== 'middle-misses'),
  })
}
