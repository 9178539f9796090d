import { findPiece, type Garment } from '../../pattern'
import { ok, refuse, type Result } from '../../result'
import { EQUAL_MM, SAME_POINT_MM } from '../../tolerances'
import { lengthToken } from '../../units'
import { applyAtLevels } from '../shared/levels/apply'
import { firstLevel } from '../shared/levels/begin'
import type { LevelsInputs } from '../shared/levels/schema'
import type { Applied, Caution, ChangeContext } from '../types'
import { heldBySeam } from './held'
import { measureSideToSeam } from './measure-side'
import type { PlaceSeamInputs } from './schema'

/** Rounds of the secant that finds the amount along the grain for a wanted length along the side. */
const ROUNDS = 12

function lengthenInputs(inputs: PlaceSeamInputs, amountMm: number): LevelsInputs {
  return { amountMm, pieceId: inputs.pieceId, levels: [inputs.level], leftOut: [] }
}

/** Cautions of the lengthening underneath: what it would mend is not an input of this change, so it is not offered. */
function ownCautions(cautions: readonly Caution<LevelsInputs>[]): Caution[] {
  return cautions
    .filter((c) => c.code !== 'share-two-lines')
    .map(({ code, message, pieceId }) => ({ code, message, ...(pieceId ? { pieceId } : {}) }))
}

/** The body's change: the amount along the grain is solved so that the side measures exactly what is wanted. */
function moveSeam(
  garment: Garment,
  inputs: PlaceSeamInputs,
  context: ChangeContext,
): Result<{ applied: Applied<LevelsInputs>; amountMm: number; nowMm: number }> {
  const seam = garment.seams.find((s) => s.id === inputs.seamId)
  const piece = findPiece(garment, inputs.pieceId)
  if (!seam || !piece)
    return refuse(
      'reference-gone',
      'seam',
      'the seam or the piece this change was made for has gone.',
      'Delete the change, or choose another seam.',
    )
  const measure = (g: Garment) => measureSideToSeam(g, findPiece(g, inputs.pieceId)!, seam, inputs.fromCornerId, context.sizeId)
  const nowMm = measure(garment)
  if (nowMm === null)
    return refuse(
      'reference-gone',
      piece.name,
      'there is no way along its side from the named corner to this seam.',
      'Choose the corner under the arm.',
    )
  let amountMm = inputs.wantedMm - nowMm
  let applied = applyAtLevels(garment, lengthenInputs(inputs, amountMm), context)
  for (let round = 0; applied.ok && round < ROUNDS; round++) {
    const off = inputs.wantedMm - measure(applied.value.garment)!
    if (Math.abs(off) <= SAME_POINT_MM * 10) break
    amountMm += off
    applied = applyAtLevels(garment, lengthenInputs(inputs, amountMm), context)
  }
  if (!applied.ok) {
    const { problem } = applied
    if (problem.largestMm === undefined) return applied
    return refuse(
      problem.code,
      problem.where,
      problem.message,
      `The seam can be placed ${lengthToken(nowMm + problem.largestMm)} from the corner; or choose another line to take the difference at.`,
      nowMm + problem.largestMm,
    )
  }
  return ok({ applied: applied.value, amountMm, nowMm })
}

/**
 * Puts a joined seam at a wanted distance below the underarm (craft 6.3). The difference is taken at a line above the
 * seam and not from the joined edge, which keeps its length and still meets its partner; it can be given back below.
 */
export function applyPlaceSeam(garment: Garment, inputs: PlaceSeamInputs, context: ChangeContext): Result<Applied<PlaceSeamInputs>> {
  const moved = moveSeam(garment, inputs, context)
  if (!moved.ok) return moved
  const { applied, amountMm, nowMm } = moved.value
  const seam = garment.seams.find((s) => s.id === inputs.seamId)!
  let after = applied.garment
  let { touched, leftOut } = applied
  const cautions: Caution<PlaceSeamInputs>[] = ownCautions(applied.cautions)
  let held = applied.held
  const above = new Set(touched.map((t) => t.pieceId))
  const below = seam.sides
    .flat()
    .map((r) => r.pieceId)
    .find((id) => !above.has(id))
  if (inputs.giveBack && below) {
    const piece = findPiece(after, below)!
    const back = applyAtLevels(
      after,
      { amountMm: -amountMm, pieceId: below, levels: [firstLevel(piece, context.sizeId)], leftOut: [] },
      context,
    )
    if (!back.ok)
      return refuse(
        back.problem.code,
        back.problem.where,
        `the length cannot be given back here: ${back.problem.message}`,
        'Switch giving back off, or ask for a smaller change.',
      )
    after = back.value.garment
    touched = [...touched, ...back.value.touched.map((t) => ({ ...t, how: 'partner' as const }))]
    held = [...held, ...back.value.held]
    cautions.push(...ownCautions(back.value.cautions))
    leftOut = [...leftOut, ...back.value.leftOut]
  }
  if (Math.abs(amountMm) > EQUAL_MM) {
    if (!inputs.giveBack)
      cautions.push({
        code: 'garment-length-changes',
        message: `The whole garment becomes ${lengthToken(Math.abs(amountMm))} ${amountMm < 0 ? 'shorter' : 'longer'}.`,
        ...(below ? { mend: { label: 'Give it back below the seam', inputs: { ...inputs, giveBack: true } } } : {}),
      })
    cautions.push({
      code: 'heavy-cloth-pulls',
      message: 'Heavy or drapey cloth pulls a seam lower than it was drawn: try it on before the skirt is sewn on.',
    })
  }
  return ok({
    garment: after,
    touched,
    leftOut,
    held: [...heldBySeam(garment, after, seam, inputs, context.sizeId), ...held],
    cautions,
    solvedMm: inputs.wantedMm - nowMm === 0 ? 0 : amountMm,
  })
}
