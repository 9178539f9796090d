import type { Garment } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { oneAmount, says, towards, used } from '../shared/reading/amounts'
import { askedDarts } from '../shared/reading/things'
import type { Reading } from '../types'
import type { RaiseDartInputs } from './schema'

const UP: readonly Concept[] = ['up', 'too-low']
const DOWN: readonly Concept[] = ['down', 'too-high']

const TO_SIDE: readonly Concept[] = ['apart', 'to-side']
const TO_CENTRE: readonly Concept[] = ['together', 'to-centre']

/** Craft 6.11 as it is said: “raise the dart 1/2”, “bust dart too low”, “dart points above the apex”, “bust points 1 further apart”. */
export function readRaiseDart(wish: Wish, garment: Garment): Reading<RaiseDartInputs>[] {
  if (!says(wish, 'dart', 'apex') || says(wish, 'straighten', 'finish', 'split', 'merge', 'dart-legs', 'two-tipped', 'equal', 'pivot'))
    return []
  return readAside(wish, garment) ?? readUp(wish, garment)
}

/** How far it goes to the side or the centre; null where nothing is said of that. What lies between two of them is shared by both. */
function readAside(wish: Wish, garment: Garment): Reading<RaiseDartInputs>[] | null {
  const way = towards(wish, TO_SIDE, TO_CENTRE)
  if (way === 0) return null
  const { darts, uses } = askedDarts(garment, wish)
  const said = oneAmount(wish, way)
  const isBetween = says(wish, 'apart', 'together') && !says(wish, 'each')
  const asideMm = said === null ? null : said / (isBetween ? 2 : 1)
  return darts.map((d) => ({
    inputs: { dart: d.ref, amountMm: 0, asideMm: asideMm ?? 0 },
    uses: [...uses, ...used(wish, 'move', 'apex', 'bust', 'front', 'each', ...TO_SIDE, ...TO_CENTRE)],
    // A dart that should lie elsewhere may be meant to begin elsewhere.
    sure: asideMm !== null && darts.length === 1 && says(wish, 'apex'),
    towards: way,
    where: `on the ${d.piece.name}; on each side of the body`,
    field: 'asideMm',
  }))
}

function readUp(wish: Wish, garment: Garment): Reading<RaiseDartInputs>[] {
  const way = towards(wish, UP, DOWN)
  if (way === 0) return []
  const { darts, uses } = askedDarts(garment, wish)
  const amountMm = oneAmount(wish, way)
  return darts.map((d) => ({
    inputs: { dart: d.ref, amountMm: amountMm ?? 0, asideMm: 0 },
    uses: [...uses, ...used(wish, 'move', 'apex', 'bust', 'front', 'below', 'above', ...UP, ...DOWN)],
    sure: amountMm !== null && darts.length === 1,
    towards: way,
    where: `on the ${d.piece.name}`,
  }))
}
