import { measureLength } from '../../geometry'
import { widthAt } from '../../measure'
import { alongGrain, type MoveLevel } from '../../moves'
import {
  dartFigures,
  edgePath,
  findPiece,
  grainDirection,
  notchPlace,
  shapeOf,
  timesCut,
  type Garment,
  type Piece,
  type Shape,
} from '../../pattern'
import { lengthToken } from '../../units'
import { EQUAL_MM, ONE_LINE_MM, WINDOW_MIN_MM } from '../../tolerances'
import type { Caution, ChangeContext } from '../types'
import { grainExtent } from './find-level'
import type { LengthenInputs } from './schema'

/** How much wider or narrower a piece must be at its bottom than at a line to be flared or tapered there, mm a metre. */
const TAPER_MM_PER_M = 40

function taperBelow(piece: Piece, shape: Shape, levelMm: number): 'tapered' | 'flared' | null {
  const { bottomMm } = grainExtent(piece, shape)
  const reach = bottomMm - levelMm
  if (reach < 2 * WINDOW_MIN_MM) return null
  const here = widthAt(piece, shape, levelMm)
  const near = widthAt(piece, shape, levelMm + reach * 0.8)
  const slope = ((near - here) / (reach * 0.8)) * 1000
  return slope > TAPER_MM_PER_M ? 'flared' : slope < -TAPER_MM_PER_M ? 'tapered' : null
}

function lineCautions(piece: Piece, shape: Shape, level: MoveLevel): Caution[] {
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

/** Two levels instead of one: at a third and at two thirds of what lies between the line's neighbourhood and the bottom. */
function twoLines(piece: Piece, shape: Shape, inputs: LengthenInputs, levelMm: number): LengthenInputs {
  const { bottomMm } = grainExtent(piece, shape)
  const first = inputs.levels[0]!
  const gap = (bottomMm - levelMm) / 2
  return {
    ...inputs,
    levels: [
      { ...first, share: 1 },
      { ...first, id: `${first.id}-b`, share: 1, belowMm: first.belowMm + gap },
    ],
  }
}

function openingCautions(before: Garment, context: ChangeContext, touched: ReadonlySet<string>): Caution[] {
  const heel = context.wearer?.heelRoundMm
  if (heel === undefined) return []
  let round = 0
  for (const piece of before.pieces) {
    if (!touched.has(piece.id)) continue
    for (const edge of piece.edges)
      if (edge.role === 'leg-opening') round += (measureLength(edgePath(shapeOf(piece, context.sizeId), edge.id)) * timesCut(piece)) / 2
  }
  if (round === 0) return []
  return round < heel
    ? [
        {
          code: 'foot-does-not-pass',
          message: `The leg opening is ${lengthToken(round)} round and the wearer's heel ${lengthToken(heel)}: the foot does not go through without an opening in the seam.`,
        },
      ]
    : []
}

/** Why one would think again before sewing this, in plain sentences. */
export function cautionsOf(
  before: Garment,
  after: Garment,
  inputs: LengthenInputs,
  levels: ReadonlyMap<string, readonly MoveLevel[]>,
  leftOut: readonly { pieceId: string; seamName: string }[],
  context: ChangeContext,
): Caution[] {
  const found: Caution[] = []
  for (const { pieceId, seamName } of leftOut)
    found.push({
      code: 'partner-left-out',
      pieceId,
      message: `${findPiece(before, pieceId)!.name} was left out: its ${seamName} no longer matches.`,
      mend: {
        label: `Change ${findPiece(before, pieceId)!.name} too`,
        inputs: { ...inputs, leftOut: inputs.leftOut.filter((id) => id !== pieceId) },
      },
    })
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
      if (taper)
        found.push({
          code: 'share-two-lines',
          pieceId,
          message: `${piece.name} is ${taper} below the line, and this is a lot for one line: shared between two lines the seams stay truer.`,
          mend: { label: 'Share between two lines', inputs: twoLines(piece, shape, inputs, level.atMm) },
        })
    }
  }
  return [...found, ...openingCautions(after, context, new Set(levels.keys()))]
}
