import { measureLength, placeAt, type Point, alongGrain } from '../geometry'

import { edgePath, grainDirection, runsOfEdges, type EdgeRole, type Piece, type Shape } from '../pattern'

const SIDES: EdgeRole[] = ['side', 'outseam']

/** One side of a piece from the top down: the edges of its side seam, darts between them closed. */
export interface SideChain {
  pieceId: string
  edges: { edgeId: string; /** Walked against the outline, so that it runs down. */ reversed: boolean; fromMm: number; lengthMm: number }[]
  totalMm: number
}

/** The side seams of a piece: a half piece has one, a whole piece two. */
export function sideChains(piece: Piece, shape: Shape): SideChain[] {
  const grain = grainDirection(shape)
  return runsOfEdges(piece, (e) => SIDES.includes(e.role)).map((chain): SideChain => {
    const first = edgePath(shape, chain[0]!.id)
    const last = edgePath(shape, chain[chain.length - 1]!.id)
    const down = alongGrain(last[last.length - 1]!.to, grain) >= alongGrain(first[0]!.from, grain)
    let fromMm = 0
    const edges = (down ? chain : [...chain].reverse()).map((edge) => {
      const lengthMm = measureLength(edgePath(shape, edge.id))
      const part = { edgeId: edge.id, reversed: !down, fromMm, lengthMm }
      fromMm += lengthMm
      return part
    })
    return { pieceId: piece.id, edges, totalMm: fromMm }
  })
}

/** The point at a length from the top of a side seam, mm; lengths beyond the ends take the ends. */
export function pointOnChain(shape: Shape, chain: SideChain, atMm: number): Point {
  const part = chain.edges.find((e) => atMm <= e.fromMm + e.lengthMm) ?? chain.edges[chain.edges.length - 1]!
  const along = Math.min(part.lengthMm, Math.max(0, atMm - part.fromMm))
  return placeAt(edgePath(shape, part.edgeId), part.reversed ? part.lengthMm - along : along).point
}
