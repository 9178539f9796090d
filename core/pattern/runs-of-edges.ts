import type { Edge, Piece } from './schema'

/**
 * Runs of neighbouring edges of a sort, each in outline order; one may go on over the first edge of the outline.
 * @param over a dart between two of them is folded closed and parts no run; with 'nothing' its legs part them
 * @example runsOfEdges(front, (e) => e.role === 'side') // one on a half front, its side dart closed; two on a whole one
 */
export function runsOfEdges(piece: Piece, is: (edge: Edge) => boolean, over: 'darts' | 'nothing' = 'darts'): Edge[][] {
  const goesOn = (edge: Edge) => is(edge) || (over === 'darts' && edge.role === 'dart-leg')
  const n = piece.edges.length
  const at = (i: number) => piece.edges[((i % n) + n) % n]!
  const runs: Edge[][] = []
  for (let i = 0; i < n; i++) {
    if (!is(at(i))) continue
    let before = i - 1
    while (before > i - n && goesOn(at(before)) && !is(at(before))) before--
    // It belongs to the run of the one before it; in an outline that is one run all round the first edge begins it.
    if (before > i - n && is(at(before)) && !(i === 0 && piece.edges.every(goesOn))) continue
    const run: Edge[] = []
    for (let k = i; k < i + n && goesOn(at(k)); k++) if (is(at(k))) run.push(at(k))
    runs.push(run)
  }
  return runs
}
