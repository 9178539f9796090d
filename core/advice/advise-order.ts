import { findKind, type Change } from '../changes'
import type { Garment } from '../pattern'

/** A stop that stands after one that it should come before, what that costs, and where it would go. */
export interface OrderAdvice {
  changeId: string
  message: string
  /** Place in the plan, counted from 0, to move it to. */
  moveTo: number
  label: string
}

/**
 * What it costs when the first kind comes after the second, where practitioners have them the other way round (craft 1):
 * sizes made, darts where they are easy to work with, lengths, then widths, then what follows from them.
 */
const COST: Record<string, string> = {
  'lengthen blend': 'the sizes were blended at the old levels, so the changes from size to size no longer begin and end at the body’s.',
  'lengthen add-at-edge': 'the sides were let out or taken in at the old levels, and the length now stretches or folds that line.',
  'place-seam blend': 'the sizes were blended at the old waist.',
  'grade blend': 'the new sizes are made from the blend, not from the size that it took the place of.',
  'grade lengthen': 'the sizes that are made now never had the length that was put in before.',
  'straighten-dart bust-amount': 'the bust was changed with the dart where it was; what is straightened now is already the larger dart.',
  'bust-amount raise-dart': 'the dart was set to its height before the bust was changed, which moves it again.',
  'bust-amount finish-dart': 'the dart was finished before its legs were moved, and has to be finished again.',
  'blend add-at-edge': 'the blend puts whole sizes in the place of what was let out or taken in.',
}

/** The one piece that a change of a dart or of the bust is about. */
function ownPiece({ inputs }: Change): string | undefined {
  const { pieceId, dart } = inputs as { pieceId?: string; dart?: string }
  return pieceId ?? dart?.split(' ')[0]
}

/** Changes of one piece: in any order beside those of another. */
const OF_ONE_PIECE = ['straighten-dart', 'bust-amount', 'raise-dart', 'finish-dart']

function costOf(change: Change, other: Change): string | undefined {
  // The piece for another cup replaces whatever was done before.
  if (change.kind === 'take-cup' && other.kind !== 'take-cup') return 'the piece for this cup would come without what that stop does.'
  if (OF_ONE_PIECE.includes(change.kind) && ownPiece(change) !== ownPiece(other)) return undefined
  return COST[`${change.kind} ${other.kind}`]
}

/** Mends of one seam are meant to stand where they are. */
const isMend = (change: Change) =>
  Array.isArray((change.inputs as { leftOut?: unknown }).leftOut) && (change.inputs as { leftOut: string[] }).leftOut.length > 0

/**
 * Stops that stand later than the order of work has them, each with the first stop that it should come before.
 * A user may keep an order; this says what it costs.
 */
export function adviseOrder(plan: readonly Change[], garment: Garment): OrderAdvice[] {
  return plan.flatMap((change, i): OrderAdvice[] => {
    if (!change.on || isMend(change)) return []
    const before = plan.findIndex((c, k) => k < i && c.on && costOf(change, c) !== undefined)
    if (before < 0) return []
    const other = plan[before]!
    const name = findKind(other.kind)!.describe(garment, other.inputs).title
    return [
      {
        changeId: change.id,
        message: `This comes after “${name}”: ${costOf(change, other)!}`,
        moveTo: before,
        label: `Move it before “${name}”`,
      },
    ]
  })
}
