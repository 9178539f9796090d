import { tipBackMm } from '../../darts'
import { dartFigures, shapeOf, type Garment } from '../../pattern'
import type { Wish } from '../../wishes'
import { says, used } from '../shared/reading/amounts'
import { dartsOf } from '../shared/darts/find-darts'
import { isNamed } from '../shared/reading/things'
import { plainText } from '../../units'
import type { Reading } from '../types'
import type { MergeDartsInputs } from './schema'

/** Craft 6.11 as it is said: “merge the shoulder dart into the side dart”, “combine the two darts”. */
export function readMergeDarts(wish: Wish, garment: Garment): Reading<MergeDartsInputs>[] {
  if (!says(wish, 'merge') || !says(wish, 'dart')) return []
  const darts = dartsOf(garment)
  const text = plainText(wish.text)
  const pairs = darts.flatMap((dart) =>
    darts.filter((into) => into.piece.id === dart.piece.id && into.ref !== dart.ref).map((into) => ({ dart, into })),
  )
  const place = (name: string) => text.indexOf(plainText(name))
  // The one that is named first goes into the one that is named after it.
  const ordered = pairs.filter(
    ({ dart, into }) => isNamed(wish, dart.dart.name) && isNamed(wish, into.dart.name) && place(dart.dart.name) < place(into.dart.name),
  )
  const meant = ordered.length > 0 ? ordered : pairs
  return meant.map(({ dart, into }) => {
    const role = dartFigures(into.piece, shapeOf(into.piece, garment.baseSizeId), into.dart).before.role
    return {
      inputs: { dart: dart.ref, into: into.ref, tipBackMm: tipBackMm(role), trued: true },
      uses: used(wish, 'merge', 'dart', 'into', 'side', 'shoulder', 'armhole', 'waist', 'front', 'back'),
      sure: meant.length === 1 && wish.amounts.length === 0,
      where: `on the ${dart.piece.name}`,
    }
  })
}
