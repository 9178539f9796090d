import { measureLength, nearestPlace, placeAt, type Point } from '../geometry'
import { onwardThroughDarts } from '../measure'
import { alongGrain, crossLevel } from '../moves'
import { edgePath, findPiece, grainDirection, shapeOf, type EdgeRole, type Garment, type Piece, type Shape } from '../pattern'
import { findZones, zoneLevel, type ZoneId } from './find-zones'

const SIDES: EdgeRole[] = ['side', 'outseam']

/** One side of a piece from the top down: the edges of its side seam, darts between them closed. */
export interface SideChain {
  pieceId: string
  edges: { edgeId: string; /** Walked against the outline, so that it runs down. */ reversed: boolean; fromMm: number; lengthMm: number }[]
  totalMm: number
}

/** The side seams of a piece: a half piece has one, a whole piece two. */
export function sideChains(piece: Piece, shape: Shape): SideChain[] {
  const n = piece.edges.length
  const isSide = (i: number) => SIDES.includes(piece.edges[i]!.role)
  const isLeg = (i: number) => piece.edges[i]!.role === 'dart-leg'
  const chains: number[][] = []
  for (let i = 0; i < n; i++) {
    if (!isSide(i)) continue
    let before = (i + n - 1) % n
    while (isLeg(before)) before = (before + n - 1) % n
    if (isSide(before) && before !== i) continue
    const chain: number[] = []
    for (let k = i, steps = 0; steps < n && (isSide(k) || isLeg(k)); k = (k + 1) % n, steps++) if (isSide(k)) chain.push(k)
    chains.push(chain)
  }
  const grain = grainDirection(shape)
  return chains.map((chain): SideChain => {
    const first = edgePath(shape, piece.edges[chain[0]!]!.id)
    const last = edgePath(shape, piece.edges[chain[chain.length - 1]!]!.id)
    const down = alongGrain(last[last.length - 1]!.to, grain) >= alongGrain(first[0]!.from, grain)
    let fromMm = 0
    const edges = (down ? chain : [...chain].reverse()).map((i) => {
      const edge = piece.edges[i]!
      const lengthMm = measureLength(edgePath(shape, edge.id))
      const part = { edgeId: edge.id, reversed: !down, fromMm, lengthMm }
      fromMm += lengthMm
      return part
    })
    return { pieceId: piece.id, edges, totalMm: fromMm }
  })
}

/** Where bust, waist and hip lie along a side seam, mm from its top; only those that the piece has, from the top down. */
export function zonesOnChain(garment: Garment, chain: SideChain, sizeId: string): { zone: ZoneId; atMm: number }[] {
  const piece = findPiece(garment, chain.pieceId)!
  const shape = shapeOf(piece, sizeId)
  const grain = grainDirection(shape)
  const touches = (role: EdgeRole, atTop: boolean) => {
    const part = chain.edges[atTop ? 0 : chain.edges.length - 1]!
    const i = piece.edges.findIndex((e) => e.id === part.edgeId)
    const n = piece.edges.length
    // The top of a chain that runs down with the outline is its start; of one that runs against it, its end.
    const beside = atTop !== part.reversed ? piece.edges[(i + n - 1) % n]! : piece.edges[(i + 1) % n]!
    return beside.role === role
  }
  const found = findZones(garment, { sewnTwice: true })
    .filter((z) => z.id === 'bust' || z.id === 'waist' || z.id === 'hip')
    .flatMap((zone): { zone: ZoneId; atMm: number }[] => {
      const part = zone.parts.find((p) => p.pieceId === piece.id)
      if (!part) return []
      if (part.by === 'edges')
        return touches('waist', true)
          ? [{ zone: zone.id, atMm: 0 }]
          : touches('waist', false)
            ? [{ zone: zone.id, atMm: chain.totalMm }]
            : []
      const level = zoneLevel(garment, part, sizeId)
      if (level === null) return []
      const along = (e: SideChain['edges'][number], atMm: number) => e.fromMm + (e.reversed ? e.lengthMm - atMm : atMm)
      // Where the level runs into a dart it meets the side beyond it, as sewn.
      const beyond = onwardThroughDarts(piece, shape, level).flatMap((o) => {
        const part = chain.edges.find((e) => e.edgeId === o.edgeId)
        return part ? [{ zone: zone.id, atMm: along(part, nearestPlace(edgePath(shape, part.edgeId), o.at).lengthMm) }] : []
      })
      if (beyond.length > 0) return beyond.slice(0, 1)
      for (const e of chain.edges) {
        const crossing = crossLevel(edgePath(shape, e.edgeId), grain, level)[0]
        if (crossing) return [{ zone: zone.id, atMm: along(e, crossing.atMm) }]
      }
      return []
    })
  return found.sort((a, b) => a.atMm - b.atMm)
}

/** The point at a length from the top of a side seam, mm; lengths beyond the ends take the ends. */
export function pointOnChain(shape: Shape, chain: SideChain, atMm: number): Point {
  const part = chain.edges.find((e) => atMm <= e.fromMm + e.lengthMm) ?? chain.edges[chain.edges.length - 1]!
  const along = Math.min(part.lengthMm, Math.max(0, atMm - part.fromMm))
  return placeAt(edgePath(shape, part.edgeId), part.reversed ? part.lengthMm - along : along).point
}
