import type { Garment } from '../pattern'
import { bustOnPartner } from './bust-on-partner'
import { findZones, type ZoneId } from './find-zones'
import { placeOnChain } from './place-on-chain'
import type { SideChain } from './side-chains'

const ON_SIDES: readonly ZoneId[] = ['bust', 'waist', 'hip']

/**
 * Where bust, waist and hip lie along a side seam, mm from its top; only those that the piece has, from the top down. The bust of a
 * front with an apex lies as far down as on the piece beside it, where it is measured to: its own level may run into the side dart.
 */
export const zonesOnChain = (garment: Garment, chain: SideChain, sizeId: string): { zone: ZoneId; atMm: number }[] =>
  findZones(garment, { sewnTwice: true })
    .filter((z) => ON_SIDES.includes(z.id))
    .flatMap((zone) => {
      const part = zone.parts.find((p) => p.pieceId === chain.pieceId)
      if (!part) return []
      const own = () => placeOnChain(garment, part, chain, sizeId)
      const atMm = 'overApex' in part && part.overApex ? (bustOnPartner(garment, chain, sizeId) ?? own()) : own()
      return atMm === null ? [] : [{ zone: zone.id, atMm }]
    })
    .sort((a, b) => a.atMm - b.atMm)
