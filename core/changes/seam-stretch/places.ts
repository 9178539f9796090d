import { alongGrain, crossLevel, measureLength, type Point } from '../../geometry'
import { findZones, zoneLevel } from '../../measure'
import { grainDirection, findPiece, shapeOf, type Garment, neighbours, familyOf } from '../../pattern'
import { joinRuns, lengthOfSide, sidesOfSeam, type SeamSide } from '../../seams'
import { refOfSeam, type FoundSeam } from './find-seams'
import type { SeamStretchInputs } from './schema'

/** A seam that comes in or goes out by more than a quarter of the way over which it does so makes a point. */
export const STEEPEST = 0.25

/** Usual reach of a stretch above and below its deepest place, mm. */
const REACH_MM = 101.6

/** A seam that ends this near to a level of the body ends at it, mm. */
const AT_END_MM = 3

/** How far below the upper end of a seam a level of the body lies, mm; null where the seam does not cross it. */
export function placeOfZone(garment: Garment, { piece, edge }: FoundSeam, zoneId: string, sizeId: string): number | null {
  const part = findZones(garment)
    .find((z) => z.id === zoneId)
    ?.parts.find((p) => p.pieceId === piece.id)
  const level = part ? zoneLevel(garment, part, sizeId) : null
  if (level === null) return null
  const ends: number[] = []
  let fromMm = 0
  for (const run of sidesOfSeam(garment, piece.id, edge.id, sizeId)[0]!) {
    const shape = shapeOf(findPiece(garment, run.pieceId)!, sizeId)
    const path = joinRuns(shape, [run])
    const toMm = fromMm + measureLength(path)
    if (run.pieceId === piece.id) {
      const grain = grainDirection(shape)
      const [crossing] = crossLevel(path, grain, level)
      if (crossing) return fromMm + crossing.atMm
      const isAt = (p: Point) => Math.abs(alongGrain(p, grain) - level) <= AT_END_MM
      if (isAt(path[0]!.from)) ends.push(fromMm)
      if (isAt(path[path.length - 1]!.to)) ends.push(toMm)
    }
    fromMm = toMm
  }
  return ends[0] ?? null
}

/** A stretch of a seam as one would pin it first: about its middle, or about a level of the body; no amount yet. */
export function usualStretch(garment: Garment, seam: FoundSeam, sizeId: string, zoneId?: string): SeamStretchInputs {
  const total = lengthOfSide(garment, sidesOfSeam(garment, seam.piece.id, seam.edge.id, sizeId)[0]!, sizeId)
  const named = zoneId === undefined ? null : placeOfZone(garment, seam, zoneId, sizeId)
  // The middle of trousers is pinned at the waist, where its seam ends.
  const atMm = named ?? (seam.edge.role === 'crotch' && familyOf(seam.piece) === 'leg' ? 0 : total / 2)
  const reach = Math.min(REACH_MM, total / 2)
  // A thigh runs out at the knee, as a leg is drawn: over a hand’s breadth it would bulge.
  const kneeMm = zoneId === 'thigh' ? placeOfZone(garment, seam, 'knee', sizeId) : null
  const belowMm = kneeMm === null ? reach : Math.max(reach, kneeMm - atMm)
  return { seam: refOfSeam(seam), atMm, aboveMm: Math.min(reach, atMm), belowMm, amountMm: 0 }
}

/**
 * The inseam let out at the crotch point itself, running out to nothing at the knee, as one draws a leg for a fuller thigh, or at the
 * hem of a leg that ends above it; null where another seam is meant.
 */
export function atCrotchPoint(garment: Garment, seam: FoundSeam, sizeId: string): SeamStretchInputs | null {
  if (seam.edge.role !== 'inseam') return null
  const total = lengthOfSide(garment, sidesOfSeam(garment, seam.piece.id, seam.edge.id, sizeId)[0]!, sizeId)
  return { seam: refOfSeam(seam), atMm: 0, aboveMm: 0, belowMm: placeOfZone(garment, seam, 'knee', sizeId) ?? total, amountMm: 0 }
}

/** A crotch point goes out no further than this, mm: more wants another size, or a leg of another cut. */
const MOST_AT_POINT_MM = 30

/** A stretch of a seam, and how far each edge may go out there, mm. */
export interface StretchPlace {
  stretch: SeamStretchInputs
  mostMm: number
}

/**
 * Where a seam is let out, or taken in, at a level of the body: about that level, no steeper than a line runs out well; an inseam that
 * has no room for it there, close below the crotch, at the crotch point.
 * @param eachMm how much is wished at each edge
 */
export function stretchAt(garment: Garment, seam: FoundSeam, sizeId: string, zoneId: string | undefined, eachMm: number): StretchPlace {
  const usual = usualStretch(garment, seam, sizeId, zoneId)
  const mostMm = STEEPEST * Math.min(usual.aboveMm, usual.belowMm)
  const atPoint = zoneId === 'thigh' && Math.abs(eachMm) > mostMm ? atCrotchPoint(garment, seam, sizeId) : null
  if (!atPoint) return { stretch: usual, mostMm }
  return { stretch: atPoint, mostMm: Math.min(MOST_AT_POINT_MM, STEEPEST * atPoint.belowMm) }
}

/** The level of the hip on each piece of a size, mm along the grain: where a crotch goes along with its point, it stays above. */
export function hipLevels(garment: Garment, sizeId: string): Record<string, number> {
  const parts = findZones(garment).find((z) => z.id === 'hip')?.parts ?? []
  return Object.fromEntries(
    parts.flatMap((part) => {
      const level = zoneLevel(garment, part, sizeId)
      return level === null ? [] : [[part.pieceId, level]]
    }),
  )
}

/** The edges of a piece that share a corner with a side’s end on it: they follow where that corner goes. */
export function besideEnds(garment: Garment, sides: readonly SeamSide[]): { pieceId: string; edgeId: string }[] {
  return sides.flatMap((side) =>
    side.flatMap(({ pieceId, edgeId }) => {
      const { before, after } = neighbours(findPiece(garment, pieceId)!, edgeId)
      return [before, after].map((e) => ({ pieceId, edgeId: e.id }))
    }),
  )
}
