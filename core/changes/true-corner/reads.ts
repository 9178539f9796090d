import { cornersAsSewn, walkGarment, type WalkedCorner } from '../../match'
import type { Garment } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { says, used } from '../shared/reading/amounts'
import { isNamed } from '../shared/reading/things'
import type { ChangeContext, Reading } from '../types'
import type { TrueCornerInputs } from './schema'

const EDGES: readonly Concept[] = [
  'hem',
  'armhole',
  'neckline',
  'waist',
  'side',
  'shoulder',
  'leg-opening',
  'sleeve',
  'inseam',
  'front',
  'back',
  'centre-front',
  'centre-back',
  'dart',
  'fold',
  'skirt',
  'body',
  'leg',
  'length',
  'width',
  'into',
  'above',
  'below',
  'knee',
]

/** Craft 7 as it is said: “true the hem at the side seam”, and every place as the program names it. */
export function readTrueCorner(wish: Wish, garment: Garment, context: ChangeContext): Reading<TrueCornerInputs>[] {
  if (!says(wish, 'true')) return []
  const all = cornersAsSewn(walkGarment(garment, context.sizeId, context.tolerances))
  // A corner is called by the edge that runs on and what it runs through, and by the two edges that meet there.
  const nameOf = (c: WalkedCorner) => `${c.edgeName} ${c.through}`
  const exact = all.filter((c) => isNamed(wish, c.where) || isNamed(wish, nameOf(c)))
  const words = (text: string) => new Set((text.toLowerCase().match(/\p{L}{3,}/gu) ?? []).filter((w) => w !== 'the' && w !== 'and'))
  const asked = [...words(wish.text)]
  const score = (c: WalkedCorner) => asked.filter((w) => words(`${c.where} ${nameOf(c)}`).has(w)).length
  const most = Math.max(0, ...all.map(score))
  const near = most === 0 ? all : all.filter((c) => score(c) === most)
  const meant = exact.length > 0 ? exact : near
  return meant.map((c) => ({
    inputs: { cornerId: c.id, reachMm: wish.amounts[0]?.mm ?? 0, firstTakes: 'half' },
    uses: used(wish, 'true', 'corner', 'seam', ...EDGES),
    sure: meant.length === 1 && wish.amounts.length <= 1,
  }))
}
