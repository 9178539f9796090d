import { crossingsOf, type MoveLevel } from '../../moves'
import { edgePath, grainDirection, shapeOf, type Garment, type RunEdge } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { findArmholes, settleCapsInSizes, whyNoArmhole } from '../../seams'
import { limitToken } from '../../units'
import { acrossOf, MUCH_OF_ARMHOLE, type Across } from '../shared/across'
import { drawOrRefuse } from '../shared/draw-or-refuse'
import { lineCautions } from '../shared/levels/cautions'
import { moveGarment, type MovedGarment } from '../shared/levels/move-garment'
import { settleBands } from '../shared/settle-bands'
import { touchedBy } from '../shared/touched-by'
import type { Applied, Caution, ChangeContext } from '../types'
import { heldAcross } from './held'
import { asLevels } from './as-levels'
import type { AcrossArmholeInputs } from './schema'
import { smoothArmholes } from './smooth-armhole'

/** What was drawn: the pieces that the line was measured on, and those that it runs through. */
type Drawn = Pick<MovedGarment, 'garment' | 'levels' | 'touched'> & { pieces: Across[] }

/** Why no half of a garment can change alone. */
export const noHalf = (garment: Garment): Result<never> =>
  whyNoArmhole(garment) ??
  refuse(
    'no-half',
    'garment',
    'front and back are one piece at the armhole, and change together.',
    'Lengthen or shorten the whole body at a line.',
  )

/** The half with its line opened or closed in every size, at every armhole, and the caps and bands after it. */
function draw(garment: Garment, inputs: AcrossArmholeInputs, sizeId: string): Result<Drawn> {
  const pieces = acrossOf(garment, inputs.half)
  if (pieces.length === 0) return noHalf(garment)
  let drawn: Drawn = { garment, pieces, touched: [], levels: new Map() }
  if (inputs.amountMm === 0) return ok(drawn)
  for (const across of pieces) {
    // A line that ran on over a seam has changed it already.
    if (drawn.levels.has(across.piece.id)) continue
    const moved = moveGarment(drawn.garment, asLevels(garment, across, inputs), sizeId)
    if (!moved.ok) return moved
    const { garment: after, levels, touched } = moved.value
    drawn = { pieces, garment: after, levels: new Map([...drawn.levels, ...levels]), touched: [...drawn.touched, ...touched] }
  }
  const smooth = smoothArmholes(garment, drawn.garment, drawn.levels.keys())
  const banded = garment.sizes.reduce((g, size) => settleBands(garment, g, size.id, size.id), smooth)
  const settled = settleCapsInSizes(garment, banded)
  return settled.ok ? ok({ ...drawn, garment: settled.value.garment }) : settled
}

/** The edges that the line crosses, over all pieces that it runs through. */
function crossedBy(garment: Garment, levels: ReadonlyMap<string, readonly MoveLevel[]>, sizeId: string): RunEdge[] {
  return garment.pieces.flatMap((piece) => {
    const shape = shapeOf(piece, sizeId)
    return piece.edges
      .filter((e) => crossingsOf(edgePath(shape, e.id), grainDirection(shape), levels.get(piece.id) ?? []).length > 0)
      .map((e) => ({ pieceId: piece.id, edgeId: e.id, reversed: false }))
  })
}

/** Why one would think again: what the line runs through, and a neckline that changes. */
function cautionsOf(garment: Garment, levels: ReadonlyMap<string, readonly MoveLevel[]>, crossed: readonly RunEdge[], sizeId: string) {
  return garment.pieces.flatMap((piece): Caution[] => {
    const through = (levels.get(piece.id) ?? []).flatMap((level) => lineCautions(piece, shapeOf(piece, sizeId), level))
    const neck = piece.edges.find((e) => e.role === 'neck' && crossed.some((r) => r.pieceId === piece.id && r.edgeId === e.id))
    if (!neck) return through
    const message = `The line crosses the ${neck.name} of ${piece.name}, which changes with it: what is sewn to it must follow.`
    return [...through, { code: 'neck-edge-crossed', pieceId: piece.id, message }]
  })
}

const tooMuch = (pieces: readonly Across[], { half, amountMm }: AcrossArmholeInputs): Caution[] =>
  pieces.every((a) => Math.abs(amountMm) <= MUCH_OF_ARMHOLE * a.reachMm)
    ? []
    : [
        {
          code: 'much-of-armhole',
          pieceId: pieces[0]!.piece.id,
          message: `This is more than a fifth of the ${half} armhole’s height: try it in a mock-up, and move the arm.`,
        },
      ]

/**
 * Takes length out across one half of the body between shoulder and underarm, or puts it in (craft 6.1 on one half, 6.10): the line
 * runs square to the grain, that half of the armhole grows or shrinks, and its half of the cap follows with the ease that it had.
 * Refuses: no armhole, a front and back in one piece, a line that misses the piece, an amount that an outline or the cap does not
 * bear (with the largest that works).
 */
export function applyAcrossArmhole(
  garment: Garment,
  inputs: AcrossArmholeInputs,
  context: ChangeContext,
): Result<Applied<AcrossArmholeInputs>> {
  if (garment.pieces.length === 0)
    return refuse('reference-gone', 'garment', 'the pieces this change was made for have gone.', 'Delete the change.')
  const way = inputs.amountMm < 0 ? 'shortened' : 'lengthened'
  const done = drawOrRefuse(
    garment,
    inputs.amountMm,
    (g, amountMm) => draw(g, { ...inputs, amountMm }, g.sizes.some((s) => s.id === context.sizeId) ? context.sizeId : g.baseSizeId),
    (mm) => `Here the ${inputs.half} can be ${way} by ${limitToken(Math.abs(mm))} at most.`,
    ['reference-gone', 'level-misses', 'no-half', 'no-armhole', 'sleeve-in-one', 'no-shoulder-seam'],
  )
  if (!done.ok) return done
  const { garment: after, pieces, levels, touched } = done.value
  const crossed = crossedBy(garment, levels, context.sizeId)
  const lines = new Map(touched.map((t) => [t.pieceId, t.levels]))
  return ok({
    garment: after,
    touched: touchedBy(
      garment,
      after,
      pieces.map((a) => a.piece.id),
    ).map((t) => ({ ...t, levels: lines.get(t.pieceId) ?? [] })),
    leftOut: [],
    held: heldAcross(garment, after, { pieces, crossed, armholes: findArmholes(garment), inputs }, context.sizeId),
    cautions: [...tooMuch(pieces, inputs), ...cautionsOf(garment, levels, crossed, context.sizeId)],
  })
}
