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

/** What it costs that a stop comes after another one, or undefined where it costs nothing. */
function costOf(change: Change, other: Change): string | undefined {
  const [kind, before] = [findKind(change.kind as string), findKind(other.kind as string)]
  if (!kind || !before) return undefined
  const [own, its] = [kind.onePiece?.(change.inputs), before.onePiece?.(other.inputs)]
  return own !== undefined && its !== undefined && own !== its ? undefined : kind.costsAfter?.[before.phase]
}

/** A stop that leaves partners out mends one seam, and is meant to stand where it is. */
const isMend = (change: Change) => (findKind(change.kind as string)?.leftOut?.of(change.inputs).length ?? 0) > 0

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
    const name = findKind(other.kind as string)!.describe(garment, other.inputs).title
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
