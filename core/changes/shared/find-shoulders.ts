import { cross, distance, flattenPath, measureLength, subtract, unit } from '../../geometry'
import { edgePath, findPiece, neighbours, runsOfEdges, shapeOf, type Edge, type Garment, type Piece, type Shape } from '../../pattern'
import { refuse, type Result } from '../../result'
import { closeDartsIn, findArmholes, joinRuns } from '../../seams'
import { FLATTEN_MM } from '../../tolerances'

/** Where a shoulder seam ends at an armhole. */
export interface ShoulderEnd {
  shoulder: Edge
  /** The armhole from the shoulder down, over the darts in it; `reversed` when that is against the outline. */
  armhole: Edge[]
  reversed: boolean
}

/** The shoulder ends of a piece: one on a half piece, two on a whole one. */
export function shoulderEnds(piece: Piece): ShoulderEnd[] {
  const n = piece.edges.length
  const at = (i: number) => piece.edges[(i + n) % n]!
  const armholes = runsOfEdges(piece, (e) => e.role === 'armhole')
  return piece.edges.flatMap((shoulder, i): ShoulderEnd[] => {
    if (shoulder.role !== 'shoulder') return []
    return [1, -1].flatMap((step): ShoulderEnd[] => {
      const run = armholes.find((r) => (step > 0 ? r[0] : r.at(-1)) === at(i + step))
      return run ? [{ shoulder, armhole: step > 0 ? run : run.toReversed(), reversed: step < 0 }] : []
    })
  })
}

/** Length of the armhole below a shoulder end, mm. */
export const armholeLength = (shape: Shape, end: ShoulderEnd): number =>
  end.armhole.reduce((sum, e) => sum + measureLength(edgePath(shape, e.id)), 0)

/** Length of the armhole above the first dart in it, mm: all of it where there is none. */
export function aboveDart(piece: Piece, shape: Shape, { armhole, reversed }: ShoulderEnd): number {
  const last = armhole.findIndex((e) => {
    const { before, after } = neighbours(piece, e.id)
    return (reversed ? before : after).role === 'dart-leg'
  })
  return armhole.slice(0, last < 0 ? armhole.length : last + 1).reduce((sum, e) => sum + measureLength(edgePath(shape, e.id)), 0)
}

/** An armhole that stands off its chord by less than this part of it is cut nearly straight. */
const HOLLOW_PART = 0.06

/** How hollow an armhole is: the most that it stands off the line from shoulder to underarm, as a part of that line. */
function hollowOf(piece: Piece, open: Shape, end: ShoulderEnd): number {
  const runs = end.armhole.map((e) => ({ pieceId: piece.id, edgeId: e.id, reversed: end.reversed }))
  const { shape } = closeDartsIn(piece, open, runs, 'first')
  const points = flattenPath(joinRuns(shape, runs), FLATTEN_MM)
  const [first, last] = [points[0]!, points[points.length - 1]!]
  const chord = distance(first, last)
  const along = unit(subtract(last, first))
  return Math.max(...points.map((p) => Math.abs(cross(along, subtract(p, first))))) / chord
}

/** Does the shoulder of a piece go on to the armhole on another one, beyond a panel seam? */
const goesOnOutward = (garment: Garment, piece: Piece): boolean =>
  garment.seams.some((seam) =>
    seam.sides.some(
      (side) =>
        side.some((r) => r.pieceId === piece.id && piece.edges.some((e) => e.id === r.edgeId && e.role === 'shoulder')) &&
        side.some((r) => r.pieceId !== piece.id && shoulderEnds(findPiece(garment, r.pieceId)!).length > 0),
    ),
  )

/**
 * Why the shoulders of a garment cannot be made broader or narrower at the armhole, or null when they can: a sleeve cut
 * in one with the body, a dropped shoulder whose seam is meant to sit on the upper arm, or no shoulder seam at all.
 */
export function whyNoShoulder(garment: Garment, sizeId: string): Result<never> | null {
  const withShoulder = garment.pieces.filter((p) => p.edges.some((e) => e.role === 'shoulder'))
  if (withShoulder.length === 0)
    return refuse('no-shoulder', 'garment', 'it has no shoulder seam.', 'Name the shoulder edges first, if there are some.')
  const inOne = withShoulder.find((p) => shoulderEnds(p).length === 0 && !goesOnOutward(garment, p))
  if (inOne)
    return refuse(
      'sleeve-in-one',
      inOne.name,
      'its shoulder seam does not end at an armhole: sleeve and body are cut in one.',
      'There is no seam line on the shoulder to move here; change the width at the side, or the slope of the shoulder.',
    )
  // Of an armhole that goes on over a panel seam, the part below the shoulder is nearly straight.
  const parted = new Set(
    findArmholes(garment)
      .flatMap((a) => [a.front, a.back])
      .flatMap((half) => (half.some((r) => r.pieceId !== half[0]!.pieceId) ? [half[0]!.pieceId] : [])),
  )
  for (const piece of withShoulder.filter((p) => !parted.has(p.id))) {
    const shape = shapeOf(piece, sizeId)
    if (shoulderEnds(piece).some((end) => hollowOf(piece, shape, end) < HOLLOW_PART))
      return refuse(
        'dropped-shoulder',
        piece.name,
        'its armhole is nearly straight: a dropped shoulder, whose seam is meant to hang on the upper arm.',
        'Its width is not fitted at the shoulder; lengthen or shorten the sleeve instead.',
      )
  }
  return null
}
