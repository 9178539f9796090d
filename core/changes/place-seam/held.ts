import { findPiece, type Garment, type Seam } from '../../pattern'
import { EQUAL_MM } from '../../tolerances'
import { bothShapes, holdEdge, holdMeasure } from '../shared/held'
import type { HeldPromise } from '../types'
import { measureSideToSeam, seamEdges } from './measure-side'
import type { PlaceSeamInputs } from './schema'

/** Besides what lengthening at lines holds: the seam lies where it is wanted, and the joined edges keep their lengths. */
export function heldBySeam(before: Garment, after: Garment, seam: Seam, inputs: PlaceSeamInputs, sizeId: string): HeldPromise[] {
  const asked = findPiece(after, inputs.pieceId)!
  const reached = measureSideToSeam(after, asked, seam, inputs.fromCornerId, sizeId)!
  const joined = seam.sides.flat().flatMap((run) => {
    const { piece, was, is } = bothShapes(before, after, run.pieceId, sizeId)
    return [...seamEdges(piece, seam)].filter((id) => id === run.edgeId).map((id) => holdEdge(piece, was, is, id))
  })
  return [holdMeasure('distance to the seam, wanted and measured', asked.name, inputs.wantedMm, reached, EQUAL_MM), ...joined]
}
