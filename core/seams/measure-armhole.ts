import { measureLength } from '../geometry'

import { edgePath, findPiece, shapeOf, type Garment, type RunEdge, markPosition, sideLength, walkAcross } from '../pattern'
import { topMark, type Armhole, type Sleeve } from './find-armholes'

export type Half = 'front' | 'back'
export const HALVES: readonly Half[] = ['front', 'back']

/** An armhole that has a sleeve. */
export type SleevedArmhole = Armhole & { sleeve: Sleeve }

/** Length of a run of edges, mm on the seam line. */
export const runLength = (garment: Garment, runs: readonly RunEdge[], sizeId: string): number =>
  runs.reduce((sum, r) => sum + measureLength(edgePath(shapeOf(findPiece(garment, r.pieceId)!, sizeId), r.edgeId)), 0)

/** What an armhole and its cap measure, each half from the shoulder to the underarm, mm. */
export interface ArmholeFigures {
  armhole: Record<Half, number>
  cap: Record<Half, number>
  /** How much longer the cap is. */
  ease: Record<Half, number>
  /** Where the cap meets the shoulder, from the start of its seam. */
  topMm: number
}

/** A mark further from the shoulder than this does not say where the shoulder meets the cap, mm. */
const NEAR_SHOULDER_MM = 60

/** Where the shoulder meets the cap, mm from the start of the seam: by the mark there, by one nearby, else with the ease shared evenly. */
export function topOfCap(garment: Garment, armhole: SleevedArmhole, sizeId: string): number {
  const { seam, side, beginsAt } = armhole.sleeve
  const mark = topMark(garment, armhole)
  const own = mark && markPosition(garment, seam, side, mark.cap, sizeId)
  if (own !== null && own !== undefined) return own
  const other = side === 0 ? 1 : 0
  const shoulderMm = runLength(garment, armhole[beginsAt], sizeId)
  const near = seam.marks.some((pair) => {
    const at = markPosition(garment, seam, other, pair[other], sizeId)
    return at !== undefined && Math.abs(at - shoulderMm) <= NEAR_SHOULDER_MM
  })
  if (near) return walkAcross(garment, seam, other, shoulderMm, sizeId)
  return (shoulderMm * sideLength(garment, seam, side, sizeId)) / sideLength(garment, seam, other, sizeId)
}

/** Front and back armhole, front and back cap, and the ease of each half, in one size. */
export function measureArmhole(garment: Garment, armhole: SleevedArmhole, sizeId: string): ArmholeFigures {
  const { seam, side, beginsAt } = armhole.sleeve
  const topMm = topOfCap(garment, armhole, sizeId)
  const restMm = sideLength(garment, seam, side, sizeId) - topMm
  const cap = beginsAt === 'front' ? { front: topMm, back: restMm } : { front: restMm, back: topMm }
  const body = { front: runLength(garment, armhole.front, sizeId), back: runLength(garment, armhole.back, sizeId) }
  return { armhole: body, cap, ease: { front: cap.front - body.front, back: cap.back - body.back }, topMm }
}
