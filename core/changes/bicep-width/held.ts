import { measureLength, scale, tangentAt, turnRad, type Path } from '../../geometry'
import { edgePath, findPiece, type Garment } from '../../pattern'
import { armholesWithSleeve, bicepPieces, HALVES, measureArmhole, runLength, underarmEnd, type OpenedPiece } from '../../seams'
import { LENGTH_KEPT_MM } from '../../tolerances'
import { bothShapes, holdGrain, holdMeasure, holdSeams } from '../shared/held'
import { heldByPairs, sleeveSeams } from '../shared/held-pairs'
import type { HeldPromise } from '../types'
import type { BicepDone } from './apply'
import type { BicepWidthInputs } from './schema'

/** What a change of the bicep holds: its growth, the wrist, the sleeve seams, half of the cap’s growth for each armhole, the ease. */
export function heldByBicep(
  before: Garment,
  after: Garment,
  inputs: BicepWidthInputs,
  done: BicepDone | undefined,
  sizeId: string,
): HeldPromise[] {
  const pairs = armholesWithSleeve(before)
  if (!pairs.ok) return []
  const held: HeldPromise[] = []
  // Left and right have a sleeve each where they were opened out, and one that stands for both where not.
  const opened = done?.opened ?? []
  const arms = pairs.value.map((pair) => bicepPieces(before, pair, sizeId).map((p) => p.piece.id))
  const distinct = arms.filter((ids, i) => arms.findIndex((other) => other[0] === ids[0]) === i)
  for (const ids of distinct) {
    const openedMm = opened.filter((one) => ids.includes(one.pieceId)).reduce((sum, one) => sum + openedBy(before, after, one, sizeId), 0)
    const where = distinct.length > 1 ? findPiece(before, ids[0]!)!.name : 'sleeve'
    held.push(holdMeasure('bicep opens by', where, inputs.amountMm, openedMm, LENGTH_KEPT_MM))
  }
  const sleeves = new Set(pairs.value.flatMap((p) => p.sleeve.seam.sides[p.sleeve.side].map((r) => r.pieceId)))
  for (const pieceId of sleeves) {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    for (const edge of piece.edges.filter((e) => e.role === 'hem'))
      held.push(
        holdMeasure(
          `${edge.name}, length`,
          piece.name,
          measureLength(edgePath(was, edge.id)),
          measureLength(edgePath(is, edge.id)),
          LENGTH_KEPT_MM,
        ),
      )
    held.push(holdGrain(piece, was, is))
  }
  for (const pair of pairs.value) {
    const [a, b] = [measureArmhole(before, pair, sizeId), measureArmhole(after, pair, sizeId)]
    const grew = b.cap.front + b.cap.back - a.cap.front - a.cap.back
    for (const half of HALVES) {
      const { piece, armhole } = underarmEnd(before, pair[half])
      const asked = inputs.armhole === 'stays' ? 0 : grew / 2
      held.push(holdMeasure(`${half} armhole grows by`, piece.name, asked, b.armhole[half] - a.armhole[half], LENGTH_KEPT_MM))
      const above = pair[half].filter((r) => !armhole.some((own) => own.edgeId === r.edgeId && own.pieceId === r.pieceId))
      if (above.length > 0)
        held.push(
          holdMeasure(
            `${half} armhole above the underarm piece`,
            piece.name,
            runLength(before, above, sizeId),
            runLength(after, above, sizeId),
            LENGTH_KEPT_MM,
          ),
        )
    }
  }
  const ease = inputs.armhole === 'stays' ? [] : heldByPairs(before, after, sizeId, { endsBy: 'seams' })
  return [...held, ...ease, ...holdSeams(before, after, sizeId, sleeveSeams(before))]
}

/**
 * How far a piece stands open at the bicep, mm: each of its sides has swung about the wrist’s hinge by the angle that its seam has
 * turned by at the wrist, and stands as far off there as that swing carries a place at the hinge’s distance.
 */
function openedBy(before: Garment, after: Garment, { pieceId, reachMm, seams }: OpenedPiece, sizeId: string): number {
  const { was, is } = bothShapes(before, after, pieceId, sizeId)
  return seams.reduce((sum, { edgeId, runsUp }) => {
    const atWrist = (path: Path) => (runsUp ? tangentAt(path[0]!, 0) : scale(tangentAt(path[path.length - 1]!, 1), -1))
    const turn = turnRad(atWrist(edgePath(was, edgeId)), atWrist(edgePath(is, edgeId)))
    // The seam that runs up lies on the first side: it swings out the other way round.
    return sum + reachMm * Math.sin(runsUp ? -turn : turn)
  }, 0)
}
