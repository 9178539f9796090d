import { measureLength } from '../geometry'
import { edgePath, type Notch, type Piece, type Shape } from '../pattern'
import { ok, refuse, type Result } from '../result'

/** Notches of an edge in the order in which they lie along it, in some size. */
function along(piece: Piece, shape: Shape, edgeId: string): Notch[] {
  const total = measureLength(edgePath(shape, edgeId))
  const at = ({ id }: Notch) => {
    const { from, distanceMm } = shape.notches[id]!
    return from === 'start' ? distanceMm : total - distanceMm
  }
  return piece.notches.filter((n) => n.edgeId === edgeId).sort((a, b) => at(a) - at(b))
}

/**
 * A piece for another cup with the ids of the piece that it takes the place of: edges and corners by their names in outline
 * order, notches by their order along each edge, inner lines by name. Seams and changes made for the one then find the
 * other's.
 *
 * @param piece the one among the garment's pieces
 * @param variant the same piece for another cup
 * @param sizeId a size that both have
 * Refuses: edges or notches that do not correspond, named.
 */
export function alignVariant(piece: Piece, variant: Piece, sizeId: string): Result<Piece> {
  const n = piece.edges.length
  const where = variant.name
  const remedy = `Name its edges as those of the ${piece.name}, or take it as a piece of its own.`
  if (variant.edges.length !== n)
    return refuse('edges-differ', where, `it has ${variant.edges.length} edges, and the ${piece.name} has ${n}.`, remedy)
  const fits = (by: number) => piece.edges.every((e, i) => e.role === variant.edges[(i + by) % n]!.role)
  const by = piece.edges.findIndex((_, k) => fits(k))
  if (by < 0) return refuse('edges-differ', where, `its edges do not follow each other as those of the ${piece.name} do.`, remedy)
  const edgeId = new Map(piece.edges.map((e, i) => [variant.edges[(i + by) % n]!.id, e.id]))
  const cornerId = new Map(piece.corners.map((c, i) => [variant.corners[(i + by) % n]!.id, c.id]))
  const lineId = new Map(variant.lines.map((l) => [l.id, piece.lines.find((o) => o.name === l.name)?.id ?? `own-${l.id}`]))
  const notchId = new Map<string, string>()
  for (const [own, id] of edgeId) {
    const there = along(piece, piece.shapes[sizeId]!, id)
    const here = along(variant, variant.shapes[sizeId]!, own)
    const edge = piece.edges.find((e) => e.id === id)!
    if (there.length !== here.length)
      return refuse(
        'notches-differ',
        where,
        `its ${edge.name} has ${here.length} notches, and that of the ${piece.name} has ${there.length}.`,
        'Set or take away notches until both have as many.',
      )
    here.forEach((notch, i) => notchId.set(notch.id, there[i]!.id))
  }
  const renamed = <T>(record: Record<string, T>, ids: ReadonlyMap<string, string>) =>
    Object.fromEntries(Object.entries(record).map(([id, value]) => [ids.get(id) ?? id, value]))
  const turned = <T>(list: readonly T[]) => list.map((_, i) => list[(i + by) % n]!)
  return ok({
    ...variant,
    id: piece.id,
    edges: turned(variant.edges).map((e) => ({ ...e, id: edgeId.get(e.id)! })),
    corners: turned(variant.corners).map((c) => ({ ...c, id: cornerId.get(c.id)! })),
    notches: variant.notches.map((m) => ({ ...m, id: notchId.get(m.id)!, edgeId: edgeId.get(m.edgeId)! })),
    darts: variant.darts.map((d) => ({
      ...d,
      id: piece.darts.find((o) => o.legs[0] === edgeId.get(d.legs[0]))?.id ?? d.id,
      legs: [edgeId.get(d.legs[0])!, edgeId.get(d.legs[1])!],
    })),
    lines: variant.lines.map((l) => ({ ...l, id: lineId.get(l.id)! })),
    shapes: Object.fromEntries(
      Object.entries(variant.shapes).map(([id, shape]) => [
        id,
        {
          ...shape,
          edges: renamed(shape.edges, edgeId),
          notches: renamed(shape.notches, notchId),
          lines: renamed(shape.lines, lineId),
        },
      ]),
    ),
  })
}
