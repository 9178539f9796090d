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
 * The order that practitioners keep (craft 1): sizes made, darts where they are easy to work with, lengths, then widths,
 * then what follows from them, hems, and truing last. Kinds of the same rank may stand in any order.
 */
const RANK: Record<string, number> = {
  grade: 1,
  'place-seam': 2,
  lengthen: 2,
  blend: 3,
  'add-at-edge': 4,
  'uneven-hem': 5,
  'equal-legs': 6,
  'true-corner': 6,
  'move-notch': 6,
}

/** What it costs when the first kind comes after the second. */
const COST: Record<string, string> = {
  'lengthen blend': 'the sizes were blended at the old levels, so the changes from size to size no longer begin and end at the body’s.',
  'lengthen add-at-edge': 'the sides were let out or taken in at the old levels, and the length now stretches or folds that line.',
  'place-seam blend': 'the sizes were blended at the old waist.',
  'grade blend': 'the new sizes are made from the blend, not from the size that it took the place of.',
  'grade lengthen': 'the sizes that are made now never had the length that was put in before.',
  'blend add-at-edge': 'the blend puts whole sizes in the place of what was let out or taken in.',
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
    const rank = RANK[change.kind]
    if (rank === undefined || !change.on || isMend(change)) return []
    const before = plan.findIndex((c, k) => k < i && c.on && (RANK[c.kind] ?? 0) > rank && `${change.kind} ${c.kind}` in COST)
    if (before < 0) return []
    const other = plan[before]!
    const name = findKind(other.kind)!.describe(garment, other.inputs).title
    return [
      {
        changeId: change.id,
        message: `This comes after “${name}”: ${COST[`${change.kind} ${other.kind}`]!}`,
        moveTo: before,
        label: `Move it before “${name}”`,
      },
    ]
  })
}
