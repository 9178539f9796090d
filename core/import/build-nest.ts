import { measureLength, nearestPlace, type Point } from '../geometry'
import type { NotchPlace, Piece, Shape } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { SAME_POINT_MM } from '../tolerances'
import { buildPiece, isNotched, type PieceDraft } from './build-piece'
import { edgesOfSize, matchSizes, type MatchedSize } from './match-sizes'

/** What a size of a nest is called by inside: the base size keeps its own id. */
export const sizeIdOf = (name: string): string => `size-${name}`

/** How the corners of a draft lie on each of its other sizes. */
export const matchDraft = (draft: PieceDraft): MatchedSize[] =>
  draft.sizes.map((s) =>
    matchSizes(
      draft.edges.map((e) => e.path),
      s.path,
      s.pairs,
    ),
  )

/**
 * A piece in all the sizes that it was drawn in: the edges of each other size are cut where its corners were matched;
 * notches lie where they are drawn on that size, or at the same share of their edge; what lies inside is that of the base.
 */
export function buildNest(draft: PieceDraft, sizeId: string): Result<Piece> {
  const base = buildPiece(draft, sizeId)
  if (!base.ok || draft.sizes.length === 0) return base
  const matched = matchDraft(draft)
  const shapes = { ...base.value.shapes }
  const own = shapes[sizeId]!
  for (const [i, size] of draft.sizes.entries()) {
    const paths = edgesOfSize(size.path, matched[i]!)
    const empty = paths.findIndex((p) => p.length === 0 || measureLength(p) <= SAME_POINT_MM)
    if (empty >= 0)
      return refuse(
        'corners-mixed',
        `${draft.name}, size ${size.name}`,
        `${base.value.corners[empty]!.name} and the next corner lie in one place.`,
        'Pair the corners of this size by hand.',
      )
    const sized = buildPiece({ ...draft, edges: draft.edges.map((e, k) => ({ ...e, path: paths[k]! })) }, sizeId)
    const lost = matched[i]!.sure.indexOf(false)
    if (!sized.ok && lost >= 0)
      return refuse(
        'corner-unpaired',
        `${draft.name}, size ${size.name}`,
        `size ${size.name} has no corner where edge ${lost + 1} begins.`,
        'Show where it lies on the line of that size.',
      )
    if (!sized.ok) return sized
    const edges = sized.value.shapes[sizeId]!.edges
    shapes[sizeIdOf(size.name)] = { ...own, edges, notches: notchesOfSize(base.value, own, edges, size.notches ?? []) }
  }
  return ok({ ...base.value, shapes })
}

/**
 * The notches of another size: where as many are drawn on its edge as the base has there, those, in their order along it; else at the
 * same share of the edge.
 */
function notchesOfSize(base: Piece, own: Shape, edges: Shape['edges'], drawn: readonly Point[]): Shape['notches'] {
  const sewn = base.edges.filter((e) => isNotched(e.role))
  const places = drawn.map((p) =>
    sewn.map((e) => ({ id: e.id, ...nearestPlace(edges[e.id]!, p) })).reduce((a, b) => (b.distanceMm < a.distanceMm ? b : a)),
  )
  return Object.fromEntries(
    base.edges.flatMap(({ id }) => {
      const [was, is] = [own.edges[id]!, edges[id]!].map(measureLength) as [number, number]
      const along = ({ from, distanceMm }: NotchPlace, total: number) => (from === 'start' ? distanceMm : total - distanceMm)
      const list = base.notches
        .filter((n) => n.edgeId === id)
        .map((n) => ({ n, place: own.notches[n.id]! }))
        .sort((a, b) => along(a.place, was) - along(b.place, was))
      const here = places
        .filter((p) => p.id === id)
        .map((p) => p.lengthMm)
        .sort((a, b) => a - b)
      return list.map(({ n, place }, i): [string, NotchPlace] => [
        n.id,
        {
          ...place,
          distanceMm: here.length === list.length ? along({ ...place, distanceMm: here[i]! }, is) : (place.distanceMm * is) / was,
        },
      ])
    }),
  )
}
