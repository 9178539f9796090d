import { measureLength, turnRad, tangentAt } from '../../geometry'
import { edgePath, findPiece, shapeOf, type Garment } from '../../pattern'
import {
  armholesWithSleeve,
  capParts,
  edgeBeyond,
  findArmholes,
  HALVES,
  joinRuns,
  measureArmhole,
  sameSleeve,
  type Half,
} from '../../seams'
import { CAP_END_DEG, EASE_KEPT_MM, LENGTH_KEPT_MM } from '../../tolerances'
import type { Caution, HeldPromise } from '../types'
import { DEG, lengthToken } from '../../units'
import { holdMeasure } from './held'

/** Seams of sleeves into armholes, by id: their ease is promised half by half, and not as the difference of their sides. */
export const sleeveSeams = (garment: Garment): ReadonlySet<string> =>
  new Set(findArmholes(garment).flatMap((a) => (a.sleeve ? [a.sleeve.seam.id] : [])))

export interface HeldPairs {
  /** Ease that was asked for beyond what it was, each half, mm. */
  more?: Record<Half, number>
  /** The pattern as bought, where the ease is that of it and not of the garment before, with its size. */
  easeOf?: { garment: Garment; sizeId: string }
  /** What the cap’s directions at its ends are held against: the paper, or the sleeve seams where these swing themselves. */
  endsBy?: 'paper' | 'seams'
}

/**
 * What holds between armholes and caps: the ease of front and back each as it was (or as asked), every sleeve seam as long as it
 * was, the cap’s directions at its ends.
 */
export function heldByPairs(before: Garment, after: Garment, sizeId: string, options: HeldPairs = {}): HeldPromise[] {
  const { more = { front: 0, back: 0 }, easeOf = { garment: before, sizeId }, endsBy = 'paper' } = options
  const was = armholesWithSleeve(easeOf.garment)
  const is = armholesWithSleeve(after)
  if (!was.ok || !is.ok) return []
  return is.value.flatMap((armhole): HeldPromise[] => {
    const old = sameSleeve(was.value, armhole.sleeve)
    if (!old) return []
    const [a, b] = [measureArmhole(easeOf.garment, old, easeOf.sizeId), measureArmhole(after, armhole, sizeId)]
    const { name } = armhole.sleeve.seam
    const eases = HALVES.map((half) => holdMeasure(`${half} cap, ease`, name, a.ease[half] + more[half], b.ease[half], EASE_KEPT_MM))
    const parts = capParts(after, armhole, sizeId)
    const seams = parts.flatMap((part) => {
      const piece = findPiece(after, part.pieceId)!
      const [wasShape, isShape] = [shapeOf(findPiece(before, piece.id) ?? piece, sizeId), shapeOf(piece, sizeId)]
      return (['first', 'last'] as const).flatMap((which) => {
        const edge = edgeBeyond(piece, part.runs, which)
        if (edge.role === 'cap' || !(edge.id in wasShape.edges)) return []
        const length = holdMeasure(
          `${edge.name}, length`,
          piece.name,
          measureLength(edgePath(wasShape, edge.id)),
          measureLength(edgePath(isShape, edge.id)),
          LENGTH_KEPT_MM,
        )
        const directionAt = (shape: typeof isShape) => {
          const path = joinRuns(shape, part.runs)
          return which === 'first' ? tangentAt(path[0]!, 0) : tangentAt(path[path.length - 1]!, 1)
        }
        const seamAt = (shape: typeof isShape) => {
          const path = edgePath(shape, edge.id)
          const run = which === 'first' ? part.runs[0]! : part.runs[part.runs.length - 1]!
          return (which === 'last') !== run.reversed ? tangentAt(path[0]!, 0) : tangentAt(path[path.length - 1]!, 1)
        }
        const seamTurn = endsBy === 'seams' ? turnRad(seamAt(wasShape), seamAt(isShape)) : 0
        const turn = (turnRad(directionAt(wasShape), directionAt(isShape)) - seamTurn) * DEG
        return [
          length,
          holdMeasure(
            `cap at the ${edge.name}, ${endsBy === 'seams' ? 'angle to it' : 'direction'}`,
            piece.name,
            0,
            turn,
            CAP_END_DEG,
            'deg',
          ),
        ]
      })
    })
    return [...eases, ...seams]
  })
}

/** Says where caps no longer have the ease that they had, front or back: the cap or the armhole has to follow. */
export function easeCautions(before: Garment, after: Garment, sizeId: string): Caution[] {
  const was = armholesWithSleeve(before)
  const is = armholesWithSleeve(after)
  if (!was.ok || !is.ok || !before.sizes.some((s) => s.id === sizeId)) return []
  return is.value.flatMap((armhole): Caution[] => {
    const old = sameSleeve(was.value, armhole.sleeve)
    if (!old) return []
    const [a, b] = [measureArmhole(before, old, sizeId), measureArmhole(after, armhole, sizeId)]
    const off = HALVES.filter((half) => Math.abs(b.ease[half] - a.ease[half]) > EASE_KEPT_MM)
    if (off.length === 0) return []
    const said = off.map((half) => `${half} ${lengthToken(b.ease[half])} in place of ${lengthToken(a.ease[half])}`).join(', ')
    return [
      {
        code: 'cap-left-behind',
        message: `Cap and armhole no longer have the ease that they had: ${said}. Let the cap follow the armhole, or the armhole the cap.`,
      },
    ]
  })
}
