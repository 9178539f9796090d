import { figureMm } from '../../../body'
import { add, distance, dot, measureLength, scale, tangentAt, type Point, alongGrain } from '../../../geometry'
import { lineLevel, narrowestPlace, widthAt } from '../../../measure'
import type { MoveLevel } from '../../../moves'
import {
  dartFigures,
  doubleDartFigures,
  doubleDartsOf,
  edgePath,
  findPiece,
  grainDirection,
  neighbours,
  notchPlace,
  shapeOf,
  surplusOf,
  timesRound,
  type Garment,
  type Piece,
  type Shape,
} from '../../../pattern'
import { lengthToken } from '../../../units'
import { EQUAL_MM, ONE_LINE_MM, SEAM_KEPT_MM, WINDOW_AMOUNTS, WINDOW_MIN_MM } from '../../../tolerances'
import type { Caution, ChangeContext } from '../../types'
import { isEvened } from '../evened'
import { grainExtent } from './find-level'
import type { MovedGarment } from './move-garment'
import type { LevelsInputs } from './schema'

/** How much wider or narrower a piece must be at its bottom than at a line to be flared or tapered there, mm a metre. */
const TAPER_MM_PER_M = 40

/** Does a piece become narrower or wider below a level? Null where it does neither, or ends close by. */
export function taperBelow(piece: Piece, shape: Shape, levelMm: number): 'tapered' | 'flared' | null {
  const { bottomMm } = grainExtent(piece, shape)
  const reach = bottomMm - levelMm
  if (reach < 2 * WINDOW_MIN_MM) return null
  const here = widthAt(piece, shape, levelMm)
  const near = widthAt(piece, shape, levelMm + reach * 0.8)
  const slope = ((near - here) / (reach * 0.8)) * 1000
  return slope > TAPER_MM_PER_M ? 'flared' : slope < -TAPER_MM_PER_M ? 'tapered' : null
}

/** What a line runs through that it spoils: darts, notches close by, what is drawn within the piece. */
export function lineCautions(piece: Piece, shape: Shape, level: Pick<MoveLevel, 'atMm'>): Caution[] {
  const found: Caution[] = []
  const grain = grainDirection(shape)
  for (const dart of piece.darts) {
    const d = dartFigures(piece, shape, dart)
    const ys = [d.first, d.second, d.tip].map((p) => alongGrain(p, grain))
    if (level.atMm > Math.min(...ys) && level.atMm < Math.max(...ys))
      found.push({
        code: 'line-through-dart',
        pieceId: piece.id,
        message: `The line runs through ${dart.name} of ${piece.name}: its legs come out unequal. Move the line above or below the dart.`,
      })
  }
  for (const notch of piece.notches) {
    const place = notchPlace(piece, shape, notch.id, measureLength)
    if (place && Math.abs(alongGrain(place.point, grain) - level.atMm) < WINDOW_MIN_MM / 4)
      found.push({
        code: 'line-through-notch',
        pieceId: piece.id,
        message: `The line runs close by notch “${notch.name}” of ${piece.name}: check that it still meets its partner.`,
      })
  }
  for (const dart of doubleDartsOf(piece)) {
    const d = doubleDartFigures(shape, dart.id)
    if (level.atMm > alongGrain(d.upper, grain) && level.atMm < alongGrain(d.lower, grain))
      found.push({
        code: 'line-through-dart',
        pieceId: piece.id,
        message: `The line runs through ${dart.name} of ${piece.name}: its tips go with the paper, and its legs are drawn on to them.`,
      })
  }
  for (const inner of piece.lines) {
    if (inner.role !== 'other') continue
    const path = shape.lines[inner.id]!
    const ys = path.flatMap((s) => [s.from, s.to]).map((p) => alongGrain(p, grain))
    if (level.atMm > Math.min(...ys) && level.atMm < Math.max(...ys))
      found.push({
        code: 'line-through-marking',
        pieceId: piece.id,
        message: `The line runs through “${inner.name}” of ${piece.name}: its shape changes.`,
      })
  }
  return found
}

/** Heights of the body that the width of a piece belongs to: a length that ends at one is not put in below it. */
const HEIGHTS: readonly string[] = ['bust', 'waist', 'hip', 'thigh', 'knee', 'bicep']

/** The next height of the body below a level of a piece, or its bottom, mm along the grain. */
function nextHeight(piece: Piece, shape: Shape, levelMm: number): number {
  const lines = piece.lines.filter((l) => HEIGHTS.includes(l.role)).map((l) => lineLevel(shape, l.id))
  const heights = [...lines, narrowestPlace(piece, shape)].filter((mm) => mm !== null)
  return Math.min(grainExtent(piece, shape).bottomMm, ...heights.filter((mm) => mm > levelMm + EQUAL_MM))
}

/** Two levels instead of one: the second half way to the next height of the body; null where that lies close by. */
function twoLines(piece: Piece, shape: Shape, inputs: LevelsInputs, levelMm: number): LevelsInputs | null {
  const first = inputs.levels[0]!
  const gapMm = (nextHeight(piece, shape, levelMm) - levelMm) / 2
  const runsThrough = lineCautions(piece, shape, { atMm: levelMm + gapMm })
  if (
    gapMm < Math.max(2 * WINDOW_MIN_MM, WINDOW_AMOUNTS * Math.abs(inputs.amountMm)) ||
    runsThrough.some((c) => c.code === 'line-through-dart')
  )
    return null
  return {
    ...inputs,
    levels: [
      { ...first, share: 1 },
      { ...first, id: `${first.id}-b`, share: 1, belowMm: first.belowMm + gapMm },
    ],
  }
}

/**
 * Width that a piece's leg opening would have if the amount were put on (or taken off) at the bottom edge instead: its two
 * seams run on, or are cut off, in the direction in which they end.
 */
export function openingAtHem(piece: Piece, shape: Shape, edgeId: string, amountMm: number): number {
  const grain = grainDirection(shape)
  const { before, after } = neighbours(piece, edgeId)
  const opening = edgePath(shape, edgeId)
  const runOn = (from: Point, direction: Point): Point => {
    const along = dot(direction, grain)
    return Math.abs(along) < EQUAL_MM ? from : add(from, scale(direction, amountMm / along))
  }
  const arriving = edgePath(shape, before.id)
  const leaving = edgePath(shape, after.id)
  const a = runOn(opening[0]!.from, tangentAt(arriving[arriving.length - 1]!, 1))
  const b = runOn(opening[opening.length - 1]!.to, tangentAt(leaving[0]!, 0))
  return distance(a, b)
}

/** The opening of a leg, of all its pieces, beside the heel that must go through it, and what it would be if the hem were moved instead. */
function openingCautions(
  before: Garment,
  after: Garment,
  amountMm: number,
  context: ChangeContext,
  touched: ReadonlySet<string>,
): Caution<LevelsInputs>[] {
  let now = 0
  let atHem = 0
  let isTouched = false
  for (const piece of after.pieces) {
    const old = findPiece(before, piece.id)!
    for (const edge of piece.edges) {
      if (edge.role !== 'leg-opening') continue
      // One leg: a pair of legs has the edge twice.
      const times = timesRound(after, piece) / 2
      const own = measureLength(edgePath(shapeOf(piece, context.sizeId), edge.id))
      now += own * times
      atHem += touched.has(piece.id) ? openingAtHem(old, shapeOf(old, context.sizeId), edge.id, amountMm) * times : own * times
      isTouched ||= touched.has(piece.id)
    }
  }
  if (!isTouched) return []
  const heel = figureMm(context.body, 'heel')
  const beside = heel === undefined ? '' : `; the wearer's heel measures ${lengthToken(heel)}`
  const found: Caution<LevelsInputs>[] = [
    {
      code: 'why-not-at-hem',
      message: `The leg opening stays ${lengthToken(now)} round${beside}. At the hem instead, it would become ${lengthToken(atHem)}.`,
    },
  ]
  if (heel !== undefined && now < heel)
    found.push({
      code: 'foot-does-not-pass',
      message: `The leg opening is ${lengthToken(heel - now)} smaller than the wearer's heel round: the foot does not go through without a slit or a wider leg.`,
    })
  return found
}

/** Why one would think again before sewing this, in plain sentences. */
export function cautionsOf(
  before: Garment,
  after: Garment,
  inputs: LevelsInputs,
  levels: ReadonlyMap<string, readonly MoveLevel[]>,
  leftOut: MovedGarment['leftOut'],
  context: ChangeContext,
): Caution<LevelsInputs>[] {
  const found: Caution<LevelsInputs>[] = []
  for (const { pieceId, seamId, seamName } of leftOut) {
    const { name } = findPiece(before, pieceId)!
    const seam = before.seams.find((s) => s.id === seamId)!
    if (isEvened(before, after, seam, context.sizeId))
      found.push({
        code: 'evens-seam',
        pieceId,
        message: `${name} stays as it is, since this evens the ${seamName}: its sides were ${lengthToken(Math.abs(surplusOf(before, seam, context.sizeId)))} apart.`,
      })
    else
      found.push({
        code: 'partner-left-out',
        pieceId,
        message: `${name} was left out: its ${seamName} no longer matches.`,
        mend: { label: `Change ${name} too`, inputs: { ...inputs, leftOut: inputs.leftOut.filter((id) => id !== pieceId) } },
      })
  }
  if (inputs.amountMm === 0) return found
  for (const [pieceId, own] of levels) {
    const piece = findPiece(before, pieceId)!
    const shape = shapeOf(piece, context.sizeId)
    for (const level of own) {
      found.push(...lineCautions(piece, shape, level))
      const taper =
        pieceId === inputs.pieceId && own.length === 1 && Math.abs(level.amountMm) > ONE_LINE_MM + EQUAL_MM
          ? taperBelow(piece, shape, level.atMm)
          : null
      const two = taper && twoLines(piece, shape, inputs, level.atMm)
      if (two)
        found.push({
          code: 'share-two-lines',
          pieceId,
          message: `${piece.name} is ${taper} below the line, and this is a lot for one line: shared between two lines the seams stay truer.`,
          mend: { label: 'Share between two lines', inputs: two },
        })
    }
  }
  return [...found, ...openingCautions(before, after, inputs.amountMm, context, new Set(levels.keys()))]
}

/** Says which hem corners went a little further, so that a seam whose sides slant differently is even; a pencil line is not told. */
export const evenedCautions = (after: Garment, evened: MovedGarment['evened']): Caution<LevelsInputs>[] =>
  evened
    .filter(({ mm }) => Math.abs(mm) > SEAM_KEPT_MM)
    .map(({ seam, pieceId, mm }) => ({
      code: 'side-evened',
      pieceId,
      message: `${findPiece(after, pieceId)!.name} ends ${lengthToken(mm)} further down at the ${seam.name}: its two sides slant differently, and so they stay equal.`,
    }))
