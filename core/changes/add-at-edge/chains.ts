import { sideChains, zonesOnChain, type SideChain } from '../../measure'
import { shapeOf, type Garment } from '../../pattern'

/** A zone that a side seam runs through. */
export type ZoneKey = 'bust' | 'waist' | 'hip'

/** Every side seam of a garment with its zones. */
export function chainsOf(garment: Garment, sizeId: string): { chain: SideChain; zones: { zone: ZoneKey; atMm: number }[] }[] {
  return garment.pieces.flatMap((piece) =>
    sideChains(piece, shapeOf(piece, sizeId)).map((chain) => ({
      chain,
      zones: zonesOnChain(garment, chain, sizeId) as { zone: ZoneKey; atMm: number }[],
    })),
  )
}
