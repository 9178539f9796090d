import {
  distance,
  isStraightPath,
  line,
  measureLength,
  mix,
  placeAt,
  rotateAbout,
  subtract,
  turnRad,
  unit,
  type Path,
  type Point,
} from '../../geometry'
import { angleOfGap, meetLine, notchNear, partOfPlace } from '../../moves'
import { edgePath, findPiece, neighbours, notchPlace, shapeOf, type Garment, type NotchPlace, type Piece, type Shape } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { EQUAL_MM, STRAIGHT_MM } from '../../tolerances'
import { lengthToken, limitToken } from '../../units'
import { bothShapes } from '../shared/held'
import { homePart, playSwings, swingGarment, swingOrRefuse, type SwingPlan } from '../shared/swing-garment'
import type { Applied, Caution, ChangeContext } from '../types'
import { heldByWedge } from './held'
import { placeBelow, startsAbove } from './places'
import type { LevelWedgeInputs } from './schema'

/** The straight edge of a wedge ruled again, with what lies beside it cut at it or led to it. */
function ruleStraight(piece: Piece, was: Shape, moved: Shape, inputs: LevelWedgeInputs): Shape | null {
  const path = edgePath(was, inputs.edgeId)
  const upperAtStart = startsAbove(was, inputs.edgeId)
  const now = edgePath(moved, inputs.edgeId)
  const ends: [Point, Point] = [now[0]!.from, now[now.length - 1]!.to]
  const edges: Record<string, Path> = { ...moved.edges }
  let grain = was.grain
  if (inputs.straighten === 'between') {
    edges[inputs.edgeId] = [line(...ends)]
    // The cloth's threads go with the ruled edge.
    const old = subtract(path[path.length - 1]!.to, path[0]!.from)
    const turn = turnRad(old, subtract(ends[1], ends[0]))
    const middle = mix(was.grain.from, was.grain.to, 0.5)
    grain = { from: rotateAbout(was.grain.from, middle, turn), to: rotateAbout(was.grain.to, middle, turn) }
  } else {
    // The part that lay still keeps its line; the far end of the edge is where that line meets the edge beside it.
    const stillAtStart = (inputs.straighten === 'lower') === upperAtStart
    const still = stillAtStart ? ends[0] : ends[1]
    const along = unit(subtract(path[path.length - 1]!.to, path[0]!.from))
    const { before, after } = neighbours(piece, inputs.edgeId)
    const beside = stillAtStart ? after : before
    const met = meetLine(edgePath(moved, beside.id), stillAtStart, still, along)
    if (!met) return null
    edges[beside.id] = met
    const corner = stillAtStart ? met[0]!.from : met[met.length - 1]!.to
    edges[inputs.edgeId] = stillAtStart ? [line(still, corner)] : [line(corner, still)]
  }
  const notches = Object.fromEntries(
    piece.notches.map((n): [string, NotchPlace] => {
      if (edges[n.edgeId] === moved.edges[n.edgeId]) return [n.id, moved.notches[n.id]!]
      return [n.id, notchNear(edges[n.edgeId]!, notchPlace(piece, moved, n.id, measureLength)!.point, moved.notches[n.id]!.from)]
    }),
  )
  return { ...moved, edges, notches, grain }
}

function planWedge(piece: Piece, shape: Shape, inputs: LevelWedgeInputs): Result<SwingPlan | null> {
  if (piece.id !== inputs.pieceId) return ok(null)
  const edge = piece.edges.find((e) => e.id === inputs.edgeId)
  const side = piece.edges.find((e) => e.id === inputs.hingeEdgeId)
  if (!edge || !side) return refuse('reference-gone', piece.name, 'the edge this wedge was made for has gone.', 'Choose another edge.')
  if (inputs.amountMm === 0) return ok(null)
  const atMm = placeBelow(shape, edge.id, inputs.belowMm)
  const hingeAt = placeBelow(shape, side.id, inputs.hingeBelowMm)
  if (atMm === null || hingeAt === null)
    return refuse(
      'slash-beside-edge',
      `${piece.name}, ${(atMm === null ? edge : side).name}`,
      'the wedge lies below the end of this edge.',
      'Move it up.',
    )
  const mouth = placeAt(edgePath(shape, edge.id), atMm).point
  const hinge = placeAt(edgePath(shape, side.id), hingeAt).point
  const openRad = angleOfGap(inputs.amountMm, distance(mouth, hinge))
  if (!Number.isFinite(openRad)) return refuse('amount-too-large', piece.name, 'the piece is too narrow for such a wedge.', 'Ask for less.')
  const length = measureLength(edgePath(shape, edge.id))
  const stillAbove = inputs.straighten !== 'upper'
  const straight = isStraightPath(edgePath(shape, edge.id), STRAIGHT_MM)
  return ok({
    swings: [
      {
        slash: { from: { edgeId: edge.id, atMm }, through: [], to: { edgeId: side.id, atMm: hingeAt } },
        hinge,
        openRad,
        label: inputs.amountMm < 0 ? 'fold out the wedge' : 'open the wedge',
      },
    ],
    // A straight edge says which part lies still; otherwise the part with fold or grain does.
    fixed: (cut) =>
      straight ? partOfPlace(cut, edge.id, startsAbove(shape, edge.id) === stillAbove ? 0 : length) : homePart(piece, shape, cut),
    ...(straight ? { redraw: (moved: Shape) => ruleStraight(piece, shape, moved, inputs) ?? moved } : {}),
  })
}

export const swingWedge = (garment: Garment, inputs: LevelWedgeInputs) =>
  swingGarment(garment, (piece, shape) => planWedge(piece, shape, inputs))

/** What each way of straightening gives or takes at the two ends of the edge, mm. */
export function straightenFigures(garment: Garment, inputs: LevelWedgeInputs, sizeId: string) {
  return (['lower', 'upper', 'between'] as const).flatMap((straighten) => {
    const done = swingWedge(garment, { ...inputs, straighten })
    if (!done.ok) return []
    const { piece, was, is } = bothShapes(garment, done.value.garment, inputs.pieceId, sizeId)
    const { before, after } = neighbours(piece, inputs.edgeId)
    const upperFirst = startsAbove(was, inputs.edgeId)
    const grew = (id: string) => measureLength(edgePath(is, id)) - measureLength(edgePath(was, id))
    const [upper, lower] = upperFirst ? [before, after] : [after, before]
    return [{ straighten, upper: { name: upper.name, mm: grew(upper.id) }, lower: { name: lower.name, mm: grew(lower.id) } }]
  })
}

/** What the way of straightening gives or takes; the other ways are seen side by side. */
function straightenCautions(garment: Garment, inputs: LevelWedgeInputs, sizeId: string): Caution[] {
  const piece = findPiece(garment, inputs.pieceId)!
  const path = edgePath(shapeOf(piece, sizeId), inputs.edgeId)
  const figures = straightenFigures(garment, inputs, sizeId).find((f) => f.straighten === inputs.straighten)
  if (inputs.amountMm === 0 || !figures || !isStraightPath(path, STRAIGHT_MM)) return []
  const edge = piece.edges.find((e) => e.id === inputs.edgeId)!
  const said = (f: { name: string; mm: number }) =>
    Math.abs(f.mm) <= EQUAL_MM ? '' : `${f.mm < 0 ? 'takes' : 'gives'} ${lengthToken(Math.abs(f.mm))} at the ${f.name}`
  const what = [said(figures.upper), said(figures.lower)].filter(Boolean).join(' and ')
  const how = { lower: 'ruled on from its upper part', upper: 'ruled on from its lower part', between: 'ruled from end to end' }
  return [
    {
      code: 'straightened',
      message: `The ${edge.name} ${how[inputs.straighten]} ${what || 'keeps both edges beside it; the grain leans with it'}.`,
      pieceId: piece.id,
    },
  ]
}

/**
 * Takes a wedge out of a piece, or puts one in (craft 6.4): widest at one edge, nothing at the seam line of another.
 * An edge that was straight is ruled straight again, and what that gives or takes beside it is said for every way.
 * Refuses: a piece or edge that has gone, a wedge below the end of its edge or that leaves the piece, one that the piece
 * is too narrow for or that crosses the outline (with the largest that works).
 */
export function applyLevelWedge(garment: Garment, inputs: LevelWedgeInputs, context: ChangeContext): Result<Applied<LevelWedgeInputs>> {
  const piece = findPiece(garment, inputs.pieceId)
  if (!piece)
    return refuse('reference-gone', 'piece', 'the piece this change was made for has gone.', 'Delete the change, or choose another piece.')
  const done = swingOrRefuse(
    garment,
    inputs.amountMm,
    (amountMm) => swingWedge(garment, { ...inputs, amountMm }),
    (largestMm) => `A wedge of ${limitToken(Math.abs(largestMm))} at most can be ${inputs.amountMm < 0 ? 'taken out' : 'put in'} here.`,
  )
  if (!done.ok) return done
  const { garment: after, swung } = done.value
  return ok({
    garment: after,
    touched: [{ pieceId: piece.id, how: 'asked', levels: [] }],
    leftOut: [],
    held: heldByWedge(garment, after, swung, inputs, context.sizeId),
    cautions: straightenCautions(garment, inputs, context.sizeId),
    moves: [...swung].flatMap(([pieceId, one]) => playSwings(pieceId, one)),
  })
}
