import { findPiece, seamsOfEdge, shapeOf, type Garment, type Piece, type Shape } from '../pattern'
import { zonePartOf } from './find-zones'
import { placeOnChain } from './place-on-chain'
import { sideChains, type SideChain } from './side-chains'

/** Kept per shape of the partner: a change leaves most of them as they are. */
const bustPlaces = new WeakMap<Shape, { piece: Piece; places: Map<string, number | null> }>()

/** How far down the side that has this edge the bust of a piece lies, mm; null where it has none. */
function bustDownSide(garment: Garment, piece: Piece, edgeId: string, sizeId: string): number | null {
  const shape = shapeOf(piece, sizeId)
  let kept = bustPlaces.get(shape)
  if (kept?.piece !== piece) bustPlaces.set(shape, (kept = { piece, places: new Map() }))
  const key = `${garment.baseSizeId} ${edgeId}`
  let atMm = kept.places.get(key)
  if (atMm === undefined) {
    const chain = sideChains(piece, shape).find((c) => c.edges.some((e) => e.edgeId === edgeId))
    const part = zonePartOf(garment, 'bust', piece)
    atMm = chain && part ? placeOnChain(garment, part, chain, sizeId) : null
    kept.places.set(key, atMm)
  }
  return atMm
}

/** How far down its side seam the bust lies on the piece that a front is sewn to there, mm; null where it is sewn to none. */
export function bustOnPartner(garment: Garment, chain: SideChain, sizeId: string): number | null {
  for (const { edgeId } of chain.edges)
    for (const { seam, side } of seamsOfEdge(garment, chain.pieceId, edgeId))
      for (const run of seam.sides[side === 0 ? 1 : 0]) {
        const partner = run.pieceId === chain.pieceId ? undefined : findPiece(garment, run.pieceId)
        const atMm = partner ? bustDownSide(garment, partner, run.edgeId, sizeId) : null
        if (atMm !== null) return atMm
      }
  return null
}
