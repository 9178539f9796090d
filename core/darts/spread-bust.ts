import {
  add,
  applyAffine,
  cross,
  distance,
  dot,
  IDENTITY,
  mix,
  placeAt,
  scale,
  slideBy,
  subtract,
  turnAbout,
  measureLength,
  type Affine,
  type Point,
  placeOnRay,
} from '../geometry'
import { centreEdge, dartFigures, edgePath, grainDirection, type Dart, type EdgeRole, type Piece, type Shape } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { SAME_POINT_MM } from '../tolerances'
import { cutPiece, partOfPlace, type CutPiece, type Slash } from '../moves/cut/cut-piece'
import { tipBackMm } from './find-apex'
import { drawLegsTo, drawTipBack } from './finish-dart'
import { moveParts } from '../moves/cut/move-parts'

import { pivotAngle } from '../moves/trace/trace-and-move'

/** Where on the armhole, as a part of it from the shoulder, the slash to the apex hangs: high enough that a swing goes across. */
const HINGE_SHARE = 0.55

/** How the paper of a front lies after its bust was made fuller or smaller. */
export interface SpreadBust {
  shape: Shape
  /** The apex on the part with the dart: it has gone across by the amount. */
  apex: Point
  cut: CutPiece
  /** The placement of each part. */
  moves: Affine[]
  slashes: { armhole: Point; lower: Point; centre: Point }
  /** The dart under the apex through which it was cut, if there is one: it has taken what the lower edge gained. */
  under: string | null
  /** The part that turns about the armhole, the part below the dart that slides, the lower centre that is let down. */
  parts: { turned: number; slid: number; down: number }
}

/** Does the edge that a dart parts run down the grain, so that its first leg is the upper one? */
export function runsDown(piece: Piece, shape: Shape, dart: Dart): boolean {
  const path = edgePath(shape, dartFigures(piece, shape, dart).before.id)
  return dot(subtract(path[path.length - 1]!.to, path[0]!.from), grainDirection(shape)) > 0
}

/** Edges in which a front ends below. */
const LOWER: EdgeRole[] = ['waist', 'hem']

/** A cut shorter than this cannot be made, mm. */
const LEAST_CUT_MM = 5

/** The dart of the lower edge that lies straight under the apex, or undefined. */
export function dartUnder(piece: Piece, shape: Shape, apex: Point): Dart | undefined {
  const down = grainDirection(shape)
  return piece.darts.find((dart) => {
    const d = dartFigures(piece, shape, dart)
    const [a, b] = [subtract(d.first, apex), subtract(d.second, apex)]
    return LOWER.includes(d.before.role) && dot(a, down) > 0 && cross(down, a) * cross(down, b) < 0
  })
}

/** Across the grain from the centre of a piece toward its side; a whole piece has its grain in the middle. */
export function outwardOf(piece: Piece, shape: Shape, apex: Point): Point {
  const grain = grainDirection(shape)
  const across = { x: -grain.y, y: grain.x }
  const centre = centreEdge(piece)
  const path = centre ? edgePath(shape, centre.id) : [shape.grain]
  const middle = mix(path[0]!.from, path[path.length - 1]!.to, 0.5)
  return dot(subtract(apex, middle), across) < 0 ? scale(across, -1) : across
}

/**
 * Makes the bust of a half front fuller or smaller (craft 6.11): slashed from the armhole to the apex, from the apex through
 * the side dart, straight down to the lower edge (through a dart that
 * lies there), and across to the centre. The part between armhole and dart turns about
 * its hinge on the armhole until the apex has gone across by the amount; the part below the dart slides after it; the lower
 * centre is let down by as much as the apex has dropped, so that the lower edge stays level.
 *
 * @param dart the side dart; one of no width makes a new dart
 * @param amountMm on the half piece; smaller when negative
 * Refuses: a front without armhole, centre or lower edge, an amount that its armhole is too short for or that takes more than
 * the dart holds.
 */
export function spreadBust(piece: Piece, shape: Shape, dart: Dart, apex: Point, amountMm: number): Result<SpreadBust> {
  const armhole = piece.edges.find((e) => e.role === 'armhole')
  const centre = piece.edges.find((e) => e.fold) ?? piece.edges.find((e) => e.role === 'centre-front')
  const down = grainDirection(shape)
  const outward = outwardOf(piece, shape, apex)
  const under = dartUnder(piece, shape, apex)
  const lower = under
    ? { edgeId: under.legs[1], atMm: 0 }
    : piece.edges
        .filter((e) => LOWER.includes(e.role))
        .map((e) => ({ edgeId: e.id, atMm: placeOnRay(edgePath(shape, e.id), apex, down) }))
        .find((x) => x.atMm !== null)
  const level = centre ? placeOnRay(edgePath(shape, centre.id), apex, scale(outward, -1)) : null
  if (!armhole || !centre || !lower || level === null)
    return refuse(
      'no-front',
      piece.name,
      'it has no armhole, centre and lower edge round this apex.',
      'Name these edges first, or choose another piece.',
    )
  const arm = edgePath(shape, armhole.id)
  const armMm = measureLength(arm)
  const shoulderFirst = dot(subtract(arm[arm.length - 1]!.to, arm[0]!.from), down) > 0
  const hingeMm = armMm * (shoulderFirst ? HINGE_SHARE : 1 - HINGE_SHARE)
  const hinge = placeAt(arm, hingeMm).point
  const toApex = drawLegsTo(piece, shape, dart, apex)
  // A dart under the apex that runs up to it is drawn back first, so that there is paper to cut between them.
  const close = under && distance(dartFigures(piece, shape, under).tip, apex) <= LEAST_CUT_MM
  const drawn = close ? drawTipBack(piece, toApex, under, apex, tipBackMm('waist')) : toApex
  const tip = { edgeId: dart.legs[1], atMm: 0 }
  const slashes: Slash[] = [
    { from: { edgeId: armhole.id, atMm: hingeMm }, through: [], to: tip },
    { from: { edgeId: lower.edgeId, atMm: lower.atMm! }, through: [], to: tip },
    { from: { edgeId: centre.id, atMm: level }, through: [], to: tip },
  ]
  const cut = cutPiece(piece, drawn, slashes)
  if (!cut.ok) return cut
  const turnRad = pivotAngle(hinge, apex, outward, amountMm)
  if (turnRad === null)
    return refuse(
      'amount-too-large',
      piece.name,
      'the slash from the armhole is too short to swing that far.',
      'Ask for less, or share the amount.',
    )
  const turn = turnAbout(hinge, turnRad)
  const moved = applyAffine(turn, apex)
  const by = subtract(moved, apex)
  const firstIsAbove = runsDown(piece, drawn, dart)
  const [above, below] = firstIsAbove ? [dart.legs[0], dart.legs[1]] : [dart.legs[1], dart.legs[0]]
  const middleOf = (edgeId: string) => measureLength(edgePath(drawn, edgeId)) / 2
  const turned = partOfPlace(cut.value, above, middleOf(above))
  const slid = partOfPlace(cut.value, below, middleOf(below))
  const corner = edgePath(shape, centre.id)
  const lowEnd = dot(subtract(corner[corner.length - 1]!.to, corner[0]!.from), down) > 0 ? measureLength(corner) : 0
  const lowCentre = partOfPlace(cut.value, centre.id, lowEnd)
  const drop = dot(by, down)
  const moves = cut.value.parts.map((_, i): Affine => {
    if (i === turned) return turn
    if (i === slid) return slideBy(by)
    return i === lowCentre ? slideBy(scale(down, drop)) : IDENTITY
  })
  const spread = moveParts(piece, drawn, cut.value, moves)
  if (!spread.ok) return spread
  const points = Object.fromEntries(
    Object.entries(spread.value.points).map(([id, p]) => [id, distance(shape.points[id]!, apex) <= SAME_POINT_MM ? add(apex, by) : p]),
  )
  const done = { ...spread.value, points, grain: shape.grain }
  return ok({
    shape: under ? drawLegsTo(piece, done, under, add(dartFigures(piece, drawn, under).tip, by)) : done,
    under: under?.id ?? null,
    apex: moved,
    cut: cut.value,
    moves,
    slashes: { armhole: hinge, lower: placeAt(edgePath(shape, lower.edgeId), lower.atMm!).point, centre: placeAt(corner, level).point },
    parts: { turned, slid, down: lowCentre },
  })
}
