import { add, dot, measureLength, nearestPlace, scale, subtract, type Path, type Point, placeOnRay } from '../../geometry'
import { apexOfFront, bustShare, edgesOppose, frontKind, sidePlace, type FrontKind, type Panels } from '../../measure'
import {
  closeDart,
  drawLegsTo,
  drawTipBack,
  insertDart,
  moveDart,
  outwardOf,
  pressAnew,
  runsDown,
  slideTipLevel,
  spreadBust,
  tipBackMm,
  type SpreadBust,
} from '../../darts'
import { bulge, shareAlike, stretchAlong } from '../../moves'
import {
  dartIn,
  dartFigures,
  edgePath,
  findPiece,
  grainDirection,
  shapeOf,
  type Edge,
  type Garment,
  type Piece,
  type Shape,
  mapShapes,
} from '../../pattern'
import { ok, refuse, type Problem, type Result } from '../../result'
import { EQUAL_MM } from '../../tolerances'
import { lengthToken } from '../../units'
import { slitAt } from '../shared/darts/find-darts'
import { freeId, openSideDart } from '../shared/darts/open-side-dart'
import { bustPieces, halfBustMm } from './half-bust'
import type { BustAmountInputs } from './schema'
import { takeOutAtSide } from './take-out-at-side'

/** What opens at the side of a front without a dart can be eased in up to this, mm: more shows as gathers. */
const EASE_MM = 10

/** A tip of a waist dart ends this far below the apex, mm (craft 6.11: about 25). */
const WAIST_TIP_MM = tipBackMm('waist')

export interface BustDone {
  garment: Garment
  /** The garment when the dart had been brought to the side, and nothing spread yet. */
  prepared: Garment
  dartId: string | null
  spread: SpreadBust | null
  /** The apex before, in the base size. */
  apex: Point
}

/** The front with its dart at the side: moved there, or a slit where there was none. */
function withSideDart(garment: Garment, front: Exclude<FrontKind, { how: 'panels' }>): Result<{ garment: Garment; dartId: string }> {
  const { piece } = front
  if (front.how === 'side-dart') return ok({ garment, dartId: front.dart.id })
  const shape = shapeOf(piece, garment.baseSizeId)
  const apexOf = (sizeId: string) => apexOfFront(front, sizeId).point
  const place = sidePlace(piece, shape, apexOf(garment.baseSizeId))
  if (!place) return refuse('no-side', piece.name, 'it has no side seam for a dart.', 'Name the side seam first.')
  const mouthOf = slitAt(garment, piece, place.edgeId, place.atMm)
  if (front.how === 'other-dart')
    return ok(moveDart(garment, { pieceId: piece.id, dartId: front.dart.id, apexOf, mouthOf, share: 1, trued: true }))
  return ok(openSideDart(garment, piece, place, apexOf))
}

/** Rounds of asking for as much more as was lost in settling the side: each leaves a tenth. */
const ROUNDS = 4

/** The whole change in every size, or why it cannot be. */
export function changeBust(garment: Garment, inputs: BustAmountInputs): Result<BustDone> {
  // A side that is led in below the dart, or drawn smooth over what opened, can cut a little of the bust off: that much more is spread.
  const piece = findPiece(garment, inputs.pieceId)
  const front = piece && frontKind(garment, piece)
  const half = (g: Garment) => (front ? halfBustMm(g, bustPieces(front), g.baseSizeId) : null)
  let asked = inputs.amountMm
  for (let round = 0; ; round++) {
    const done = spreadFront(garment, { ...inputs, amountMm: asked })
    const isSet = done.ok && (done.value.spread !== null || front?.how === 'panels')
    if (!done.ok || !isSet || round === ROUNDS) return done
    const [was, is] = [half(garment), half(done.value.garment)]
    if (was === null || is === null || Math.abs(is - was - inputs.amountMm) <= EQUAL_MM) return done
    asked += inputs.amountMm - (is - was)
  }
}

/** The front spread by an amount, its side and lower edge settled as asked. */
function spreadFront(garment: Garment, inputs: BustAmountInputs): Result<BustDone> {
  const piece = findPiece(garment, inputs.pieceId)
  const front = piece ? frontKind(garment, piece) : null
  if (!piece || !front)
    return refuse(
      'reference-gone',
      piece?.name ?? 'piece',
      'the front this was made for has gone, or is none.',
      'Choose the front of a bodice.',
    )
  const apex = apexOfFront(front, garment.baseSizeId).point
  if (inputs.amountMm === 0) return ok({ garment, prepared: garment, dartId: null, spread: null, apex })
  if (front.how === 'panels') return changePanels(garment, front, inputs, apex)
  const sided = withSideDart(garment, front)
  if (!sided.ok) return sided
  const { garment: prepared, dartId } = sided.value
  const sidePiece = findPiece(prepared, piece.id)!
  const dart = dartIn(sidePiece, dartId)
  let problem: Problem | null = null
  let spread: SpreadBust | null = null
  const apexes = new Map<string, Point>()
  let done = mapShapes(prepared, piece.id, (p, shape, sizeId) => {
    const one = spreadBust(p, shape, dart, apexOfFront(front, sizeId).point, inputs.amountMm)
    if (!one.ok) {
      problem ??= one.problem
      return shape
    }
    if (sizeId === garment.baseSizeId) spread = one.value
    apexes.set(sizeId, one.value.apex)
    return one.value.shape
  })
  if (problem) return { ok: false, problem }
  const now = shapeOf(findPiece(done, piece.id)!, garment.baseSizeId)
  const opened = dartFigures(sidePiece, now, dart)
  // A dart that would open the other way has been used up.
  const down = dot(subtract(opened.second, opened.first), grainDirection(now))
  if ((runsDown(sidePiece, now, dart) ? down : -down) < -EQUAL_MM)
    return front.how === 'no-dart'
      ? refuse(
          'amount-too-large',
          piece.name,
          'it has no dart at its side that could give so much.',
          piece.darts.length > 0
            ? 'Move its dart to the side first; or take the side seam in.'
            : 'Take the side seam in instead, or blend to a smaller size at the bust.',
        )
      : refuse('amount-too-large', piece.name, 'the dart has not so much to give.', 'Ask for less.')
  const outward = outwardOf(piece, shapeOf(piece, garment.baseSizeId), apex)
  const under = (spread as SpreadBust | null)?.under ?? null
  // The cut runs through a dart that lies there: it has taken what was gained, unless that is to be kept or taken out.
  if (under && inputs.waist !== 'dart')
    done = mapShapes(done, piece.id, (p, shape) => giveToEdge(p, shape, under, dartId, inputs.amountMm, outward))
  if (inputs.waist === 'side') done = mapShapes(done, piece.id, (p, shape) => takeOutAtSide(p, shape, dartId, inputs.amountMm, outward))
  let waistDart = under
  if (!under && inputs.waist === 'dart' && inputs.amountMm > 0) {
    const waisted = addWaistDart(done, piece.id, apexes, inputs.amountMm)
    if (!waisted.ok) return waisted
    done = waisted.value.garment
    waistDart = waisted.value.dartId
  }
  const lower = waistDart
  if (lower) done = mapShapes(done, piece.id, (p, shape) => slideTipLevel(p, shape, dartIn(p, lower), outward))
  if (front.how === 'no-dart' && inputs.opening === 'ease') {
    if (opened.intakeMm > EASE_MM)
      return refuse(
        'amount-too-large',
        piece.name,
        `${lengthToken(opened.intakeMm)} would open at the side, and no more than ${lengthToken(EASE_MM)} can be eased in.`,
        'Make a dart of it, or ask for less.',
      )
    // What opened runs on in the side seam, to be eased in.
    return ok({ garment: closeDart(done, piece.id, dartId, 'bridge'), prepared, dartId: null, spread, apex })
  }
  const tipped = mapShapes(done, piece.id, (p, shape, sizeId) =>
    drawTipBack(p, shape, dartIn(p, dartId), apexes.get(sizeId)!, inputs.tipBackMm),
  )
  return ok({ garment: pressAnew(tipped, piece.id, dartId), prepared, dartId, spread, apex })
}

/** A waist dart as wide as it was: the edge on the side's part of it is drawn on by what it had taken. */
function giveToEdge(piece: Piece, shape: Shape, underId: string, sideId: string, amountMm: number, outward: Point): Shape {
  const under = dartIn(piece, underId)
  const d = dartFigures(piece, shape, under)
  const none = { x: 0, y: 0 }
  const by = scale(outward, -amountMm)
  // Walking down the side one comes to the lower edge before the dart.
  const before = runsDown(piece, shape, dartIn(piece, sideId))
  const edge = before ? d.before : d.after
  const path = edgePath(shape, edge.id)
  const drawn = before ? stretchAlong(path, none, by) : stretchAlong(path, by, none)
  return drawLegsTo(piece, { ...shape, edges: { ...shape.edges, [edge.id]: drawn } }, under, d.tip)
}

/** The waist seam below the apex of a front, where a dart could take what the waist gains; undefined where the front ends in a hem. */
export const waistUnder = (piece: Piece, shape: Shape, apex: Point): Edge | undefined =>
  piece.edges.find((e) => e.role === 'waist' && placeOnRay(edgePath(shape, e.id), apex, grainDirection(shape)) !== null)

/** A dart below the apex for what the waist gained. */
function addWaistDart(
  garment: Garment,
  pieceId: string,
  apexes: ReadonlyMap<string, Point>,
  amountMm: number,
): Result<{ garment: Garment; dartId: string }> {
  const piece = findPiece(garment, pieceId)!
  const base = garment.baseSizeId
  const waist = waistUnder(piece, shapeOf(piece, base), apexes.get(base)!)
  if (!waist)
    return refuse(
      'no-waist',
      piece.name,
      'a dart at the lower edge needs a waist seam, and this piece ends in a hem.',
      'Keep the width, or take it out at the side.',
    )
  const mouthOf = (shape: Shape) => {
    // Under the apex, half of it to each side.
    const path = edgePath(shape, waist.id)
    const [sizeId] = Object.entries(piece.shapes).find(([, s]) => s === shape) ?? [garment.baseSizeId]
    const at = nearestPlace(path, dropTo(path, apexes.get(sizeId)!, grainDirection(shape))).lengthMm
    return { edgeId: waist.id, fromMm: at - amountMm / 2, toMm: at + amountMm / 2 }
  }
  const tipOf = (sizeId: string) => {
    const apex = apexes.get(sizeId)!
    return add(apex, scale(grainDirection(shapeOf(piece, sizeId)), WAIST_TIP_MM))
  }
  const id = freeId(piece, 'waist-dart')
  return ok({ garment: pressAnew(insertDart(garment, pieceId, { id, name: 'waist dart' }, mouthOf, tipOf), pieceId, id), dartId: id })
}

/** A point as far down the grain as the nearest place of a path. */
function dropTo(path: Path, p: Point, down: Point): Point {
  const near = nearestPlace(path, p).point
  return add(p, scale(down, dot(subtract(near, p), down)))
}

/** A front in panels: both edges of the seam are let out at the bust, so shared that they grow alike. */
function changePanels(garment: Garment, front: Panels, inputs: BustAmountInputs, apex: Point): Result<BustDone> {
  const { piece, edge, other, otherEdge } = front
  const base = garment.baseSizeId
  /** How far along its edge each panel is let out most, as a part of it: the same place of the sewn seam on both. */
  const shareOn = (p: Piece, sizeId: string): number => {
    const share = bustShare(front, sizeId)
    return p.id === piece.id || !edgesOppose(front) ? share : 1 - share
  }
  const letOut = (p: Piece, edgeId: string, sizeId: string, mm: number): Path => {
    const shape = shapeOf(p, sizeId)
    const path = edgePath(shape, edgeId)
    const down = grainDirection(shape)
    const across = { x: -down.y, y: down.x }
    // Outward is away from the middle of the grain.
    const middle = subtract(nearestPlace(path, shape.grain.from).point, shape.grain.from)
    const outward = dot(middle, across) < 0 ? scale(across, -1) : across
    return mm === 0 ? path : bulge(path, measureLength(path) * shareOn(p, sizeId), outward, mm, down)
  }
  const lengthOf = (p: Piece, id: string) => (mm: number) => measureLength(letOut(p, id, base, mm))
  const firstMm = shareAlike(inputs.amountMm, lengthOf(piece, edge.id), lengthOf(other, otherEdge.id))
  const draw = (g: Garment, p: Piece, id: string, mm: number) =>
    mapShapes(g, p.id, (_, shape, sizeId) => {
      const path = letOut(p, id, sizeId, mm)
      // Both edges grow alike: a mark that keeps its share of the way still meets its partner.
      const grown = measureLength(path) / measureLength(edgePath(shape, id))
      const own = p.notches.filter((n) => n.edgeId === id).map((n) => [n.id, shape.notches[n.id]!] as const)
      const notches = Object.fromEntries(own.map(([key, place]) => [key, { ...place, distanceMm: place.distanceMm * grown }]))
      return { ...shape, edges: { ...shape.edges, [id]: path }, notches: { ...shape.notches, ...notches } }
    })
  const after = draw(draw(garment, piece, edge.id, firstMm), other, otherEdge.id, inputs.amountMm - firstMm)
  return ok({ garment: after, prepared: garment, dartId: null, spread: null, apex })
}
