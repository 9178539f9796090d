import { measureLength, turnRad, tangentAt } from '../../geometry'
import { edgePath, findPiece, shapeOf, type Edge, type Garment, type Piece, type Shape } from '../../pattern'
import {
  armholesWithSleeve,
  capParts,
  edgeBeyond,
  findArmholes,
  HALVES,
  joinRuns,
  measureArmhole,
  sameSleeve,
  type CapPart,
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
  /** What the cap’s directions at the underarm are held against: the paper, or the sleeve seams where these swing themselves. */
  endsBy?: 'paper' | 'seams'
}

/**
 * What holds between armholes and caps: the ease of front and back each as it was (or as asked), every sleeve seam as long as it
 * was, the cap’s directions at its ends, and that it runs on across the seams of a sleeve in several pieces.
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
    const ends = endsOf(before, after, capParts(after, armhole, sizeId), sizeId)
    const seams = ends
      .flat()
      .map(({ edge, piece, wasMm, isMm }) => holdMeasure(`${edge.name}, length`, piece.name, wasMm, isMm, LENGTH_KEPT_MM))
    const directions = ends.flatMap((own, i) =>
      own.flatMap((end): HeldPromise[] => {
        // Where a sleeve seam ends within the cap, the cap runs on across it; at the underarm it keeps its direction.
        const other = end.which === 'last' ? ends[i + 1]?.find((e) => e.which === 'first') : undefined
        if (other) {
          const way = end.isReversed === other.isReversed ? 1 : -1
          const corner = end.turnDeg - end.seamTurnDeg - way * (other.turnDeg - other.seamTurnDeg)
          return [holdMeasure(`cap across the ${end.edge.name}`, end.piece.name, 0, corner, CAP_END_DEG, 'deg')]
        }
        if (end.which === 'first' && i > 0) return []
        const [what, turn] = endsBy === 'seams' ? ['angle to it', end.turnDeg - end.seamTurnDeg] : ['direction', end.turnDeg]
        return [holdMeasure(`cap at the ${end.edge.name}, ${what}`, end.piece.name, 0, turn, CAP_END_DEG, 'deg')]
      }),
    )
    return [...eases, ...seams, ...directions]
  })
}

/** An end of a part of a cap at which a sleeve seam begins, as it was and as it is. */
interface CapEnd {
  which: 'first' | 'last'
  piece: Piece
  edge: Edge
  isReversed: boolean
  /** Length of the sleeve seam, mm. */
  wasMm: number
  isMm: number
  /** How far the cap turned there, and the seam. */
  turnDeg: number
  seamTurnDeg: number
}

/** The ends of each part of a cap at which sleeve seams begin; of edges that were there before. */
function endsOf(before: Garment, after: Garment, parts: readonly CapPart[], sizeId: string): CapEnd[][] {
  return parts.map((part) => {
    const piece = findPiece(after, part.pieceId)!
    const [was, is] = [shapeOf(findPiece(before, piece.id) ?? piece, sizeId), shapeOf(piece, sizeId)]
    return (['first', 'last'] as const).flatMap((which): CapEnd[] => {
      const edge = edgeBeyond(piece, part.runs, which)
      if (edge.role === 'cap' || !(edge.id in was.edges)) return []
      const run = which === 'first' ? part.runs[0]! : part.runs[part.runs.length - 1]!
      const capAt = (shape: Shape) => {
        const path = joinRuns(shape, part.runs)
        return which === 'first' ? tangentAt(path[0]!, 0) : tangentAt(path[path.length - 1]!, 1)
      }
      const seamAt = (shape: Shape) => {
        const path = edgePath(shape, edge.id)
        return (which === 'last') !== run.reversed ? tangentAt(path[0]!, 0) : tangentAt(path[path.length - 1]!, 1)
      }
      return [
        {
          which,
          piece,
          edge,
          isReversed: run.reversed,
          wasMm: measureLength(edgePath(was, edge.id)),
          isMm: measureLength(edgePath(is, edge.id)),
          turnDeg: turnRad(capAt(was), capAt(is)) * DEG,
          seamTurnDeg: turnRad(seamAt(was), seamAt(is)) * DEG,
        },
      ]
    })
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
