import { chain, distance, IDENTITY, turnAbout, type Affine, type Point } from '../../geometry'
import type { CutPiece } from './cut-piece'

/**
 * Placements of the parts of a cut piece when one part lies still and the others swing about hinges, each carrying what
 * hangs on it. Slashes must part the piece like leaves of a fan: without a ring of parts.
 *
 * @param fixed the part that lies still
 * @param swings one for each slash: the hinge, and the opening angle, rad; negative closes
 */
export function swingParts(cut: CutPiece, fixed: number, swings: readonly { hinge: Point; openRad: number }[]): Affine[] {
  const moves: (Affine | undefined)[] = cut.parts.map(() => undefined)
  moves[fixed] = IDENTITY
  for (let reached = true; reached;) {
    reached = false
    cut.slashes.forEach((slash, i) => {
      const { hinge, openRad } = swings[i]!
      // Seen from the mouth toward the hinge the right side turns back when it opens, whichever end the hinge is.
      const way = distance(hinge, slash.to) <= distance(hinge, slash.from) ? -1 : 1
      const left = moves[slash.left]
      const right = moves[slash.right]
      if (left && !right) moves[slash.right] = chain(left, turnAbout(hinge, way * openRad))
      else if (right && !left) moves[slash.left] = chain(right, turnAbout(hinge, -way * openRad))
      else return
      reached = true
    })
  }
  return moves.map((m) => m ?? IDENTITY)
}

/** The angle, rad, at which two edges of a cut that reach `reachMm` from their hinge stand `gapMm` apart; NaN beyond straight. */
export const angleOfGap = (gapMm: number, reachMm: number): number => 2 * Math.asin(gapMm / (2 * reachMm))

/** How far apart, mm, the edges of a cut stand that opened by an angle, `reachMm` from the hinge. */
export const gapOfAngle = (rad: number, reachMm: number): number => 2 * reachMm * Math.sin(rad / 2)
