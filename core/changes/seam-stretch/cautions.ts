import { measureLength } from '../../geometry'
import { edgePath, findPiece, seamsOfEdge, shapeOf, surplusOf, type Garment, type Seam } from '../../pattern'
import type { SeamSide } from '../../seams'
import { EQUAL_MM, SEAM_KEPT_MM } from '../../tolerances'
import { lengthToken } from '../../units'
import { isEvened } from '../shared/evened'
import type { Caution } from '../types'
import type { FoundSeam } from './find-seams'
import { besideEnds, STEEPEST } from './places'
import type { SeamStretchInputs } from './schema'

/** By how much crotch seams became longer where their point went along, mm: what is sewn of them all round, front and back. */
function crotchGrowth(before: Garment, after: Garment, beside: readonly { pieceId: string; edgeId: string }[], sizeId: string): number {
  const isCrotch = ({ pieceId, edgeId }: { pieceId: string; edgeId: string }) =>
    findPiece(before, pieceId)!.edges.find((e) => e.id === edgeId)!.role === 'crotch'
  const lengthIn = (g: Garment, e: { pieceId: string; edgeId: string }) =>
    measureLength(edgePath(shapeOf(findPiece(g, e.pieceId)!, sizeId), e.edgeId))
  return beside.filter(isCrotch).reduce((sum, e) => sum + lengthIn(after, e) - lengthIn(before, e), 0)
}

/** The seam as it was found: its sides, how long it is, and the seams that end where it does. */
interface SeamThere {
  sides: readonly SeamSide[]
  atEnds: readonly Seam[]
  totalMm: number
}

/** A seam that comes in or goes out so steeply that it makes a point. */
function makesPoint({ piece }: FoundSeam, totalMm: number, { atMm, aboveMm, belowMm, amountMm }: SeamStretchInputs): Caution[] {
  const reach = Math.min(aboveMm < atMm ? aboveMm : Infinity, belowMm < totalMm - atMm ? belowMm : Infinity)
  const mm = Math.abs(amountMm)
  if (mm <= STEEPEST * reach) return []
  const message = `It comes in or goes out by ${lengthToken(mm)} over only ${lengthToken(reach)}: the seam makes a point there. Let it run out over ${lengthToken(mm / STEEPEST)} at least.`
  return [{ code: 'makes-a-point', pieceId: piece.id, message }]
}

/** What is to be minded once a stretch of a seam was moved: a point in it, sides that differ, a crotch that became longer or shorter. */
export function cautionsOf(
  before: Garment,
  after: Garment,
  found: FoundSeam,
  { sides, atEnds, totalMm }: SeamThere,
  inputs: SeamStretchInputs,
  sizeId: string,
): Caution[] {
  const pieceId = found.piece.id
  const own = seamsOfEdge(before, pieceId, found.edge.id)[0]?.seam
  const apart = (own ? [own, ...atEnds] : atEnds).flatMap((seam): Caution[] => {
    const mm = Math.abs(surplusOf(after, seam, sizeId) - surplusOf(before, seam, sizeId))
    if (mm <= SEAM_KEPT_MM || isEvened(before, after, seam, sizeId)) return []
    const why =
      seam === own
        ? 'since they curve against each other: ease it in along this stretch.'
        : 'since the corner at its end went along: move the seam that goes on there as far, or let the stretch end before the corner.'
    return [
      { code: 'sides-apart', pieceId, message: `The two sides of ${seam.name} differ by ${lengthToken(mm)} more than before, ${why}` },
    ]
  })
  const growth = found.edge.role === 'inseam' ? crotchGrowth(before, after, besideEnds(before, sides), sizeId) : 0
  const crotch = `The crotch point goes along, and the crotch below the hip with it: front and back together it becomes ${lengthToken(Math.abs(growth))} ${growth > 0 ? 'longer' : 'shorter'}. Try it in a mock-up, sitting.`
  return [
    ...makesPoint(found, totalMm, inputs),
    ...apart,
    ...(Math.abs(growth) > EQUAL_MM ? [{ code: 'crotch-seam', pieceId, message: crotch }] : []),
  ]
}
