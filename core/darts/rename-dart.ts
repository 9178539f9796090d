import { edgeFamily, findPiece, type Garment, type Piece } from '../pattern'

/** The ids that a dart's legs and their corners go by. */
export interface DartIds {
  id: string
  legs: [string, string]
  corners: [string, string]
}

/** What a new dart's legs and corners are called by. */
export const freshIds = (id: string): DartIds => ({
  id,
  legs: [`${id}/first`, `${id}/second`],
  corners: [`${id}:first end`, `${id}:tip`],
})

/** Gives a dart that was put in under another id its own: its legs, corners and the part of its edge are called after it. */
export function renameDart(garment: Garment, pieceId: string, from: string, to: DartIds, name: string): Garment {
  const piece = findPiece(garment, pieceId)!
  const was = freshIds(from)
  const used = new Set([...to.corners, ...piece.corners.map((c) => c.id)])
  // A corner that another dart has left may be called so already.
  const end = [`${to.id}:second end`, `${to.id}:first end`, `${to.id}:end`].find((id) => !used.has(id)) ?? `${to.id}:${from}`
  const known = new Map([
    [was.legs[0], to.legs[0]],
    [was.legs[1], to.legs[1]],
    [was.corners[0], to.corners[0]],
    [was.corners[1], to.corners[1]],
    [`${from}:second end`, end],
  ])
  const idOf = (id: string): string => known.get(id) ?? (id.endsWith(`>${from}`) ? `${edgeFamily(id)}>${to.id}` : id)
  const called = (text: string) => text.replace(from, name)
  const renamed: Piece = {
    ...piece,
    edges: piece.edges.map((e) => ({ ...e, id: idOf(e.id), name: called(e.name) })),
    corners: piece.corners.map((c) => ({ ...c, id: idOf(c.id), name: called(c.name) })),
    notches: piece.notches.map((n) => ({ ...n, edgeId: idOf(n.edgeId) })),
    darts: piece.darts.map((d) => (d.id === from ? { ...d, id: to.id, name, legs: to.legs } : d)),
    shapes: Object.fromEntries(
      Object.entries(piece.shapes).map(([id, s]) => [
        id,
        { ...s, edges: Object.fromEntries(Object.entries(s.edges).map(([e, path]) => [idOf(e), path])) },
      ]),
    ),
  }
  return {
    ...garment,
    pieces: garment.pieces.map((p) => (p.id === pieceId ? renamed : p)),
    seams: garment.seams.map((s) => {
      const walk = (side: (typeof s.sides)[0]) => side.map((r) => (r.pieceId === pieceId ? { ...r, edgeId: idOf(r.edgeId) } : r))
      return { ...s, sides: [walk(s.sides[0]), walk(s.sides[1])] }
    }),
  }
}
