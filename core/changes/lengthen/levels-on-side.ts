import { beforeOpening, findPiece, otherHalf, type Garment } from '../../pattern'
import { ok, type Result } from '../../result'
import { sideOfPart } from '../../seams'
import type { Mark } from '../shared/levels/schema'
import type { Applied, ChangeContext } from '../types'
import { applyLengthen } from './apply'
import type { LengthenInputs } from './schema'

const twinId = (id: string): string => (beforeOpening(id) === id ? otherHalf(id) : beforeOpening(id))
const twinMark = (mark: Mark): Mark => ('id' in mark ? { ...mark, id: twinId(mark.id) } : mark)

/** Levels on one piece of a pair that was opened out, as they lie on the other; null where it is none. */
function levelsOnTwin(garment: Garment, inputs: LengthenInputs): LengthenInputs | null {
  const { pieceId } = inputs
  if (!findPiece(garment, pieceId) || !findPiece(garment, twinId(pieceId))) return null
  return {
    ...inputs,
    pieceId: twinId(pieceId),
    levels: inputs.levels.map((level) => ({ ...level, mark: twinMark(level.mark) })),
    leftOut: inputs.leftOut.map((id) => (findPiece(garment, twinId(id)) ? twinId(id) : id)),
  }
}

/** Levels on a piece of a pair that was opened out, on the piece of the side that is asked for. */
export function levelsOnSide(garment: Garment, inputs: LengthenInputs): LengthenInputs {
  const { side = 'both', pieceId } = inputs
  const piece = findPiece(garment, pieceId)
  const own = piece && sideOfPart(piece, piece.edges[0]!.id)
  return side === 'both' || !own || own === side ? inputs : (levelsOnTwin(garment, inputs) ?? inputs)
}

/** Lengthens a pair that was opened out on both its pieces, where no side is asked for. Refuses what the change itself refuses. */
export function applyOnBoth(garment: Garment, inputs: LengthenInputs, context: ChangeContext): Result<Applied<LengthenInputs>> {
  const done = applyLengthen(garment, inputs, context)
  const twin = (inputs.side ?? 'both') === 'both' ? levelsOnTwin(garment, inputs) : null
  // A piece that is sewn to its twin, as a leg along the crotch may be, has followed already.
  if (!done.ok || !twin || done.value.touched.some((t) => t.pieceId === twin.pieceId)) return done
  const other = applyLengthen(done.value.garment, twin, context)
  if (!other.ok) return other
  const [a, b] = [done.value, other.value]
  return ok({
    ...a,
    garment: b.garment,
    touched: [...a.touched, ...b.touched],
    leftOut: [...a.leftOut, ...b.leftOut],
    held: [...a.held, ...b.held],
    cautions: [...a.cautions, ...b.cautions],
  })
}
