import { walkGarment } from '../../match'
import { type Garment, neighbours } from '../../pattern'
import { RUN_THROUGH_DEG } from '../../tolerances'
import { bothShapes, holdEdge, holdGrain, holdSeams } from '../shared/held'
import type { HeldPromise } from '../types'
import type { HemPart } from './find-hem'

/** Every edge but the hem and those beside it stays, and the hem runs through seams and folds as smoothly as before. */
export function heldByHem(before: Garment, after: Garment, parts: readonly HemPart[], sizeId: string): HeldPromise[] {
  const held: HeldPromise[] = []
  for (const pieceId of new Set(parts.map((p) => p.piece.id))) {
    const { piece, was, is } = bothShapes(before, after, pieceId, sizeId)
    const changed = new Set(
      parts
        .filter((p) => p.piece.id === pieceId)
        .flatMap((p) => [p.edge.id, neighbours(piece, p.edge.id).before.id, neighbours(piece, p.edge.id).after.id]),
    )
    for (const edge of piece.edges) if (!changed.has(edge.id) && edge.role !== 'dart-leg') held.push(holdEdge(piece, was, is, edge.id))
    held.push(holdGrain(piece, was, is))
  }
  // The hem must run through side seams and folds as smoothly as before, or within what counts as smooth.
  const turns = (g: Garment) => {
    const walked = walkGarment(g, sizeId)
    return [...walked.seams.flatMap((s) => s.corners), ...walked.folds.map((f) => f.corner)]
  }
  const was = new Map(turns(before).map((c) => [c.id, c]))
  const hemNames = new Set(parts.map((p) => `${p.piece.name}, ${p.edge.name}`))
  for (const corner of turns(after)) {
    if (![...hemNames].some((n) => corner.where.includes(n))) continue
    const old = was.get(corner.id)!
    const allowed = Math.max(RUN_THROUGH_DEG, Math.abs(old.turnDeg))
    held.push({
      label: 'hem runs through, turn',
      where: corner.where,
      before: old.turnDeg,
      after: corner.turnDeg,
      unit: 'deg',
      allowed,
      held: corner.designed || Math.abs(corner.turnDeg) <= allowed,
    })
  }
  return [...held, ...holdSeams(before, after, sizeId)]
}
