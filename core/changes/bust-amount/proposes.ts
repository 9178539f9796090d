import { apexOfFront, frontKind } from '../../measure'
import { findPiece, shapeOf, type Garment } from '../../pattern'
import type { AskedByBody } from '../types'
import { proposeBust } from './apply'
import { beginBust } from './begin'
import { waistUnder } from './change-bust'
import type { BustAmountInputs } from './schema'

/** What the waist gains goes into a dart at a waist seam; over a hem there is none to take it, and it is taken out along the side. */
function waistOf(garment: Garment, pieceId: string): BustAmountInputs['waist'] {
  const piece = findPiece(garment, pieceId)!
  const front = frontKind(garment, piece)
  if (!front) return 'side'
  const sizeId = garment.baseSizeId
  return waistUnder(piece, shapeOf(piece, sizeId), apexOfFront(front, sizeId).point) ? 'dart' : 'side'
}

/**
 * By high bust the size fits above the bust; what a large difference to the full bust asks for is a change of the bust
 * (craft 4). A bust that a stop of the plan has changed is not changed again.
 */
export function proposeFuller(
  garmentNow: () => Garment,
  { context, sheet, stops }: AskedByBody,
): { inputs: BustAmountInputs; note: string }[] {
  const chosen = sheet.rows.find((r) => r.zone.id === 'bust')?.chosen
  const isDone = stops.some((s) => s.phase === 'bust')
  if (isDone || sheet.school !== 'high-bust' || !sheet.cup?.change || !chosen) return []
  const garment = garmentNow()
  const proposed = proposeBust(garment, context)
  const begun = beginBust(garment)
  if (!proposed || !begun.ok) return []
  const note = 'The size was chosen by the high bust; the full bust needs more than it gives.'
  return [{ inputs: { ...begun.value, amountMm: proposed.mm, waist: waistOf(garment, begun.value.pieceId) }, note }]
}
