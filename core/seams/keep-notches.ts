import { measureLength } from '../geometry'
import { edgePath, type NotchPlace, type Piece, type Shape } from '../pattern'

/** An edge as it is walked, and which of its ends did not move. */
export interface StillEnd {
  edgeId: string
  reversed: boolean
  still: 'first' | 'last'
}

/** Notches of some edges as far from the end that did not move as they were. */
export function keepNotches(piece: Piece, was: Shape, edges: Shape['edges'], runs: readonly StillEnd[]): Shape['notches'] {
  const moved = piece.notches.flatMap((n): [string, NotchPlace][] => {
    const run = runs.find((r) => r.edgeId === n.edgeId)
    if (!run) return []
    const place = was.notches[n.id]!
    const [wasMm, isMm] = [measureLength(edgePath(was, n.edgeId)), measureLength(edges[n.edgeId]!)]
    const stillAt = (run.still === 'first') !== run.reversed ? 'start' : 'end'
    const fromStill = place.from === stillAt ? place.distanceMm : wasMm - place.distanceMm
    const kept = Math.min(isMm, Math.max(0, fromStill))
    return [[n.id, { from: place.from, distanceMm: place.from === stillAt ? kept : isMm - kept }]]
  })
  return { ...was.notches, ...Object.fromEntries(moved) }
}
