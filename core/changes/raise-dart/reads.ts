import type { Garment } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { askedDarts } from '../shared/reading/things'
import type { Reading } from '../types'
import type { RaiseDartInputs } from './schema'

const UP: readonly Concept[] = ['up', 'too-low']
const DOWN: readonly Concept[] = ['down', 'too-high']

/** Craft 6.11 as it is said: “raise the dart 1/2”, “bust dart too low”, “dart points above the apex”. */
export function readRaiseDart(wish: Wish, garment: Garment): Reading<RaiseDartInputs>[] {
  if (!says(wish, 'dart', 'apex') || says(wish, 'straighten', 'finish', 'split', 'merge', 'dart-legs', 'two-tipped', 'equal', 'pivot'))
    return []
  const way = towards(wish, UP, DOWN)
  if (way === 0) return []
  const { darts, uses } = askedDarts(garment, wish)
  const amountMm = oneAmount(wish, way)
  return darts.map((d) => ({
    inputs: { dart: d.ref, amountMm: amountMm ?? 0 },
    uses: [...uses, ...used(wish, 'move', 'apex', 'bust', 'front', 'below', 'above', ...UP, ...DOWN)],
    sure: amountMm !== null && darts.length === 1,
    towards: way,
    where: `on the ${d.piece.name}`,
  }))
}
