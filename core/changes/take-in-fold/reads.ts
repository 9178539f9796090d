import { opensOut } from '../../moves'
import { halfNames, shapeOf, type EdgeRole, type Garment } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { says, used } from '../shared/reading/amounts'
import { dartsOf, openEdges, type FoundDart } from '../shared/darts/find-darts'
import type { Reading } from '../types'
import type { TakeInFoldInputs } from './schema'

const EDGES: [Concept, EdgeRole][] = [
  ['armhole', 'armhole'],
  ['neckline', 'neck'],
  ['wrap-front', 'neck'],
  ['shoulder', 'shoulder'],
  ['hem', 'hem'],
]

/** Which side of the body a text names; null where it names none, or both. */
function sideOf(text: string): 'left' | 'right' | null {
  const [left, right] = [/\bleft\b/i, /\bright\b/i].map((word) => word.test(text))
  return left === right ? null : left ? 'left' : 'right'
}

/** Craft 6.11 as it is said: “armhole gapes 1/2”, “take in the fold at the neckline”, “pinned 3/8 at the armhole on the left”. */
export function readTakeInFold(
  wish: Wish,
  garment: Garment,
  usual: (dart: FoundDart) => TakeInFoldInputs | null,
  atEdge: (inputs: TakeInFoldInputs, edgeId: string) => TakeInFoldInputs,
): Reading<TakeInFoldInputs>[] {
  const edge = EDGES.find(([word]) => wish.said.has(word))
  // It closes into a dart: what gapes at the waist is another thing.
  // A wedge at the neckline may be such a fold, or one of the back.
  const isWedge = says(wish, 'wedge') && edge?.[0] === 'neckline' && !says(wish, 'more', 'longer', 'too-short')
  if (!says(wish, 'gapes', 'fold') && !isWedge) return []
  // Of the back it is the armhole, or perhaps the neckline, where the back has a dart to take it.
  const isBack = says(wish, 'back')
  const isBackNeck = isBack && edge?.[0] === 'neckline'
  if (says(wish, 'sway', 'centre-back', 'waist', 'true') || (isBack && edge?.[0] !== 'armhole' && !isBackNeck)) return []
  if (says(wish, 'wedge') && !isWedge) return []
  const darts = dartsOf(garment).filter((d) => d.piece.kind === (isBack ? 'back' : 'front'))
  return darts.slice(0, 1).flatMap((d): Reading<TakeInFoldInputs>[] => {
    const begun = usual(d)
    const at = edge && openEdges(d.piece).find((e) => e.role === edge[1])
    if (!begun || (edge && !at)) return []
    const [amount] = wish.amounts
    const side = sideOf(wish.text)
    const isOneSide = says(wish, 'one-side') && side !== null && opensOut(d.piece)
    const names = halfNames(d.piece, shapeOf(d.piece, garment.baseSizeId))
    const sides = isOneSide ? (names[0] === side ? 'one' : 'other') : begun.sides
    return [
      {
        inputs: { ...(at ? atEdge(begun, at.id) : begun), amountMm: amount?.mm ?? 0, sides },
        uses: used(
          wish,
          ...(isOneSide ? (['one-side'] as const) : []),
          'gapes',
          'fold',
          'wedge',
          'in',
          'less',
          'into',
          isBack ? 'back' : 'front',
          'dart',
          'edge',
          'each',
          ...(edge ? [edge[0]] : []),
        ),
        ...(isBack ? { where: `on the ${d.piece.name}` } : {}),
        sure: edge !== undefined && !isWedge && !isBackNeck && wish.amounts.length <= 1 && (amount?.sign ?? 0) >= 0,
        how: [isOneSide ? `on the ${side} alone` : '', amount ? 'pinned, into the dart' : ''].filter(Boolean).join(', '),
      },
    ]
  })
}
