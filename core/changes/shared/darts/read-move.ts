import type { EdgeRole, Garment } from '../../../pattern'
import type { Concept, Wish } from '../../../wishes'
import { used } from '../reading/amounts'
import { askedDarts } from '../reading/things'
import type { Reading } from '../../types'
import type { DartMove } from './dart-move'
import { inputsForDart, movedTo } from './move-form'

const ROLES: Partial<Record<Concept, EdgeRole>> = {
  side: 'side',
  armhole: 'armhole',
  shoulder: 'shoulder',
  neckline: 'neck',
  waist: 'waist',
  hem: 'hem',
  'centre-front': 'centre-front',
}
/** The lower edge of a piece is its waist or its hem: where the named one is not there, the other is asked about. */
const INSTEAD: Partial<Record<EdgeRole, EdgeRole>> = { waist: 'hem', hem: 'waist' }
const PLACES = Object.keys(ROLES) as Concept[]
/** What is said for moving a dart besides, where it is said where it goes: “swing the dart to the hem”, “change it to a shoulder dart”. */
const MOVES: readonly Concept[] = ['swing', 'pivot', 'change', 'close']

const SHARES: readonly [RegExp, number][] = [
  [/\b(?:a |one )?half\b|\b1\/2 of\b/i, 50],
  [/\b(?:a |one )?third\b|\b1\/3 of\b/i, 33],
  [/\b(?:a |one )?quarter\b|\b1\/4 of\b/i, 25],
]

/** How much of a dart is to go, in a hundred: “half of the dart”, “40 % of it”; null where nothing of the kind is said. */
function sharePctOf(text: string): number | null {
  const [, typed] = /\b(\d{1,2}) ?(?:%|percent|per cent)/i.exec(text) ?? []
  return typed !== undefined ? Number(typed) : (SHARES.find(([said]) => said.test(text))?.[1] ?? null)
}

/**
 * A dart, or a part of it, to another edge: “move the side dart to the armhole”, “split the dart to the shoulder”. The word that
 * stands before “dart” says which, the one behind it where it goes.
 */
export function readDartMove(wish: Wish, garment: Garment, verb: 'move' | 'split', sharePct: number): Reading<DartMove>[] {
  // “Move the dart up” raises it.
  if (!wish.said.has('dart') || wish.said.has('up') || wish.said.has('down')) return []
  const words = wish.tokens.flatMap((t) => (t.is === 'concept' ? [t.concept] : []))
  const dartAt = words.indexOf('dart')
  const target = words.slice(dartAt + 1).find((w) => PLACES.includes(w))
  const isMoved = wish.said.has(verb) || (verb === 'move' && target !== undefined && MOVES.some((c) => wish.said.has(c)))
  if (!isMoved) return []
  const source = words.slice(0, Math.max(dartAt, 0)).filter((w) => PLACES.includes(w) || w === 'bust')
  // “... to a shoulder dart” does not say which dart goes.
  const upToDart = wish.text.slice(0, wish.text.toLowerCase().indexOf('dart') + 'dart'.length)
  const { darts, uses } = askedDarts(garment, { ...wish, text: upToDart }, source)
  const share = sharePctOf(wish.text)
  return darts.flatMap((d): Reading<DartMove>[] => {
    const begun = inputsForDart(garment, d.ref, share ?? sharePct)
    if (!begun) return []
    const role = target && ROLES[target]
    const ofRole = (wanted: EdgeRole | undefined) => d.piece.edges.find((e) => e.role === wanted && !e.fold)
    const edge = role && ofRole(role)
    const goal = edge ?? (role && ofRole(INSTEAD[role]))
    return [
      {
        inputs: goal ? movedTo(garment, begun, goal.id) : begun,
        uses: [...uses, ...used(wish, verb, ...MOVES, 'into', 'from', 'front', 'back'), ...source, ...(target && edge ? [target] : [])],
        sure: darts.length === 1 && (target === undefined || edge !== undefined) && (share !== null || wish.amounts.length === 0),
        where: `on the ${d.piece.name}`,
        ...(share === null ? {} : { how: `${share} in a hundred of it` }),
      },
    ]
  })
}
