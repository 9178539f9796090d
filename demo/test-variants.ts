import { mapPath, reversePath, rotateAbout, type Path, type Point } from '../core/geometry'
import type { Garment, Piece, Shape } from '../core/pattern'

/** A shape with every point of it moved. */
const movedShape = (shape: Shape, to: (p: Point) => Point, redraw: (path: Path) => Path = (p) => p): Shape => {
  const all = (paths: Shape['edges']) => Object.fromEntries(Object.entries(paths).map(([id, path]) => [id, redraw(mapPath(path, to))]))
  return {
    ...shape,
    edges: all(shape.edges),
    lines: all(shape.lines),
    points: Object.fromEntries(Object.entries(shape.points).map(([id, p]) => [id, to(p)])),
    grain: { from: to(shape.grain.from), to: to(shape.grain.to) },
  }
}

const withPieces = (garment: Garment, change: (piece: Piece) => Piece): Garment => ({
  ...garment,
  pieces: garment.pieces.map((p) => change(p)),
  ...(garment.cups ? { cups: garment.cups.map((p) => change(p)) } : {}),
})

const withShapes = (piece: Piece, change: (shape: Shape) => Shape): Piece => ({
  ...piece,
  shapes: Object.fromEntries(Object.entries(piece.shapes).map(([id, shape]) => [id, change(shape)])),
})

/** For tests: the same garment with each piece lying turned by another angle, and elsewhere. */
export const laidAslant = (garment: Garment): Garment =>
  withPieces(garment, (piece) => {
    // By its name: a piece for another cup lies as the one that it takes the place of.
    const i = [...piece.id].reduce((sum, letter) => sum + letter.charCodeAt(0), 0) % 11
    const rad = 0.6 + i * 1.9
    return withShapes(piece, (shape) =>
      movedShape(shape, (p) => {
        const q = rotateAbout(p, { x: 0, y: 0 }, rad)
        return { x: q.x + 137 * i, y: q.y - 71 }
      }),
    )
  })

/** For tests: the same garment with every outline begun at another corner. */
export const begunElsewhere = (garment: Garment): Garment =>
  withPieces(garment, (piece) => {
    const by = Math.floor(piece.edges.length / 2)
    const turned = <T>(list: readonly T[]): T[] => [...list.slice(by), ...list.slice(0, by)]
    // Shapes of their own: what is known of a shape is kept with it, its outline too.
    return { ...withShapes(piece, (shape) => ({ ...shape })), edges: turned(piece.edges), corners: turned(piece.corners) }
  })

/** For tests: the same garment with every piece drawn as its mirror image, its outline still clockwise. */
export function mirrored(garment: Garment): Garment {
  const flipped = withPieces(garment, (piece) => {
    const edges = [...piece.edges].reverse()
    // The corner at the start of an edge was the one at its end.
    const corners = [...piece.corners.slice(1), piece.corners[0]!].reverse()
    const darts = piece.darts.map((d) => ({
      ...d,
      legs: [d.legs[1], d.legs[0]] as [string, string],
      pressTo: d.pressTo === 'before' ? ('after' as const) : ('before' as const),
    }))
    const own = withShapes(piece, (shape) => ({
      ...movedShape(shape, (p) => ({ x: -p.x, y: p.y }), reversePath),
      notches: Object.fromEntries(
        Object.entries(shape.notches).map(([id, n]) => [id, { ...n, from: n.from === 'start' ? ('end' as const) : ('start' as const) }]),
      ),
    }))
    return { ...own, edges, corners, darts }
  })
  return {
    ...flipped,
    seams: garment.seams.map((seam) => {
      const turn = (side: Garment['seams'][number]['sides'][0]) => side.map((r) => ({ ...r, reversed: !r.reversed }))
      return { ...seam, sides: [turn(seam.sides[0]), turn(seam.sides[1])] }
    }),
  }
}
