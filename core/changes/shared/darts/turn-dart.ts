import { distance, dot, line, measureLength, placeAt, subtract, type Path, type Point } from '../../../geometry'
import { angleFrom, missOfApex, sectorsAbout } from '../../../darts'
import {
  dartFigures,
  edgeFamily,
  edgePath,
  findPiece,
  grainDirection,
  neighbours,
  shapeOf,
  type Dart,
  type Edge,
  type Garment,
  type Piece,
  type Shape,
  surplusOf,
} from '../../../pattern'
import { refuse, type Result } from '../../../result'
import { EQUAL_MM, SEAM_KEPT_MM } from '../../../tolerances'
import { DEG, lengthToken } from '../../../units'
import { findBrokenOutline } from '../../check-outlines'
import { besideDart, familyMm, type FoundDart } from './find-darts'
import { bothShapes, holdGrain, holdMeasure } from '../held'
import type { Caution, HeldPromise, PlayMove } from '../../types'

/** deg within which the angles about an apex are kept (craft 6.11). */
const ANGLE_KEPT_DEG = 0.001

/** A dart whose angle is larger than this stands out as a point: two are proposed, deg (craft 6.11). */
const TWO_DARTS_DEG = 60

/** A leg end nearer to the armhole than its allowance and this is hard to sew, mm (craft 6.11). */
const ARMHOLE_CLEAR_MM = 25

/** A middle line that runs further than this past the apex is shown, mm. */
const MISS_MM = 3

/** All darts of a piece that end in one apex, by their angle there, deg. */
export function angleAtApexDeg(piece: Piece, shape: Shape, apex: Point, dartIds: readonly string[]): number {
  return piece.darts.filter((d) => dartIds.includes(d.id)).reduce((sum, d) => sum + angleFrom(apex, shape, d) * DEG, 0)
}

/**
 * What a turn about the apex promises: the angle there, every edge it does not draw anew, the grain, and the seams.
 *
 * @param trued edges (as families) that were drawn anew where a dart closed
 * @param angleDeg the angle at the apex before and after, deg
 * @param meant seams whose difference is meant to change, by id
 */
export function heldByTurn(
  before: Garment,
  after: Garment,
  pieceId: string,
  sizeId: string,
  trued: readonly string[],
  angleDeg: { before: number; after: number },
  meant: readonly string[] = [],
): HeldPromise[] {
  const { piece: old, was, is } = bothShapes(before, after, pieceId, sizeId)
  const piece = findPiece(after, pieceId)!
  const held = [holdMeasure('angle at the apex', old.name, angleDeg.before, angleDeg.after, ANGLE_KEPT_DEG, 'deg')]
  const families = new Map(old.edges.filter((e) => e.role !== 'dart-leg').map((e) => [edgeFamily(e.id), e]))
  for (const [family, edge] of families)
    if (!trued.includes(family))
      held.push(holdMeasure(`${edge.name}, length`, old.name, familyMm(old, was, family), familyMm(piece, is, family), EQUAL_MM))
  held.push(holdGrain(old, was, is))
  const seams = before.seams.filter((seam) => !meant.includes(seam.id) && seam.sides.flat().some((r) => r.pieceId === pieceId))
  for (const seam of seams) {
    const now = after.seams.find((s) => s.id === seam.id)!
    const names = [...new Set(seam.sides.flat().map((r) => findPiece(before, r.pieceId)!.name))].join(' to ')
    held.push(
      holdMeasure(
        `${seam.name}, difference of its sides`,
        names,
        surplusOf(before, seam, sizeId),
        surplusOf(after, now, sizeId),
        SEAM_KEPT_MM,
      ),
    )
  }
  return held
}

/**
 * The edges (as families) that are drawn anew where a dart closes: trued, or led to where its two ends meet when its legs,
 * seen from the apex, are not alike.
 */
export function drawnWhereClosed(piece: Piece, shape: Shape, dart: Dart, apex: Point, trued: boolean): string[] {
  const { first, second } = dartFigures(piece, shape, dart)
  const alike = Math.abs(distance(first, apex) - distance(second, apex)) <= EQUAL_MM
  return trued || !alike ? besideDart(piece, shape, dart) : []
}

/** What the hands do: cut the new place to the apex, swing the paper between the two darts, and the old one closes. */
export function playTurn(
  piece: Piece,
  shape: Shape,
  apex: Point,
  slit: { edgeId: string; atMm: number } | null,
  angles: ReadonlyMap<string, number>,
  label: string,
): PlayMove[] {
  return sectorsAbout(piece, shape, apex, angles).flatMap((sector, id): PlayMove[] => {
    const turnRad = Math.atan2(sector.move.b, sector.move.a)
    if (turnRad === 0) return []
    const cut: Path | null = slit ? [line(placeAt(edgePath(shape, slit.edgeId), slit.atMm).point, apex)] : null
    return [{ pieceId: piece.id, label, pin: apex, cut, parts: [{ id, outline: sector.outline }], traced: [], turnRad, by: { x: 0, y: 0 } }]
  })
}

/** The armhole of a piece that a dart's end could come too near to. */
const armholes = (piece: Piece): Edge[] => piece.edges.filter((e) => e.role === 'armhole')

/** How near, mm, the ends of a dart come to the armhole along their own edge; null where it does not meet the armhole. */
export function clearOfArmholeMm(piece: Piece, shape: Shape, dart: Dart): { clearMm: number; wantedMm: number } | null {
  const d = dartFigures(piece, shape, dart)
  if (d.before.role === 'armhole' || d.after.role === 'armhole') return null
  const ends = [d.first, d.second]
  const gaps = armholes(piece).flatMap((e) => {
    const path = edgePath(shape, e.id)
    return [path[0]!.from, path[path.length - 1]!.to].flatMap((p) =>
      ends.map((end) => ({ clearMm: distance(end, p), wantedMm: e.allowanceMm + ARMHOLE_CLEAR_MM })),
    )
  })
  return gaps.sort((a, b) => a.clearMm - b.clearMm)[0] ?? null
}

/** A place along a hollow edge is a little nearer, straight across, than it is along it, mm. */
const HOLLOW_MM = 1

/** The highest place of a side seam at which a dart is clear of the armhole above it, mm from its start; null where none is. */
export function clearPlace(piece: Piece, shape: Shape, edge: Edge): number | null {
  const path = edgePath(shape, edge.id)
  const total = measureLength(path)
  const { before, after } = neighbours(piece, edge.id)
  const down = dot(subtract(path[path.length - 1]!.to, path[0]!.from), grainDirection(shape)) >= 0
  const above = down ? before : after
  const roomMm = above.allowanceMm + ARMHOLE_CLEAR_MM + HOLLOW_MM
  if (above.role !== 'armhole' || roomMm > total) return null
  return down ? roomMm : total - roomMm
}

/** Cautions that any dart can give where it now lies (craft 6.11). */
export function dartCautions(garment: Garment, found: FoundDart, dartId: string, apex: Point, sizeId: string): Caution[] {
  const piece = findPiece(garment, found.piece.id)!
  const shape = shapeOf(piece, sizeId)
  const dart = piece.darts.find((d) => d.id === dartId)
  if (!dart) return []
  const d = dartFigures(piece, shape, dart)
  const about = { pieceId: piece.id }
  const said: Caution[] = []
  const clear = clearOfArmholeMm(piece, shape, dart)
  if (clear && clear.clearMm < clear.wantedMm)
    said.push({
      ...about,
      code: 'near-armhole',
      message: `An end of the ${dart.name} lies ${lengthToken(clear.clearMm)} from the armhole; with the seam allowance it wants ${lengthToken(clear.wantedMm)}. Lower the dart.`,
    })
  if (distance(d.tip, apex) <= EQUAL_MM)
    said.push({
      ...about,
      code: 'tip-on-apex',
      message: `The ${dart.name} ends on the apex: it would make a point there. Draw its tip back.`,
    })
  if (d.angleRad * DEG > TWO_DARTS_DEG)
    said.push({
      ...about,
      code: 'wide-dart',
      message: `The ${dart.name} has ${Math.round(d.angleRad * DEG)} degrees: so wide a dart stands out as a point. Split it into two.`,
    })
  const missMm = missOfApex(found.piece, shapeOf(found.piece, sizeId), found.dart, apex)
  if (missMm > MISS_MM)
    said.push({
      ...about,
      code: 'middle-misses',
      message: `The middle line of the ${found.dart.name} as it was runs ${lengthToken(missMm)} past the apex: its legs come out unequal by a little. Look whether the apex is marked in the right place.`,
    })
  return said
}

/** Refuses a result whose outline is spoilt, naming where. */
export function soundOr(before: Garment, after: Garment, remedy: string): Result<never> | null {
  const broken = findBrokenOutline(before, after)
  return broken ? refuse('outline-broken', broken.where, `${broken.what}.`, remedy) : null
}
