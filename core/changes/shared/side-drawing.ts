import { add, dot, scale, type Point } from '../../geometry'
import { pointOnChain, sideChains, zonesOnChain, type SideChain } from '../../measure'
import { findPiece, frameOf, shapeOf, type Garment } from '../../pattern'
import { formatLength } from '../../units'
import type { Handle, PaperStep, StepInput } from '../types'
import { lineStroke, outlineStroke } from './draw-step'
import { outAlong, SIDE_KEYS, type SideAmounts, type SideZone } from './widen-sides'

/** Every side seam of a garment with its zones. */
export function chainsOf(garment: Garment, sizeId: string): { chain: SideChain; zones: { zone: SideZone; atMm: number }[] }[] {
  return garment.pieces.flatMap((piece) =>
    sideChains(piece, shapeOf(piece, sizeId)).map((chain) => ({
      chain,
      zones: zonesOnChain(garment, chain, sizeId) as { zone: SideZone; atMm: number }[],
    })),
  )
}

/** Is there a side seam with a zone on it? */
export const hasSides = (garment: Garment, sizeId: string): boolean => chainsOf(garment, sizeId).some((c) => c.zones.length > 0)

/** The zones that side seams run through, from the top down. */
export function zonesOnSides(garment: Garment, sizeId: string): SideZone[] {
  const there = new Set(chainsOf(garment, sizeId).flatMap((c) => c.zones.map((z) => z.zone)))
  return (['bust', 'waist', 'hip'] as const).filter((z) => there.has(z))
}

const placeOn = (garment: Garment, chain: SideChain, atMm: number, sizeId: string): Point =>
  pointOnChain(shapeOf(findPiece(garment, chain.pieceId)!, sizeId), chain, atMm)

/** Out of the piece at its side, square to the grain. */
function outwardOf(garment: Garment, chain: SideChain, sizeId: string): Point {
  const piece = findPiece(garment, chain.pieceId)!
  const { across, middle } = frameOf(piece, shapeOf(piece, sizeId))
  return scale(across, Math.sign(dot(placeOn(garment, chain, 0, sizeId), across) - middle))
}

/** A handle at each zone of the first side of such a piece, by the key of its amount. */
export function sideHandles(
  garment: Garment,
  inputs: SideAmounts,
  sizeId: string,
  ofPiece: (pieceId: string) => boolean = () => true,
): Handle[] {
  const first = chainsOf(garment, sizeId).find((c) => c.zones.length > 0 && ofPiece(c.chain.pieceId))
  if (!first) return []
  const axis = outwardOf(garment, first.chain, sizeId)
  return first.zones.map(({ zone, atMm }): Handle => {
    const key = SIDE_KEYS[zone]
    return {
      id: key,
      pieceId: first.chain.pieceId,
      at: add(placeOn(garment, first.chain, atMm, sizeId), scale(axis, inputs[key])),
      axis,
      label: zone,
      valueMm: inputs[key],
      isGrowth: true,
      kind: 'amount',
    }
  })
}

/** The same amounts after the handle of one was dragged. */
export function dragSide<A extends SideAmounts>(amounts: A, handleId: string, byMm: number): A {
  const key = Object.values(SIDE_KEYS).find((k) => k === handleId)
  return key ? { ...amounts, [key]: amounts[key] + byMm } : amounts
}

/** The amounts in such a part that the largest of them is so much. */
export function largestSide(amounts: SideAmounts, largestMm: number): SideAmounts {
  const most = Math.max(Math.abs(amounts.bustMm), Math.abs(amounts.waistMm), Math.abs(amounts.hipMm))
  const part = most > 0 ? Math.abs(largestMm) / most : 0
  return { bustMm: amounts.bustMm * part, waistMm: amounts.waistMm * part, hipMm: amounts.hipMm * part }
}

/** Places along each side that are measured by hand, ends included. */
const PLACES = 5

/** Each side moved with ruler and scissors: marks along it, and how far outward each of them goes. */
export function sideSteps<I>(
  { before, applied, context, ruler }: StepInput<I>,
  amountsOf: (pieceId: string) => SideAmounts | null,
): PaperStep[] {
  return chainsOf(before, context.sizeId).flatMap(({ chain }): PaperStep[] => {
    const amounts = amountsOf(chain.pieceId)
    const out = amounts && outAlong(before, chain, amounts, context.sizeId)
    if (!out) return []
    const piece = findPiece(before, chain.pieceId)!
    const outward = outwardOf(before, chain, context.sizeId)
    const places = Array.from({ length: PLACES }, (_, i) => (chain.totalMm * i) / (PLACES - 1))
    const figures = places.map((mm) => formatLength(out(mm), ruler, { signed: true })).join(', ')
    return [
      {
        text: `${piece.name}: divide the side seam into ${PLACES - 1} equal parts from the top. At the marks measure outward, square to the grain (− is inward): ${figures}. Join the marks with one smooth line, and rule the edges above and below on to its ends.`,
        drawing: {
          pieceId: piece.id,
          strokes: [
            outlineStroke(before, piece.id, context.sizeId, 'outline'),
            outlineStroke(applied.garment, piece.id, context.sizeId, 'result'),
            ...places.map((mm) => {
              const p = placeOn(before, chain, mm, context.sizeId)
              return lineStroke(p, add(p, scale(outward, out(mm))), 'line')
            }),
          ],
          labels: [],
        },
      },
    ]
  })
}
