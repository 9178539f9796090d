import {
  applyAffine,
  distance,
  dot,
  IDENTITY,
  mapPath,
  measureLength,
  scale,
  slideBy,
  subtract,
  turnAbout,
  type Path,
  type Point,
  placeOnRay,
} from '../../geometry'
import { apexOfFront, frontKind, sidePlace, type FrontKind } from '../../measure'
import { angleFrom, drawLegsTo, drawTipBack, outwardOf, pressAnew, runsDown, tipBackMm, trueJoint } from '../../darts'
import { cutPiece, easeIn, moveParts, partOfPlace, redrawMoved, type CutPiece } from '../../moves'
import {
  dartFigures,
  dartIn,
  edgePath,
  findPiece,
  grainDirection,
  shapeOf,
  type Dart,
  type Edge,
  type Garment,
  type NotchPlace,
  type Piece,
  type Shape,
  mapShapes,
} from '../../pattern'
import { ok, refuse, type Problem, type Result } from '../../result'
import { EQUAL_MM, SAME_POINT_MM } from '../../tolerances'
import { evenSides } from '../shared/even-sides'
import { openSideDart } from '../shared/darts/open-side-dart'
import type { FrontLengthInputs } from './schema'

/** How far to each side of the dart the side is drawn anew, mm, where it has so much room: what a curve needs to turn gently. */
const TRUED_MM = 70

/** A front whose length was changed, with what was cut in the base size. */
export interface FrontDone {
  garment: Garment
  dartId: string
  isNewDart: boolean
  apex: Point
  /** The edge at which the cut begins: the centre, or the edge of a front that wraps over. */
  centreId: string
  isWrap: boolean
  /** Where the cut meets it. */
  atCentre: Point
  cut: CutPiece
  /** The part that was slid along the grain. */
  slid: number
}

/** What was cut in the base size. */
type BaseDrawn = Pick<FrontDone, 'cut' | 'slid' | 'centreId' | 'isWrap' | 'atCentre'>

/** The one front of a garment that a length can be given to: none where it is in panels. */
export const frontOf = (garment: Garment, pieceId: string): Exclude<FrontKind, { how: 'panels' }> | null => {
  const piece = findPiece(garment, pieceId)
  const front = piece ? frontKind(garment, piece) : null
  return front && front.how !== 'panels' ? front : null
}

/** The front with a dart at its side to take what the centre gains. */
function withDart(garment: Garment, front: Exclude<FrontKind, { how: 'panels' }>): Result<{ garment: Garment; dartId: string }> {
  if (front.how === 'side-dart') return ok({ garment, dartId: front.dart.id })
  const { piece } = front
  const apexOf = (sizeId: string) => apexOfFront(front, sizeId).point
  const place = sidePlace(piece, shapeOf(piece, garment.baseSizeId), apexOf(garment.baseSizeId))
  if (!place) return refuse('no-side', piece.name, 'it has no side seam for a dart.', 'Name the side seam first.')
  return ok(openSideDart(garment, piece, place, apexOf))
}

/**
 * The side drawn smoothly over its dart folded closed at a point, and unfolded: both legs end alike, and the side runs on across
 * the dart. Sliding one part of it has changed the angle of the dart, and with it how the two parts meet when it is sewn.
 */
function trueSide(piece: Piece, shape: Shape, dart: Dart, at: Point): Shape {
  const d = dartFigures(piece, shape, dart)
  const angle = angleFrom(at, shape, dart)
  const turned = (path: Path, rad: number) => mapPath(path, (p) => applyAffine(turnAbout(at, rad), p))
  const [before, after] = [edgePath(shape, d.before.id), edgePath(shape, d.after.id)]
  const [first, second] = trueJoint(before, turned(after, -angle), TRUED_MM)
  const notches = Object.fromEntries(
    piece.notches.map((n): [string, NotchPlace] => {
      const place = shape.notches[n.id]!
      const isBefore = n.edgeId === d.before.id
      if (!isBefore && n.edgeId !== d.after.id) return [n.id, place]
      // From the end that did not move.
      const far = isBefore ? 'start' : 'end'
      const whole = measureLength(isBefore ? before : after)
      return [n.id, { from: far, distanceMm: place.from === far ? place.distanceMm : whole - place.distanceMm }]
    }),
  )
  const edges = { ...shape.edges, [d.before.id]: first, [d.after.id]: turned(second, angle) }
  return drawLegsTo(piece, { ...shape, notches, edges }, dart, at)
}

/**
 * The edge at the middle of a front that a line from the apex square across meets, and where along it: its centre; of a front that
 * wraps over, the edge that crosses from the shoulder to the waist. null where there is none.
 */
function middleEdge(piece: Piece, shape: Shape, apex: Point): { edge: Edge; atMm: number } | null {
  const inward = scale(outwardOf(piece, shape, apex), -1)
  const isCentre = (e: Edge) => Boolean(e.fold) || e.role === 'centre-front'
  const inOrder = [...piece.edges.filter(isCentre), ...piece.edges.filter((e) => !isCentre(e) && e.role === 'neck')]
  for (const edge of inOrder) {
    const atMm = placeOnRay(edgePath(shape, edge.id), apex, inward)
    if (atMm !== null) return { edge, atMm }
  }
  return null
}

/** The edge of a wrap when what lies below it went down: by more and more along it, so that it runs as smoothly as it did. */
function stretchWrap(piece: Piece, was: Shape, moved: Shape, edgeId: string, amountMm: number): Shape {
  const path = edgePath(was, edgeId)
  const down = grainDirection(was)
  const total = measureLength(path)
  const startsBelow = dot(subtract(path[0]!.from, path[path.length - 1]!.to), down) > 0
  const drawn = redrawMoved(path, down, (mm) => amountMm * easeIn(startsBelow ? 1 - mm / total : mm / total))
  const grown = measureLength(drawn) / total
  const notches = Object.fromEntries(
    piece.notches
      .filter((n) => n.edgeId === edgeId)
      .map((n) => [n.id, { ...was.notches[n.id]!, distanceMm: was.notches[n.id]!.distanceMm * grown }]),
  )
  return { ...moved, edges: { ...moved.edges, [edgeId]: drawn }, notches: { ...moved.notches, ...notches } }
}

/** One size: cut from the centre to the apex and through the dart, the lower part slid along the grain, the dart drawn anew. */
function slideBelow(
  piece: Piece,
  shape: Shape,
  dart: Dart,
  apex: Point,
  backMm: number,
  amountMm: number,
): Result<BaseDrawn & { shape: Shape }> {
  const down = grainDirection(shape)
  const middle = middleEdge(piece, shape, apex)
  if (!middle)
    return refuse(
      'no-front',
      piece.name,
      'its centre does not run past the level of the bust.',
      'Take a wedge out of it, or put one in, below the neckline.',
    )
  const drawn = drawLegsTo(piece, shape, dart, apex)
  const cut = cutPiece(piece, drawn, [
    { from: { edgeId: middle.edge.id, atMm: middle.atMm }, through: [], to: { edgeId: dart.legs[1], atMm: 0 } },
  ])
  if (!cut.ok) return cut
  const below = runsDown(piece, drawn, dart) ? dart.legs[1] : dart.legs[0]
  const slid = partOfPlace(cut.value, below, measureLength(edgePath(drawn, below)) / 2)
  const by = slideBy(scale(down, amountMm))
  const parts = moveParts(
    piece,
    drawn,
    cut.value,
    cut.value.parts.map((_, i) => (i === slid ? by : IDENTITY)),
  )
  if (!parts.ok) return parts
  const isWrap = !middle.edge.fold && middle.edge.role === 'neck'
  const moved = isWrap ? stretchWrap(piece, drawn, parts.value, middle.edge.id, amountMm) : parts.value
  const opened = dartFigures(piece, moved, dart)
  const gap = dot(subtract(opened.second, opened.first), down)
  if ((runsDown(piece, drawn, dart) ? gap : -gap) < -EQUAL_MM)
    return refuse('amount-too-large', piece.name, 'its side dart has not so much to give.', 'Ask for less.')
  // The bust stays where it was below the shoulder.
  const points = Object.fromEntries(
    Object.entries(moved.points).map(([id, p]) => [id, distance(shape.points[id]!, apex) <= SAME_POINT_MM ? apex : p]),
  )
  const toApex = drawLegsTo(piece, { ...moved, points, grain: shape.grain }, dart, apex)
  const tipped = drawTipBack(piece, trueSide(piece, toApex, dart, apex), dart, apex, backMm)
  // Once more about the tip, where it is folded in the end: its angle there is larger.
  const even = trueSide(piece, tipped, dart, dartFigures(piece, tipped, dart).tip)
  return ok({ shape: even, cut: cut.value, slid, centreId: middle.edge.id, isWrap, atCentre: cut.value.slashes[0]!.from })
}

/**
 * The whole change in every size: below the bust the front goes down, or up, along the grain from its centre to the side; above it
 * stays; what its side gains or loses goes into the side dart, so that the side seam keeps its length (craft 6.11: the front grows
 * in length where the bust needs it).
 * Refuses: no front, panels, a shorter front without a dart at its side, more than the dart holds.
 */
export function changeFrontLength(garment: Garment, { pieceId, amountMm }: FrontLengthInputs): Result<FrontDone> {
  const front = frontOf(garment, pieceId)
  if (!front)
    return refuse(
      'reference-gone',
      findPiece(garment, pieceId)?.name ?? 'piece',
      'the front this was made for has gone, or is none.',
      'Choose the front of a bodice that is not cut in panels.',
    )
  const { piece } = front
  const isNewDart = front.how !== 'side-dart'
  if (isNewDart && amountMm < 0)
    return refuse(
      'amount-too-large',
      piece.name,
      'it has no dart at its side to take the length from; shorten it across the armhole, or take a wedge out at its centre.',
      'Ask for more.',
    )
  const darted = withDart(garment, front)
  if (!darted.ok) return darted
  const { garment: prepared, dartId } = darted.value
  const sided = findPiece(prepared, piece.id)!
  const dart = dartIn(sided, dartId)
  const apexOf = (sizeId: string) => apexOfFront(front, sizeId).point
  let problem: Problem | null = null
  let base: BaseDrawn | null = null
  const moved = mapShapes(prepared, piece.id, (p, shape, sizeId) => {
    const apex = apexOf(sizeId)
    const back = isNewDart ? tipBackMm('side') : distance(dartFigures(p, shape, dart).tip, apex)
    const one = slideBelow(p, shape, dart, apex, back, amountMm)
    if (!one.ok) {
      problem ??= one.problem
      return shape
    }
    if (sizeId === garment.baseSizeId) base = one.value
    return one.value.shape
  })
  if (problem || !base) return { ok: false, problem: problem! }
  const evened = garment.sizes.reduce((g, size) => evenSides(prepared, g, size.id, { from: [size.id], alone: true }).garment, moved)
  const done = isNewDart ? pressAnew(evened, piece.id, dartId) : evened
  return ok({
    ...(base as BaseDrawn),
    garment: done,
    dartId,
    isNewDart,
    apex: apexOf(garment.baseSizeId),
  })
}
