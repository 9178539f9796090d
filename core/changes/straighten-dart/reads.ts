import { dartFigures, shapeOf, type Garment } from '../../pattern'
import { tipBackMm } from '../../darts'
import type { Wish } from '../../wishes'
import { says, used } from '../shared/reading/amounts'
import { askedDarts } from '../shared/reading/things'
import type { Reading } from '../types'
import type { StraightenDartInputs } from './schema'

/** Craft 6.11 as it is said: “straighten the side dart”. */
export function readStraightenDart(wish: Wish, garment: Garment): Reading<StraightenDartInputs>[] {
  if (!says(wish, 'straighten') || !says(wish, 'dart')) return []
  const { darts, uses } = askedDarts(garment, wish)
  const onSide = darts.filter((d) => d.piece.edges.some((e) => e.role === 'side') && d.piece.kind === 'front')
  const sided = onSide.filter((d) => dartFigures(d.piece, shapeOf(d.piece, garment.baseSizeId), d.dart).before.role === 'side')
  const meant = onSide.length > 1 && sided.length === 1 ? sided : onSide
  return meant.map((d) => ({
    inputs: { dart: d.ref, way: 'exact', lowerMm: 0, tipBackMm: tipBackMm('side'), trued: true },
    uses: [...uses, ...used(wish, 'straighten', 'side', 'front', 'bust')],
    sure: meant.length === 1 && wish.amounts.length === 0,
    where: `on the ${d.piece.name}`,
  }))
}
