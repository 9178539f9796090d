import { placeAt, alongGrain } from '../../geometry'
import {
  edgePath,
  findPiece,
  grainDirection,
  seamsOfEdge,
  shapeOf,
  type Garment,
  placeOnSide,
  seamPosition,
  walkAcross,
} from '../../pattern'

import { crossingsOf, type EdgeCrossing, type MoveLevel } from './move-beyond'

/** What a set of levels on one piece means for the whole garment. */
export interface SpreadLevels {
  /** Levels per piece, the asked piece first, then its partners in the order in which they were reached. */
  levels: Map<string, MoveLevel[]>
  /** Pieces that a level reaches through a shared seam but that were left out. */
  leftOut: Map<string, { seamId: string; seamName: string; fromPieceId: string }>
}

/**
 * Carries levels from one piece to every piece that the same line crosses, by walking the shared seams from their
 * nearest shared point. Pieces in `leaveOut` are named, not followed.
 */
export function spreadLevels(
  garment: Garment,
  sizeId: string,
  pieceId: string,
  levels: readonly MoveLevel[],
  leaveOut: readonly string[],
): SpreadLevels {
  const found = new Map<string, MoveLevel[]>([[pieceId, [...levels]]])
  const leftOut: SpreadLevels['leftOut'] = new Map()
  const queue = [pieceId]
  while (queue.length > 0) {
    const fromId = queue.shift()!
    const piece = findPiece(garment, fromId)!
    const shape = shapeOf(piece, sizeId)
    const grain = grainDirection(shape)
    for (const edge of piece.edges) {
      const joins = seamsOfEdge(garment, fromId, edge.id)
      if (joins.length === 0) continue
      for (const crossing of crossingsOf(edgePath(shape, edge.id), grain, found.get(fromId)!)) {
        const level = found.get(fromId)!.find((l) => l.id === crossing.levelId)!
        for (const { seam, side, index } of joins) {
          const here = seamPosition(garment, seam, side, index, crossing.atMm, sizeId)
          const other = side === 0 ? 1 : 0
          const place = placeOnSide(garment, seam, other, walkAcross(garment, seam, side, here, sizeId), sizeId)
          if (place.pieceId === fromId) continue
          if (leaveOut.includes(place.pieceId)) {
            if (!leftOut.has(place.pieceId)) leftOut.set(place.pieceId, { seamId: seam.id, seamName: seam.name, fromPieceId: fromId })
            continue
          }
          const partner = findPiece(garment, place.pieceId)!
          const partnerShape = shapeOf(partner, sizeId)
          const known = found.get(partner.id)
          if (known?.some((l) => l.id === level.id)) continue
          const point = placeAt(edgePath(partnerShape, place.edgeId), place.atMm).point
          const carried = { ...level, atMm: alongGrain(point, grainDirection(partnerShape)) }
          found.set(partner.id, [...(known ?? []), carried])
          queue.push(partner.id)
        }
      }
    }
  }
  return { levels: found, leftOut }
}

/**
 * Crossings per piece and edge, with partner edges given windows of equal length along their shared seam, so
 * that equal seams stay equal.
 */
export function agreeWindows(
  garment: Garment,
  sizeId: string,
  levels: ReadonlyMap<string, readonly MoveLevel[]>,
): Map<string, Map<string, EdgeCrossing[]>> {
  const all = new Map<string, Map<string, EdgeCrossing[]>>()
  for (const [pieceId, own] of levels) {
    const piece = findPiece(garment, pieceId)!
    const shape = shapeOf(piece, sizeId)
    const grain = grainDirection(shape)
    all.set(pieceId, new Map(piece.edges.map((e) => [e.id, crossingsOf(edgePath(shape, e.id), grain, own)])))
  }
  for (const seam of garment.seams) {
    const sides = ([0, 1] as const).map((side) =>
      seam.sides[side].flatMap((run, index) =>
        (all.get(run.pieceId)?.get(run.edgeId) ?? []).map((crossing) => ({
          crossing,
          reversed: run.reversed,
          position: seamPosition(garment, seam, side, index, crossing.atMm, sizeId),
          step: run.reversed ? -crossing.stepMm : crossing.stepMm,
        })),
      ),
    )
    for (const a of sides[0]!) {
      const mates = sides[1]!.filter((b) => b.crossing.levelId === a.crossing.levelId && b.step * a.step >= 0)
      if (mates.length === 0) continue
      const b = mates.reduce((x, y) => (Math.abs(y.position - a.position) < Math.abs(x.position - a.position) ? y : x))
      agree(a, b)
    }
  }
  return all
}

interface SeamCrossing {
  crossing: EdgeCrossing
  reversed: boolean
}

function agree(a: SeamCrossing, b: SeamCrossing): void {
  const room = ({ crossing, reversed }: SeamCrossing) =>
    reversed ? [crossing.afterMm, crossing.beforeMm] : [crossing.beforeMm, crossing.afterMm]
  const [aBefore, aAfter] = room(a) as [number, number]
  const [bBefore, bAfter] = room(b) as [number, number]
  // A short window means a near corner: take the shorter; two free windows differ only by their wish: the shorter is
  // still long enough for both, since partners share the amount and nearly the slope.
  const before = Math.min(aBefore, bBefore)
  const after = Math.min(aAfter, bAfter)
  for (const side of [a, b]) {
    side.crossing.beforeMm = side.reversed ? after : before
    side.crossing.afterMm = side.reversed ? before : after
  }
}
