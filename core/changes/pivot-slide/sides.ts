import { dot, scale, type Point } from '../../geometry'
import type { TracedRun } from '../../moves'
import { frameOf, neighbours, type Edge, type Piece, type Shape } from '../../pattern'
import { pointOnChain, sideChains, type SideChain } from '../../measure'
import { SNAP_MM } from '../../tolerances'

/** A side seam of a piece, from its upper end down. */
export interface Side {
  chain: SideChain
  /** The side's edges in outline order with the darts between them. */
  edges: Edge[]
  top: Point
  bottom: Point
  outward: Point
  down: Point
  /** The edges that follow at the top and at the bottom. */
  above: Edge
  below: Edge
}

/** The side seams of a piece, left and right where it is whole. */
export function sidesOf(piece: Piece, shape: Shape): Side[] {
  const { across, down, middle } = frameOf(piece, shape)
  return sideChains(piece, shape).map((c): Side => {
    const ids = c.edges.map((e) => e.edgeId)
    const reversed = c.edges[0]!.reversed
    const [first, last] = reversed ? [ids[ids.length - 1]!, ids[0]!] : [ids[0]!, ids[ids.length - 1]!]
    const n = piece.edges.length
    const start = piece.edges.findIndex((e) => e.id === first)
    const edges: Edge[] = []
    for (let k = start; ; k = (k + 1) % n) {
      edges.push(piece.edges[k]!)
      if (piece.edges[k]!.id === last) break
    }
    const top = pointOnChain(shape, c, 0)
    const before = neighbours(piece, first).before
    const after = neighbours(piece, last).after
    return {
      chain: c,
      edges,
      top,
      bottom: pointOnChain(shape, c, c.totalMm),
      outward: scale(across, Math.sign(dot(top, across) - middle) || 1),
      down,
      above: reversed ? after : before,
      below: reversed ? before : after,
    }
  })
}

/** The stretches of a side between two lengths from its top, mm; whole edges and darts where they lie inside. */
export function stretchOf(side: Side, fromMm: number, toMm: number): TracedRun['bits'] {
  const bits: TracedRun['bits'] = []
  for (const edge of side.edges) {
    const part = side.chain.edges.find((e) => e.edgeId === edge.id)
    if (!part) {
      // A dart's leg goes with the end of the side edge that it hangs on.
      const at = edgeBeforeDart(side, edge)
      if (at >= fromMm - SNAP_MM && at <= toMm + SNAP_MM && !bits.some((b) => b.edgeId === edge.id)) bits.push({ edgeId: edge.id })
      continue
    }
    const from = Math.max(fromMm, part.fromMm) - part.fromMm
    const to = Math.min(toMm, part.fromMm + part.lengthMm) - part.fromMm
    if (to - from <= SNAP_MM) continue
    bits.push(
      part.reversed
        ? { edgeId: edge.id, fromMm: part.lengthMm - to, toMm: part.lengthMm - from }
        : { edgeId: edge.id, fromMm: from, toMm: to },
    )
  }
  return bits
}

/** How far down the side the dart lies whose leg this is, mm. */
function edgeBeforeDart(side: Side, leg: Edge): number {
  const k = side.edges.indexOf(leg)
  const before = [...side.edges.slice(0, k)].reverse().find((e) => e.role !== 'dart-leg')!
  const part = side.chain.edges.find((e) => e.edgeId === before.id)!
  return part.reversed ? part.fromMm : part.fromMm + part.lengthMm
}
